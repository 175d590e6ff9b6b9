// Every layout of the demo is drawn whole: each key once, inside the picture, none on another.
import { expect, test } from "vitest";
import { layoutShape } from "#core/dossier/index.ts";
import { keysOf } from "#core/dossier/layout.ts";
import { DOSSIERS } from "#demo/data/dossiers.ts";
import { outlineOf } from "./key-card.tsx";

const layouts = Object.entries(DOSSIERS).flatMap(([name, { identity }]) =>
  identity.layout ? [[name, layoutShape.parse(identity.layout)] as const] : [],
);

test("all twelve models have a layout", () => {
  expect(layouts).toHaveLength(12);
});

test.each(layouts)("the keys of the %s", (_, layout) => {
  const outline = outlineOf(layout);
  const boxes = [...outline.keys, ...outline.knobs];
  expect(boxes.map((b) => b.key).sort()).toEqual(keysOf(layout).sort());
  for (const box of boxes) {
    expect(box.x).toBeGreaterThanOrEqual(0);
    expect(box.y).toBeGreaterThanOrEqual(0);
    expect(box.x + box.w).toBeLessThanOrEqual(outline.width);
    expect(box.y + box.h).toBeLessThanOrEqual(outline.height);
  }
  for (const [i, a] of boxes.entries()) {
    for (const b of boxes.slice(i + 1)) {
      const apart = a.x + a.w <= b.x || b.x + b.w <= a.x || a.y + a.h <= b.y || b.y + b.h <= a.y;
      expect([a.key, b.key, apart]).toEqual([a.key, b.key, true]);
    }
  }
});

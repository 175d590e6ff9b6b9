// The ladder's labels: never on each other, and the rungs that matter are the ones named.
import fc from "fast-check";
import { expect, test } from "vitest";
import { addDays, plain } from "#core/quantities/index.ts";
import { cases } from "#core/quantities/testing.ts";
import { layOut } from "./ladder.tsx";
import type { Rung } from "./rung.ts";

const START = plain("2020-01-01");
const END = plain("2026-01-01");
const rung = (n: number, day: number, units: readonly string[] = []): Rung => ({
  id: `r${n}`,
  version: `1.${n}`,
  track: "factory",
  on: addDays(START, day),
  withdrawn: false,
  units,
});
const width = (r: { version: string }) => r.version.length * 7.6;

test("labels of one row never touch, however many releases there are", () => {
  const days = fc.array(fc.integer({ min: 0, max: 2190 }), { minLength: 1, maxLength: 200 });
  fc.assert(
    fc.property(days, (list) => {
      const placed = layOut(
        list.map((day, n) => rung(n, day)),
        START,
        END,
      );
      expect(placed).toHaveLength(list.length);
      for (const row of [0, 1, 2]) {
        const own = placed.filter((r) => r.up === row).sort((a, b) => a.x - b.x);
        for (const [i, r] of own.entries()) {
          const next = own[i + 1];
          if (next) expect(next.x - r.x).toBeGreaterThan((width(r) + width(next)) / 2);
        }
      }
      expect(placed.every((r) => r.up <= 2)).toBe(true);
    }),
    { numRuns: cases(60) },
  );
});

test("of two hundred, the one that a radio runs, the one on the way and the newest are named", () => {
  const all = Array.from({ length: 200 }, (_, n) => rung(n, n * 10, n === 97 ? ["W-01"] : []));
  const placed = layOut(all, START, END, new Set(["r120"]));
  const named = placed.filter((r) => r.up >= 0).map((r) => r.id);
  expect(named).toEqual(expect.arrayContaining(["r97", "r120", "r199"]));
  expect(named.length).toBeLessThan(200);
});

test("few releases are all named", () => {
  const placed = layOut([rung(1, 0), rung(2, 1), rung(3, 2)], START, END);
  expect(placed.map((r) => r.up)).toEqual([0, 1, 2]);
});

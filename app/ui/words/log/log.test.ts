// Every kind of entry has a sentence of its own, whatever its details hold; what no longer fits is still shown.
import fc from "fast-check";
import { expect, test } from "vitest";
import { z } from "zod";
import { LOG_KINDS, type LogEntry, logEntry } from "#core/club/index.ts";
import { cases } from "#core/quantities/testing.ts";
import { sayEntry } from "./log.ts";

/** Details of a kind, each field by its own shape. */
function detailsOf(shape: Record<string, z.ZodType>): fc.Arbitrary<Record<string, unknown>> {
  const value = (type: z.ZodType): fc.Arbitrary<unknown> => {
    if (type instanceof z.ZodOptional)
      return fc.option(value(type.unwrap() as z.ZodType), { nil: undefined });
    if (type instanceof z.ZodEnum) return fc.constantFrom(...type.options);
    if (type.safeParse(true).success) return fc.boolean();
    if (type.safeParse(3).success) return fc.nat(2000);
    return fc.string({ maxLength: 400 });
  };
  return fc.record(Object.fromEntries(Object.entries(shape).map(([name, type]) => [name, value(type)])));
}

const entries = logEntry.options.map((option) => {
  const { kind, ...shape } = option.shape;
  return detailsOf(shape as Record<string, z.ZodType>).map((detail) => ({ kind: kind.value, detail }));
});

test("any entry that can be told is said in words, and none by the name of its kind", () => {
  fc.assert(
    fc.property(fc.oneof(...entries), ({ kind, detail }) => {
      expect(logEntry.safeParse({ ...detail, kind }).success).toBe(true);
      const said = sayEntry({ kind, detail }, "en-GB");
      expect(said).not.toMatch(/undefined|\[object|NaN/);
      if (kind !== "note" && kind.includes("-")) expect(said).not.toBe(kind);
    }),
    { numRuns: cases(1500) },
  );
});

test("no two kinds are said alike", () => {
  const filled = (option: (typeof logEntry.options)[number]) => {
    const fields = Object.entries(option.shape).filter(([name]) => name !== "kind") as [string, z.ZodType][];
    return Object.fromEntries(
      fields.map(([name, type]) => [
        name,
        [7, "word", "form", "own", false].find((v) => type.safeParse(v).success),
      ]),
    );
  };
  const said = logEntry.options.map((option) =>
    sayEntry({ kind: option.shape.kind.value, detail: filled(option) }, "en-GB"),
  );
  expect(said).toHaveLength(LOG_KINDS.length);
  expect(new Set(said).size).toBe(said.length);
});

const say = (entry: LogEntry) => sayEntry({ kind: entry.kind, detail: entry }, "en-GB");

test("as they are read", () => {
  expect(say({ kind: "reading", component: "main", raw: "1.14", source: "screen" })).toBe(
    "read main 1.14 off the screen",
  );
  expect(say({ kind: "lent", to: "Maud Whinmoor", dueBack: "2026-12-01" })).toBe(
    "lent to Maud Whinmoor, due back 1 Dec 2026",
  );
  expect(say({ kind: "lent", to: "Maud Whinmoor" })).toBe("lent to Maud Whinmoor");
  expect(say({ kind: "release-added", component: "main", version: "1.14", units: 1 })).toBe(
    "added main 1.14, touching 1 radio",
  );
  expect(say({ kind: "release-added", component: "main", version: "1.14", units: 0 })).toBe(
    "added main 1.14",
  );
  expect(say({ kind: "units-imported", file: "stock.csv", added: 3, changed: 0, readings: 1 })).toBe(
    "brought in stock.csv: 3 added, 0 changed, 1 reading",
  );
  expect(say({ kind: "tried", what: "K-07", worked: false, symptom: "no answer" })).toBe(
    "it failed with K-07: no answer",
  );
});

test("an entry of a kind that is gone, or without its details, is named by its kind", () => {
  expect(sayEntry({ kind: "weathered", detail: {} }, "en-GB")).toBe("weathered");
  expect(sayEntry({ kind: "lent", detail: { dueBack: 3 } }, "en-GB")).toBe("lent");
});

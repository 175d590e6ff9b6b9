// What every kind of need owes to the others: names of its own, and reasons that are stored and read as they were.
import fc from "fast-check";
import { expect, test } from "vitest";
import { anyOf, cases } from "../../quantities/testing.ts";
import { ACTIONS, KINDS, NEED_CAUSES, NEED_KINDS, reasonShape, SUMMARY_KINDS } from "./index.ts";
import type { KindOfNeed } from "./kind.ts";

const kinds: readonly KindOfNeed[] = Object.values(KINDS);
const twice = (names: readonly string[]) => names.filter((name, i) => names.indexOf(name) !== i);

test("no two kinds share a cause, something to be done, or a place", () => {
  expect(kinds.map(({ kind }) => kind)).toEqual(NEED_KINDS);
  expect(twice(NEED_CAUSES)).toEqual([]);
  expect(twice(kinds.flatMap(({ doings }) => Object.keys(doings)))).toEqual([]);
  expect(twice(kinds.flatMap(({ items }) => Object.keys(items)))).toEqual([]);
  expect(twice(kinds.flatMap(({ doings }) => Object.values(doings).map(({ due }) => String(due))))).toEqual(
    [],
  );
  expect(twice(kinds.flatMap(({ items }) => Object.values(items).map(String)))).toEqual([]);
});

test("whatever is to be done about a need has a line in the summary", () => {
  for (const { causes, here, away, itemsOf } of kinds)
    for (const action of [away, ...(typeof here === "string" ? [here] : Object.values(here))]) {
      expect(ACTIONS).toContain(action);
      for (const cause of causes)
        for (const unit of [undefined, { unit: "W-01", read: true, atBench: true }])
          for (const line of itemsOf?.({ cause, action }, unit) ?? [action])
            expect(SUMMARY_KINDS).toContain(line);
    }
});

test("any reason is read as it was stored, and one with a field more is none", () => {
  fc.assert(
    fc.property(anyOf(reasonShape), (reason) => {
      const stored = JSON.parse(JSON.stringify(reason));
      expect(reasonShape.parse(stored)).toEqual(reason);
      expect(reasonShape.safeParse({ ...stored, more: 1 }).success).toBe(false);
    }),
    { numRuns: cases(300) },
  );
});

// How radios stand to the plan, against a count radio by radio.
import fc from "fast-check";
import { expect, test } from "vitest";
import { type CarriedCount, carriesOf, countsOf } from "./carried.ts";

test("a radio carries the plan, an earlier one, another table, or nobody knows; without a plan none is due", () => {
  const of = (carried: number) => [carriesOf(carried, 3), carriesOf(carried, undefined)];
  expect([3, 2, 0, -1].map(of)).toEqual([
    ["plan", "older"],
    ["older", "older"],
    ["other", "other"],
    ["unknown", "unknown"],
  ]);
});

test("counts of revisions and modes are put together by how they stand, with the first tags in order", () => {
  const radio = fc.record({
    plan: fc.integer({ min: -1, max: 4 }),
    mode: fc.nat({ max: 2 }),
    n: fc.nat({ max: 40 }),
  });
  fc.assert(
    fc.property(
      fc.uniqueArray(radio, { selector: ({ n }) => n, maxLength: 30 }),
      fc.option(fc.integer({ min: 1, max: 4 }), { nil: undefined }),
      (radios, newest) => {
        const rows = new Map<string, { plan: number; tags: string[]; units: number }>();
        for (const { plan, mode, n } of [...radios].sort((a, b) => a.n - b.n)) {
          const row = rows.get(`${plan} ${mode}`) ?? { plan, tags: [], units: 0 };
          row.units++;
          // Each count brings no more than it is asked for.
          if (row.tags.length < 5) row.tags.push(`H-${n}`);
          rows.set(`${plan} ${mode}`, row);
        }
        const told = countsOf([...rows.values()], newest, 5);
        const alone = (["plan", "older", "other", "unknown"] as const).flatMap((state) => {
          const those = radios.filter(({ plan }) => carriesOf(plan, newest) === state).map(({ n }) => n);
          const tags = those.sort((a, b) => a - b).slice(0, 5);
          return those.length ? [{ state, units: those.length, tags: tags.map((n) => `H-${n}`) }] : [];
        });
        expect(told).toEqual(alone satisfies CarriedCount[]);
      },
    ),
  );
});

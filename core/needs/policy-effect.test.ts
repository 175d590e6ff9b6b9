// What another policy would do, against working out every radio's needs day by day.
import fc from "fast-check";
import { expect, it } from "vitest";
import { addDays, plain } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { catalogueOf } from "../release/index.ts";
import { PLAIN_POLICY, type Policy, type UnitFacts } from "../unit/index.ts";
import { isOpen, targetOn } from "./need.ts";
import { holdEffect, policyEffect } from "./policy-effect.ts";
import { needsOf } from "./unit.ts";

const today = plain("2026-06-01");
const SPAN = 80;

const catalogue = (days: readonly number[]) =>
  catalogueOf([
    {
      id: "main",
      name: "main",
      numbering: { kind: "dotted" } as const,
      suffixes: [],
      releases: days.map((on, n) => ({
        id: `R${n}`,
        version: `1.${n}`,
        aliases: [],
        track: "factory" as const,
        releasedOn: addDays(today, on),
        fixes: n % 2 ? [{ tag: "x", urgency: "safety" as const, text: "" }] : [],
      })),
    },
  ]);

const unit = (id: string, runs: number | undefined): UnitFacts => ({
  id,
  addedOn: plain("2026-01-01"),
  readings:
    runs === undefined
      ? []
      : [
          {
            id: `of ${id}`,
            component: "main",
            raw: `1.${runs}`,
            source: "screen",
            at: "2026-05-20T10:00:00Z",
            on: plain("2026-05-20"),
          },
        ],
});

const policies: fc.Arbitrary<Policy> = fc.record(
  {
    rule: fc.oneof(
      fc.constantFrom({ kind: "newest" } as const, { kind: "newest-but-one" } as const),
      fc.record({ kind: fc.constant("settled" as const), days: fc.integer({ min: 1, max: 40 }) }),
      fc.record({ kind: fc.constant("fixes" as const), tags: fc.constant(["x"]) }),
    ),
    hold: fc.record({
      until: fc.integer({ min: -5, max: 40 }).map((n) => addDays(today, n)),
      why: fc.constant("w"),
    }),
    safetyBreaksHold: fc.boolean(),
    recheckAfterDays: fc.integer({ min: 5, max: 60 }),
    tracks: fc.constant([]),
  },
  { requiredKeys: ["rule", "safetyBreaksHold", "recheckAfterDays", "tracks"] },
) as fc.Arbitrary<Policy>;

it("says of each radio what its needs say, and the first day is the first on which any differs", () => {
  fc.assert(
    fc.property(
      fc
        .array(fc.integer({ min: -90, max: 30 }), { minLength: 1, maxLength: 4 })
        .map((d) => d.sort((a, b) => a - b)),
      fc.array(fc.option(fc.nat({ max: 3 }), { nil: undefined }), { minLength: 1, maxLength: 3 }),
      policies,
      policies,
      (days, runs, before, after) => {
        const known = catalogue(days);
        const situations = runs.map((n, i) => ({
          unit: unit(`U${i}`, n),
          catalogue: known,
          policy: before,
          today,
        }));
        const effect = policyEffect(situations, after);
        let first: string | undefined;
        for (const { unit } of situations) {
          const on = (policy: Policy, n: number) => {
            const day = addDays(today, n);
            return needsOf(unit, known, policy)
              .filter((need) => isOpen(need, day))
              .map((need) =>
                [need.kind, need.component, need.cause, need.urgency, targetOn(need, day)].join(),
              )
              .sort();
          };
          const differs = Array.from({ length: SPAN }, (_, n) => n).find(
            (n) => JSON.stringify(on(before, n)) !== JSON.stringify(on(after, n)),
          );
          const part =
            differs === undefined
              ? undefined
              : differs > 0
                ? "later"
                : on(before, 0).length === 0
                  ? "newlyDue"
                  : on(after, 0).length === 0
                    ? "freed"
                    : "changed";
          for (const name of ["newlyDue", "changed", "freed", "later"] as const)
            expect([unit.id, name, effect[name].includes(unit.id)]).toEqual([unit.id, name, part === name]);
          const day = differs === undefined ? undefined : addDays(today, differs);
          if (day !== undefined && (first === undefined || day < first)) first = day;
        }
        expect(effect.firstOn).toBe(first);
      },
    ),
    { numRuns: cases(400) },
  );
});

it("the same policy touches nobody", () => {
  const situation = { unit: unit("U", 0), catalogue: catalogue([-9, -3]), policy: PLAIN_POLICY, today };
  expect(policyEffect([situation], PLAIN_POLICY)).toEqual({
    newlyDue: [],
    changed: [],
    freed: [],
    later: [],
  });
});

it("a hold puts off what it says, until its last day, but for what breaks it", () => {
  const of = (days: readonly number[], runs: number, over: Partial<Policy> = {}) => ({
    unit: unit("U", runs),
    catalogue: catalogue(days),
    policy: { ...PLAIN_POLICY, ...over },
    today,
  });
  const until = addDays(today, 20);
  const effect = (situation: ReturnType<typeof of>) => holdEffect([situation], { until, why: "w" });
  // 1.2, which fixes nothing of safety, is there since yesterday.
  expect(effect(of([-90, -80, -1], 1))).toMatchObject({
    freed: ["U"],
    changed: [],
    later: [],
    firstOn: today,
  });
  // 1.1 is a matter of safety: it breaks the hold, unless the policy says otherwise.
  expect(effect(of([-90, -1], 0))).toMatchObject({ freed: [], newlyDue: [], later: [] });
  expect(effect(of([-90, -1], 0, { safetyBreaksHold: false }))).toMatchObject({ freed: ["U"] });
  // Nothing is due, and nothing will be before that day: nothing changes.
  const idle = effect(of([-90, -80], 1, { recheckAfterDays: 300 }));
  expect(idle).toEqual({ newlyDue: [], changed: [], freed: [], later: [] });
  // What becomes due within it is put off on the day it would have been.
  const soon = effect(of([-90, -80], 1, { recheckAfterDays: 16 }));
  expect(soon).toMatchObject({ freed: [], later: ["U"] });
  expect(soon.firstOn !== undefined && soon.firstOn > today && soon.firstOn <= until).toBe(true);
});

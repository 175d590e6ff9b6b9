// Repeaters near a place against the rule read once more, entry by entry.
import fc from "fast-check";
import { expect, it } from "vitest";
import { addDays, daysBetween, plain } from "../../quantities/index.ts";
import { cases } from "../../quantities/testing.ts";
import { distance } from "./geo.ts";
import { type NearRule, type Repeater, repeatersNear } from "./repeaters.ts";

const today = plain("2026-06-30");
const here = { latitude: 52.9, longitude: 0.1 };
const repeater = fc
  .record({
    name: fc.constantFrom("QZ3AA", "QZ3BB", "QZ3CC"),
    receive: fc.constantFrom(145_600_000, 433_000_000),
    digital: fc.boolean(),
    open: fc.boolean(),
    north: fc.option(fc.double({ min: -1, max: 1, noNaN: true }), { nil: undefined }),
    ago: fc.option(fc.integer({ min: 0, max: 900 }), { nil: undefined }),
  })
  .map(
    ({ north, ago, receive, ...rest }): Repeater => ({
      ...rest,
      id: rest.name,
      receive,
      transmit: receive - 600_000,
      ...(north !== undefined && { place: { latitude: here.latitude + north, longitude: here.longitude } }),
      ...(ago !== undefined && { confirmedOn: addDays(today, -ago) }),
    }),
  );
const rule = fc
  .record({
    kilometres: fc.constantFrom(20, 60, 200),
    bands: fc.subarray([
      { from: 144_000_000, to: 146_000_000 },
      { from: 430_000_000, to: 440_000_000 },
    ]),
    modes: fc.subarray(["analogue" as const, "digital" as const]),
    openOnly: fc.boolean(),
    withinDays: fc.option(fc.constantFrom(90, 365), { nil: undefined }),
  })
  .map(
    ({ withinDays, ...rest }): NearRule => ({
      ...rest,
      place: here,
      ...(withinDays !== undefined && { withinDays }),
    }),
  );

it("takes what the rule allows, the nearest first; every other has a reason", () => {
  fc.assert(
    fc.property(fc.array(repeater, { maxLength: 8 }), rule, (directory, asked) => {
      const { taken, others } = repeatersNear(directory, asked, today);
      const allowed = directory.filter(
        (one) =>
          one.place !== undefined &&
          distance(here, one.place) <= asked.kilometres * 1000 &&
          asked.bands.some(({ from, to }) => from <= one.receive && one.receive < to) &&
          asked.modes.includes(one.digital ? "digital" : "analogue") &&
          (one.open || !asked.openOnly) &&
          (asked.withinDays === undefined ||
            (one.confirmedOn !== undefined && daysBetween(one.confirmedOn, today) <= asked.withinDays)),
      );
      expect(new Set(taken.map((one) => one.repeater))).toEqual(new Set(allowed));
      expect(taken).toHaveLength(allowed.length);
      expect(taken.length + others.length).toBe(directory.length);
      for (const [i, one] of taken.entries())
        expect(one.away).toBeGreaterThanOrEqual(taken[i - 1]?.away ?? 0);
    }),
    { numRuns: cases(500) },
  );
});

it("a place that is none has nothing near it", () => {
  const one: Repeater = {
    id: "1",
    name: "QZ3AA",
    receive: 145_600_000,
    transmit: 145_000_000,
    digital: false,
    open: true,
    place: here,
  };
  const asked: NearRule = {
    place: here,
    kilometres: 10,
    bands: [{ from: 1, to: 1e9 }],
    modes: ["analogue"],
    openOnly: true,
  };
  expect(repeatersNear([one], asked, today).taken).toHaveLength(1);
  const nowhere = { latitude: Number.NaN, longitude: 0 };
  expect(repeatersNear([one], { ...asked, place: nowhere }, today).others).toMatchObject([
    { why: "no-place" },
  ]);
  expect(repeatersNear([{ ...one, place: nowhere }], asked, today).taken).toEqual([]);
});

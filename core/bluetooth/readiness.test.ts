// From what was noted to who has to be plugged in when, and how the places of a charger are shared.

import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "../quantities/testing.ts";
import { chargeAt } from "./charge.ts";
import { type Noted, storyOf } from "./log.ts";
import { type Charged, chargeNow, chargerPlans, readinessOf } from "./readiness.ts";

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

describe("the story of a battery", () => {
  it("is told by the instants, not by the order in which it was written down", () => {
    const note = fc.oneof(
      fc.record({
        kind: fc.constantFrom("level" as const, "used" as const),
        percent: fc.nat(100),
        at: fc.nat(1000),
      }),
      fc.record({ kind: fc.constantFrom("plugged" as const, "unplugged" as const), at: fc.nat(1000) }),
    );
    const distinct = fc.uniqueArray(note, { selector: (one) => one.at, maxLength: 12 });
    fc.assert(
      fc.property(
        distinct.chain((notes) =>
          fc.tuple(
            fc.constant(notes),
            fc.shuffledSubarray(notes, { minLength: notes.length, maxLength: notes.length }),
          ),
        ),
        ([notes, shuffled]) => {
          expect(storyOf(shuffled)).toEqual(storyOf(notes));
        },
      ),
    );
  });

  it("knows what does not fit, and does not count it", () => {
    const notes: Noted[] = [
      { kind: "unplugged", at: 1 },
      { kind: "plugged", at: 5 },
      { kind: "plugged", at: 7 },
      { kind: "unplugged", at: 9 },
      { kind: "level", at: 10, percent: 60 },
    ];
    expect(storyOf(notes)).toEqual({
      levels: [{ at: 10, percent: 60 }],
      since: { used: [], charged: [{ from: 5, to: 9 }] },
      odd: [
        { kind: "not-plugged", at: 1 },
        { kind: "plugged-already", at: 7 },
      ],
    });
    expect(storyOf([...notes, { kind: "plugged", at: 12 }])).toMatchObject({ pluggedAt: 12 });
  });
});

const thing = (id: string, percent: number, more: Partial<Charged> = {}): Charged => ({
  id,
  battery: "sound",
  fullMinutes: 100,
  idlePerDay: 2,
  charger: "c",
  story: storyOf([{ kind: "level", at: 0, percent }]),
  ...more,
});

describe("now, and by then", () => {
  it("says no more than is known", () => {
    expect(chargeNow(thing("a", 50, { battery: "swollen" }), DAY)).toEqual({
      kind: "out",
      battery: "swollen",
    });
    expect(chargeNow(thing("a", 50, { story: storyOf([]) }), DAY)).toEqual({
      kind: "unknown",
      lacks: "level",
    });
    expect(chargeNow(thing("a", 50), DAY)).toMatchObject({ percent: 48, drain: { perDay: 2, times: 0 } });
    const { idlePerDay: _, ...nobodyKnows } = thing("a", 50);
    expect(chargeNow(nobodyKnows, DAY)).toEqual({
      kind: "known",
      percent: 50,
      charging: false,
      seen: { at: 0, percent: 50 },
    });
    expect(readinessOf(nobodyKnows, 40, 2 * DAY, DAY)).toEqual({ kind: "unknown", lacks: "drain" });
    const { fullMinutes: __, ...noMinutes } = thing("a", 50);
    expect(readinessOf(noMinutes, 40, 2 * DAY, DAY)).toEqual({ kind: "unknown", lacks: "minutes" });
    expect(readinessOf(thing("a", 90), 80, DAY, 0)).toEqual({ kind: "ready", at: 88 });
    expect(readinessOf(thing("a", 10), 80, HOUR, 0)).toMatchObject({ kind: "too-late", reaches: 70 });
    expect(readinessOf(thing("a", 10), 80, DAY, 0)).toMatchObject({ kind: "plug-in" });
    const charging = thing("a", 10, {
      story: storyOf([
        { kind: "level", at: 0, percent: 10 },
        { kind: "plugged", at: 1 },
      ]),
    });
    expect(readinessOf(charging, 80, DAY, 2)).toEqual({ kind: "charging", minutes: 70 });
    expect(readinessOf(charging, 80, DAY, DAY - 1)).toEqual({ kind: "ready", at: expect.closeTo(100, 4) });
  });

  it("whoever has a turn has what is needed at that time; nobody else stands in that place", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            percent: fc.nat(99),
            fullMinutes: fc.constantFrom(100, 60, 333, 240),
            idlePerDay: fc.constantFrom(2, 0, 1.5, 12),
          }),
          { minLength: 1, maxLength: 8 },
        ),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 50, max: 98 }),
        fc.integer({ min: 30, max: 1500 }),
        (levels, places, need, minutes) => {
          const things = levels.map(({ percent, ...battery }, i) => thing(String(i), percent, battery));
          const time = minutes * MINUTE;
          const ready = new Map(things.map((one) => [one.id, readinessOf(one, need, time, 0)]));
          const plans = chargerPlans(ready, things, [{ id: "c", places }], time, 0);
          const wanting = [...ready.values()].filter(({ kind }) => kind === "plug-in").length;
          if (wanting === 0) {
            expect(plans).toEqual([]);
            return;
          }
          const [plan] = plans;
          expect(plan?.exact).toBe(true);
          expect((plan?.turns.length ?? 0) + (plan?.late.length ?? 0)).toBe(wanting);
          for (const { id, place, from, to } of plan?.turns ?? []) {
            expect(place).toBeLessThan(places);
            expect(from).toBeGreaterThanOrEqual(0);
            expect(to).toBeLessThanOrEqual(time);
            const { percent, ...battery } = levels[Number(id)] ?? {
              percent: 0,
              fullMinutes: 1,
              idlePerDay: 0,
            };
            const level = chargeAt([{ at: 0, percent }], battery, { charged: [{ from, to }] }, time);
            // Full before its turn is over, it loses what little is left of the time.
            const atMost = 100 - (battery.idlePerDay * (time - to)) / DAY;
            expect(level).toBeGreaterThanOrEqual(Math.min(need, atMost) - 1e-6);
            for (const other of plan?.turns ?? [])
              if (other.id !== id && other.place === place)
                expect(other.to <= from || other.from >= to).toBe(true);
          }
        },
      ),
      {
        numRuns: cases(400, 100_000),
        // Longer turns make others wait longer, who then lose more.
        examples: [
          [
            [
              { percent: 0, fullMinutes: 240, idlePerDay: 12 },
              { percent: 23, fullMinutes: 100, idlePerDay: 0 },
              { percent: 37, fullMinutes: 333, idlePerDay: 12 },
              { percent: 45, fullMinutes: 240, idlePerDay: 12 },
            ],
            1,
            52,
            1163,
          ],
        ],
      },
    );
  });

  it("what goes on no charger of ours, or is out, takes no place", () => {
    const things = [thing("a", 10, { charger: "d" }), thing("b", 10, { battery: "retired" }), thing("c", 10)];
    const ready = new Map(things.map((one) => [one.id, readinessOf(one, 80, DAY, 0)]));
    const [plan, ...others] = chargerPlans(ready, things, [{ id: "c", places: 1 }], DAY, 0);
    expect(others).toEqual([]);
    expect(plan?.turns.map(({ id }) => id)).toEqual(["c"]);
    expect(plan?.turns[0]?.to).toBe(DAY);
  });
});

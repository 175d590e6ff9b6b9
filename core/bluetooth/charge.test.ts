// Charge against a clock that goes minute by minute; the latest moment to plug in against trying every minute.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Battery, chargeAt, idleDrain, type Level, readyBy } from "./charge.ts";

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;
const battery: Battery = { fullMinutes: 100, idlePerDay: 12 };

describe("charge at a time", () => {
  it("falls by itself, falls by use, rises on a charger, and stays between empty and full", () => {
    const levels: Level[] = [{ at: 0, percent: 50 }];
    expect(chargeAt([], battery, {}, HOUR)).toBeUndefined();
    expect(chargeAt([{ at: DAY, percent: 9 }], battery, {}, HOUR)).toBeUndefined();
    expect(chargeAt(levels, battery, {}, 2 * HOUR)).toBeCloseTo(49);
    expect(chargeAt(levels, battery, { used: [{ at: HOUR, percent: 20 }] }, 2 * HOUR)).toBeCloseTo(29);
    expect(
      chargeAt(levels, battery, { charged: [{ from: HOUR, to: HOUR + 30 * MINUTE }] }, 2 * HOUR),
    ).toBeCloseTo(50 + 30 - 0.75);
    expect(chargeAt(levels, battery, { charged: [{ from: 0 }] }, DAY)).toBe(100);
    expect(chargeAt(levels, battery, {}, 30 * DAY)).toBe(0);
    // A later level counts, in whatever order they come.
    expect(chargeAt([{ at: HOUR, percent: 80 }, ...levels], battery, {}, HOUR)).toBe(80);
  });

  it("is what a clock finds that goes minute by minute", () => {
    const minute = fc.integer({ min: 0, max: 600 });
    const span = fc.tuple(minute, fc.integer({ min: 1, max: 120 })).map(([from, more]) => ({
      from: from * MINUTE,
      to: (from + more) * MINUTE,
    }));
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100 }),
        fc.array(fc.record({ at: minute.map((m) => m * MINUTE), percent: fc.integer({ min: 1, max: 40 }) }), {
          maxLength: 3,
        }),
        fc.array(span, { maxLength: 3 }),
        minute,
        (percent, used, charged, until) => {
          let level = percent;
          for (let m = 1; m <= until; m++) {
            const on = charged.some(({ from, to }) => from <= (m - 1) * MINUTE && m * MINUTE <= to);
            level += on ? 100 / battery.fullMinutes : -battery.idlePerDay / (24 * 60);
            level = Math.min(100, Math.max(0, level));
            for (const one of used) if (one.at === m * MINUTE) level = Math.max(0, level - one.percent);
          }
          const found = chargeAt([{ at: 0, percent }], battery, { used, charged }, until * MINUTE);
          expect(found).toBeCloseTo(level, 6);
        },
      ),
    );
  });
});

describe("idle drain", () => {
  it("is the middle of what was seen undisturbed, else what its maker says", () => {
    const at = (day: number, percent: number): Level => ({ at: day * DAY, percent });
    expect(idleDrain([], {}, 5)).toEqual({ perDay: 5, times: 0 });
    expect(idleDrain([at(0, 90)], {}, 5)).toEqual({ perDay: 5, times: 0 });
    expect(idleDrain([at(4, 70), at(0, 90), at(1, 88), at(2, 80)], {}, 5)).toEqual({ perDay: 5, times: 3 });
    // Too close together, charged in between, used in between, or risen: it tells nothing.
    expect(idleDrain([at(0, 90), { at: HOUR, percent: 80 }], {}, 5).times).toBe(0);
    expect(
      idleDrain([at(0, 90), at(1, 80)], { charged: [{ from: 0.5 * DAY, to: 0.6 * DAY }] }, 5).times,
    ).toBe(0);
    expect(idleDrain([at(0, 90), at(1, 80)], { charged: [{ from: 0.5 * DAY }] }, 5).times).toBe(0);
    expect(idleDrain([at(0, 90), at(1, 80)], { used: [{ at: DAY, percent: 5 }] }, 5).times).toBe(0);
    expect(idleDrain([at(0, 40), at(1, 80)], {}, 5).times).toBe(0);
    expect(idleDrain([at(0, 90), at(1, 80)], { charged: [{ from: 2 * DAY }] }, 5)).toEqual({
      perDay: 10,
      times: 1,
    });
  });
});

describe("when to plug in", () => {
  it("is the last minute that still suffices, by trying each", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: 1, max: 100 }),
        fc.integer({ min: 1, max: 2000 }),
        fc.constantFrom(0, 12, 200),
        (percent, need, minutes, idlePerDay) => {
          const own = { fullMinutes: 100, idlePerDay };
          const time = minutes * MINUTE;
          const at = (plugged: number | undefined) =>
            chargeAt(
              [{ at: 0, percent }],
              own,
              plugged === undefined ? {} : { charged: [{ from: plugged * MINUTE }] },
              time,
            ) ?? 0;
          const found = readyBy({ at: 0, percent }, own, need, time);
          const slack = 1e-6;
          const enough = (level: number) => level >= need - slack;
          if (at(undefined) >= need + slack) expect(found.kind).toBe("ready");
          else if (found.kind === "ready") expect(enough(at(undefined))).toBe(true);
          else if (found.kind === "too-late") {
            expect(at(0)).toBeLessThan(need + slack);
            expect(found.reaches).toBeCloseTo(at(0), 6);
          } else {
            const by = found.by / MINUTE;
            expect(enough(at(Math.floor(by)))).toBe(true);
            if (by + 1 < minutes) expect(at(Math.ceil(by) + 1)).toBeLessThan(need + slack);
            expect(found.minutes).toBe(Math.ceil((time - found.by) / MINUTE));
          }
        },
      ),
    );
  });

  it("of a time that is past nothing can be had", () => {
    expect(readyBy({ at: HOUR, percent: 10 }, battery, 50, HOUR)).toEqual({ kind: "too-late", reaches: 10 });
  });
});

// Scan plans against a raster that is walked channel by channel.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "../../quantities/testing.ts";
import { chanceToMeet, type Scan, scanPlan } from "./scan.ts";

const scan = (more: Partial<Scan> = {}): Scan => ({
  from: 145_000_000,
  to: 146_000_000,
  step: 12_500,
  perChannelMs: 50,
  dwellMs: 2000,
  width: 12_500,
  ...more,
});

describe("a scan plan", () => {
  it("has the channels, the misses and the distances that walking the raster finds", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 40 }),
        fc.array(fc.integer({ min: 1, max: 900 }), { maxLength: 6 }),
        (from, size, step, width, wanted) => {
          const asked = scan({ from, to: from + size, step, width });
          const plan = scanPlan(
            asked,
            wanted.map((frequency) => ({ name: "w", frequency })),
          );
          if ("problem" in plan) {
            expect(step > size).toBe(true);
            return;
          }
          const raster: number[] = [];
          for (let at = from; at <= from + size; at += step) raster.push(at);
          expect(plan.channels).toBe(raster.length);
          expect(plan.quiet).toBeCloseTo((raster.length * 50) / 1000);
          const missed = wanted.flatMap((frequency) => {
            if (frequency < from || frequency > from + size) return [[frequency, "outside"]];
            const off = Math.min(...raster.map((at) => Math.abs(at - frequency)));
            return off > width / 2 ? [[frequency, off]] : [];
          });
          expect(plan.missed.map(({ frequency, off }) => [frequency, off])).toEqual(missed);
          expect(plan.busy - plan.quiet).toBeCloseTo((wanted.length - missed.length) * 2);
          // The largest step on whose raster all of them lie, by trying each.
          const within = wanted.filter((frequency) => frequency >= from && frequency <= from + size);
          let best: number | undefined;
          for (let one = width; one >= 1 && best === undefined && within.some((f) => f > from); one--)
            if (within.every((frequency) => (frequency - from) % one === 0)) best = one;
          expect(plan.best).toBe(best);
        },
      ),
      { numRuns: cases(1000) },
    );
  });

  it("a range or a step that is none is told", () => {
    expect(scanPlan(scan({ to: 144_000_000 }), [])).toEqual({ problem: "bad-range" });
    expect(scanPlan(scan({ from: 0 }), [])).toEqual({ problem: "bad-range" });
    expect(scanPlan(scan({ from: 145.5 }), [])).toEqual({ problem: "bad-range" });
    expect(scanPlan(scan({ step: 0 }), [])).toEqual({ problem: "bad-step" });
    expect(scanPlan(scan({ step: 2_000_000 }), [])).toEqual({ problem: "bad-step" });
  });

  it("the chance to meet a call is its part of a pass", () => {
    expect(chanceToMeet(2, 8)).toBe(0.25);
    expect(chanceToMeet(9, 8)).toBe(1);
    expect(chanceToMeet(-1, 8)).toBe(0);
    expect(chanceToMeet(1, 0)).toBe(1);
  });
});

import fc from "fast-check";
import { expect, it } from "vitest";
import { estimate, historyOf } from "./estimate.ts";
import { begin } from "./fold.ts";
import type { RunPlan, RunStep } from "./plan.ts";

const gather: RunStep = { kind: "gather", what: "lead K-07", minutes: 3 };
const flash: RunStep = { kind: "machine", work: "flash", erases: true, minutes: 5 };
const plan: RunPlan = { purpose: "update", stages: [{ name: "gather", title: "G", steps: [gather, flash] }] };
const took = (ms: number, simulated = false, place = 2) => ({
  run: {
    ...begin(plan),
    place,
    took: new Map([
      [0, ms],
      [1, 10 * ms],
    ]),
  },
  simulated,
});

it("is what is declared until somebody has done it", () => {
  expect(estimate(gather, historyOf([]))).toEqual({ minutes: 3, times: 0 });
  // It was left in the middle of that step: how long it takes is not known.
  expect(estimate(flash, historyOf([took(1000, false, 1)]))).toEqual({ minutes: 5, times: 0 });
});

it("counts a step as the same whatever it is declared to take, and no machine work of a simulated radio", () => {
  expect(estimate({ ...gather, minutes: 99 }, historyOf([took(60_000)]))).toEqual({ minutes: 1, times: 1 });
  // As it comes out of the database, whose fields stand in another order.
  expect(estimate({ minutes: 3, what: "lead K-07", kind: "gather" }, historyOf([took(60_000)])).times).toBe(
    1,
  );
  expect(estimate(flash, historyOf([took(1000, true)]))).toEqual({ minutes: 5, times: 0 });
  expect(estimate(gather, historyOf([took(60_000, true)])).times).toBe(1);
});

it("is the middle of the last nine, as sorting and counting them off says", () => {
  fc.assert(
    fc.property(fc.array(fc.nat({ max: 600_000 }), { minLength: 1, maxLength: 20 }), (times) => {
      const left = times.slice(0, 9).sort((a, b) => a - b);
      while (left.length > 2) {
        left.pop();
        left.shift();
      }
      const middle = left.reduce((sum, one) => sum + one, 0) / left.length / 60_000;
      const told = estimate(gather, historyOf(times.map((ms) => took(ms))));
      expect(told.minutes).toBeCloseTo(middle, 9);
      expect(told.times).toBe(Math.min(9, times.length));
    }),
  );
});

// Blocks in places against every choice of how many of each.
import fc from "fast-check";
import { expect, it } from "vitest";
import { cases } from "../../quantities/testing.ts";
import { type FitBlock, fitBlocks } from "./fit.ts";

const block = fc
  .record({
    count: fc.nat(4),
    priority: fc.integer({ min: 1, max: 9 }),
    at: fc.option(fc.integer({ min: 1, max: 12 }), { nil: undefined }),
  })
  .map(({ at, ...rest }): FitBlock => ({ ...rest, ...(at !== undefined && { at }) }));

/** The greatest weight of any choice, and whether a choice can be placed at all. */
function bruteForce(blocks: readonly FitBlock[], capacity: number): number {
  let best = 0;
  const walk = (i: number, next: number, sum: number) => {
    const one = blocks[i];
    if (!one) {
      best = Math.max(best, sum);
      return;
    }
    for (let kept = 0; kept <= one.count; kept++) {
      if (kept === 0) {
        walk(i + 1, next, sum);
        continue;
      }
      const from = one.at ?? next;
      if (from < next || from + kept - 1 > capacity) continue;
      walk(i + 1, from + kept, sum + kept * one.priority);
    }
  };
  walk(0, 1, 0);
  return best;
}

it("has the greatest weight of any choice, in order, in one piece, at the fixed positions, and within the places", () => {
  fc.assert(
    fc.property(fc.array(block, { maxLength: 5 }), fc.nat(14), (blocks, capacity) => {
      const fitted = fitBlocks(blocks, capacity);
      expect(fitted.reduce((sum, { kept }, i) => sum + kept * (blocks[i]?.priority ?? 0), 0)).toBe(
        bruteForce(blocks, capacity),
      );
      let next = 1;
      for (const [i, { from, kept }] of fitted.entries()) {
        expect(kept).toBeLessThanOrEqual(blocks[i]?.count ?? 0);
        if (kept === 0) continue;
        expect(from).toBeGreaterThanOrEqual(next);
        if (blocks[i]?.at !== undefined) expect(from).toBe(blocks[i]?.at);
        else expect(from).toBe(next);
        next = from + kept;
        expect(next - 1).toBeLessThanOrEqual(capacity);
      }
    }),
    { numRuns: cases(1000) },
  );
});

it("where all fit, all are in; where two choices weigh the same, the earlier block keeps more", () => {
  expect(
    fitBlocks(
      [
        { count: 3, priority: 1 },
        { count: 2, priority: 9, at: 10 },
      ],
      16,
    ),
  ).toEqual([
    { from: 1, kept: 3 },
    { from: 10, kept: 2 },
  ]);
  expect(
    fitBlocks(
      [
        { count: 3, priority: 5 },
        { count: 3, priority: 5 },
      ],
      4,
    ),
  ).toEqual([
    { from: 1, kept: 3 },
    { from: 4, kept: 1 },
  ]);
  expect(fitBlocks([{ count: 3, priority: 5 }], 0)).toEqual([{ from: 1, kept: 0 }]);
});

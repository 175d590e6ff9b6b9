// Assignments against every permutation.
import fc from "fast-check";
import { expect, it } from "vitest";
import { cases } from "../../quantities/testing.ts";
import { assign } from "./assign.ts";

function cheapest(size: number, cost: readonly number[]): number {
  let best = Number.POSITIVE_INFINITY;
  const walk = (row: number, taken: number, sum: number) => {
    if (row === size) {
      best = Math.min(best, sum);
      return;
    }
    for (let j = 0; j < size; j++)
      if (!(taken & (1 << j))) walk(row + 1, taken | (1 << j), sum + (cost[row * size + j] ?? 0));
  };
  walk(0, 0, 0);
  return size === 0 ? 0 : best;
}

it("costs as little as any permutation, and is one", () => {
  fc.assert(
    fc.property(
      fc
        .integer({ min: 0, max: 6 })
        .chain((size) =>
          fc.tuple(
            fc.constant(size),
            fc.array(fc.integer({ min: 0, max: 9 }), { minLength: size * size, maxLength: size * size }),
          ),
        ),
      ([size, cost]) => {
        const columns = [...assign(size, Float64Array.from(cost))];
        expect([...columns].sort((a, b) => a - b)).toEqual(Array.from({ length: size }, (_, i) => i));
        const sum = columns.reduce((all, j, i) => all + (cost[i * size + j] ?? 0), 0);
        expect(sum).toBe(cheapest(size, cost));
      },
    ),
    { numRuns: cases(1500) },
  );
});

// A folded axis: order is kept, everything has its place, folds take little.
import fc from "fast-check";
import { expect, it } from "vitest";
import { axisOf, marksOf } from "./axis.ts";

const band = fc
  .tuple(fc.integer({ min: 0, max: 2e9 }), fc.integer({ min: 1, max: 40e6 }))
  .map(([from, width]) => ({ from, to: from + width }));

it("keeps the order of all frequencies, and every band within it", () => {
  fc.assert(
    fc.property(
      fc.array(band, { minLength: 1, maxLength: 8 }),
      fc.array(fc.nat(2e9), { maxLength: 6 }),
      (bands, points) => {
        const { stretches, place } = axisOf(bands, points);
        const all = [...bands.flatMap(({ from, to }) => [from, to]), ...points].sort((a, b) => a - b);
        for (const [i, f] of all.entries()) {
          expect(place(f)).toBeGreaterThanOrEqual(i === 0 ? 0 : place(all[i - 1] ?? 0));
          expect(place(f)).toBeLessThanOrEqual(1 + 1e-9);
          expect(stretches.some(({ from, to }) => from <= f && f <= to)).toBe(true);
        }
        for (const { from, to } of bands) expect(place(to)).toBeGreaterThan(place(from));
        const drawn = stretches.reduce((sum, { width }) => sum + width, 0);
        expect(drawn + 0.03 * (stretches.length - 1)).toBeCloseTo(1, 9);
      },
    ),
  );
});

it("folds what is empty and joins what is near", () => {
  const mhz = (from: number, to: number) => ({ from: from * 1e6, to: to * 1e6 });
  expect(axisOf([mhz(144, 146), mhz(430, 440)]).stretches).toHaveLength(2);
  expect(axisOf([mhz(144, 146), mhz(146.5, 148)]).stretches).toHaveLength(1);
  expect(axisOf([]).place(5)).toBe(0.5);
});

it("has round marks", () => {
  expect(marksOf({ from: 143.8e6, to: 146.2e6 })).toEqual([144e6, 145e6, 146e6]);
  expect(marksOf({ from: 429e6, to: 441e6 })).toEqual([430e6, 435e6, 440e6]);
});

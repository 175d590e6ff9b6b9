// Distances against what a sphere has by its own geometry, and against the angle between two directions.
import fc from "fast-check";
import { expect, it } from "vitest";
import { type Coordinates, distance, EARTH_RADIUS, isPlace } from "./geo.ts";

const place = fc.record({
  latitude: fc.double({ min: -90, max: 90, noNaN: true }),
  longitude: fc.double({ min: -180, max: 180, noNaN: true }),
});
const direction = ({ latitude, longitude }: Coordinates) => {
  const [north, east] = [(latitude * Math.PI) / 180, (longitude * Math.PI) / 180];
  return [Math.cos(north) * Math.cos(east), Math.cos(north) * Math.sin(east), Math.sin(north)] as const;
};

it("is the angle between the two directions times the radius; the same both ways; none to itself", () => {
  fc.assert(
    fc.property(place, place, (a, b) => {
      const [u, v] = [direction(a), direction(b)];
      const cross = [
        u[1] * v[2] - u[2] * v[1],
        u[2] * v[0] - u[0] * v[2],
        u[0] * v[1] - u[1] * v[0],
      ] as const;
      const angle = Math.atan2(Math.hypot(...cross), u[0] * v[0] + u[1] * v[1] + u[2] * v[2]);
      expect(Math.abs(distance(a, b) - angle * EARTH_RADIUS)).toBeLessThan(1);
      expect(distance(a, b)).toBeCloseTo(distance(b, a), 6);
      expect(distance(a, a)).toBe(0);
    }),
  );
});

it("a quarter and half of the way round, a degree along a meridian, and one along the sixtieth parallel", () => {
  const at = (latitude: number, longitude: number): Coordinates => ({ latitude, longitude });
  expect(distance(at(0, 0), at(90, 0))).toBeCloseTo((Math.PI / 2) * EARTH_RADIUS, 3);
  expect(distance(at(0, 0), at(0, 180))).toBeCloseTo(Math.PI * EARTH_RADIUS, 3);
  expect(distance(at(10, 20), at(11, 20))).toBeCloseTo(111_195.08, 1);
  expect(distance(at(60, 0), at(60, 1))).toBeCloseTo(55_597.01, 1);
  // Over the day line it is not far.
  expect(distance(at(0, 179.5), at(0, -179.5))).toBeCloseTo(111_195.08, 1);
});

it("what is no place on the earth is told", () => {
  for (const [latitude, longitude] of [
    [91, 0],
    [0, 181],
    [Number.NaN, 0],
    [0, Number.POSITIVE_INFINITY],
  ] as const)
    expect(isPlace({ latitude, longitude })).toBe(false);
  expect(isPlace({ latitude: -90, longitude: 180 })).toBe(true);
});

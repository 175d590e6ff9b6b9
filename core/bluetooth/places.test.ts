// Charger places against every order on every place.
import fc from "fast-check";
import { expect, it } from "vitest";
import { cases } from "../quantities/testing.ts";
import { placesFor, type ToCharge } from "./places.ts";

const thing = fc.record({ minutes: fc.integer({ min: 1, max: 9 }), due: fc.integer({ min: 1, max: 20 }) });
const things = fc
  .array(thing, { maxLength: 6 })
  .map((list) => list.map((one, i): ToCharge => ({ id: `${i}`, ...one })));

/** The fewest late over all ways to give each a place, or none, and all orders on each place. */
function bruteForce(list: readonly ToCharge[], places: number): number {
  const orders = (some: readonly ToCharge[]): ToCharge[][] =>
    some.length === 0
      ? [[]]
      : some.flatMap((first) => orders(some.filter((one) => one !== first)).map((rest) => [first, ...rest]));
  const holds = (some: readonly ToCharge[]) =>
    orders(some).some((order) => {
      let end = 0;
      return order.every(({ minutes, due }) => {
        end += minutes;
        return end <= due;
      });
    });
  let least = list.length;
  const given = new Array<number>(list.length).fill(0);
  for (let code = 0; code < (places + 1) ** list.length; code++) {
    for (const [i] of list.entries()) given[i] = Math.floor(code / (places + 1) ** i) % (places + 1);
    const late = given.filter((place) => place === places).length;
    if (late >= least) continue;
    const all = Array.from({ length: places }, (_, p) => list.filter((_one, i) => given[i] === p));
    if (all.every(holds)) least = late;
  }
  return least;
}

it("leaves as few late as any order on any place, and keeps to its own times", () => {
  fc.assert(
    fc.property(things, fc.constantFrom(1, 2), (list, places) => {
      const { placed, late, exact } = placesFor(list, places);
      expect(exact).toBe(true);
      expect(late).toHaveLength(bruteForce(list, places));
      expect([...placed.map(({ id }) => id), ...late].sort()).toEqual(list.map(({ id }) => id).sort());
      for (const one of placed) {
        const asked = list.find(({ id }) => id === one.id);
        expect(one.to - one.from).toBe(asked?.minutes);
        expect(one.to).toBeLessThanOrEqual(asked?.due ?? 0);
        expect(one.place).toBeLessThan(places);
        const beside = placed.filter((other) => other !== one && other.place === one.place);
        expect(beside.every((other) => other.to <= one.from || other.from >= one.to)).toBe(true);
      }
    }),
    { numRuns: cases(300) },
  );
});

it("with no place all are late; with too many to look at all it says so, and still keeps to the times", () => {
  expect(placesFor([{ id: "a", minutes: 1, due: 9 }], 0)).toEqual({ placed: [], late: ["a"], exact: true });
  const many = Array.from(
    { length: 60 },
    (_, i): ToCharge => ({
      id: `${i}`,
      minutes: 17 + ((i * 37) % 83),
      due: 200 + ((i * 53) % 900),
    }),
  );
  const plan = placesFor(many, 7);
  expect(plan.placed.length + plan.late.length).toBe(60);
  for (const one of plan.placed) expect(one.to).toBeLessThanOrEqual(many[Number(one.id)]?.due ?? 0);
});

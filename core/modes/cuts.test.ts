import fc from "fast-check";
import { expect, it } from "vitest";
import { cases } from "../quantities/testing.ts";
import { type Cut, fewestCuts } from "./cuts.ts";

const named = (n: number) => Array.from({ length: n }, (_, i) => `m${i}`);
const cutsOver = (n: number, most: number) =>
  fc.array(fc.record({ members: fc.subarray(named(n)), outside: fc.boolean() }), { maxLength: most });
const told = (members: readonly string[], cuts: readonly Cut[], places: readonly number[]) =>
  new Set(members.map((id) => places.map((place) => cuts[place]?.members.includes(id)).join())).size;

/** By every choice there is: the least outside, then the least at all. */
function best(
  members: readonly string[],
  cuts: readonly Cut[],
): readonly [outside: number, all: number] | undefined {
  let found: readonly [number, number] | undefined;
  for (let mask = 0; mask < 2 ** cuts.length; mask++) {
    const places = cuts.flatMap((_, i) => (mask & (1 << i) ? [i] : []));
    if (told(members, cuts, places) < members.length) continue;
    const one = [places.filter((place) => cuts[place]?.outside).length, places.length] as const;
    if (!found || one[0] < found[0] || (one[0] === found[0] && one[1] < found[1])) found = one;
  }
  return found;
}

it("up to twelve members is as few as any choice, those outside counted first", () => {
  const few = fc.integer({ min: 2, max: 6 }).chain((n) => fc.tuple(fc.constant(named(n)), cutsOver(n, 9)));
  fc.assert(
    fc.property(few, ([members, cuts]) => {
      const wanted = best(members, cuts);
      if (!wanted) return;
      const places = fewestCuts(members, cuts);
      expect(told(members, cuts, places)).toBe(members.length);
      expect([places.filter((place) => cuts[place]?.outside).length, places.length]).toEqual(wanted);
    }),
    { numRuns: cases(300, 20_000) },
  );
});

it("of many members tells apart all that can be, with nothing that is needless, within a bound of steps", () => {
  const many = fc
    .integer({ min: 13, max: 40 })
    .chain((n) => fc.tuple(fc.constant(named(n)), cutsOver(n, 60)));
  fc.assert(
    fc.property(many, ([members, cuts]) => {
      const all = cuts.map((_, i) => i);
      const places = fewestCuts(members, cuts);
      if (told(members, cuts, all) < members.length) return;
      expect(told(members, cuts, places)).toBe(members.length);
      for (const place of places) {
        const without = places.filter((one) => one !== place);
        expect(told(members, cuts, without)).toBeLessThan(members.length);
      }
    }),
    { numRuns: cases(40, 2000) },
  );
});

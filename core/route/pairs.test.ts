import fc from "fast-check";
import { expect, test } from "vitest";
import { NumberHeap } from "./heap.ts";
import { leftInPairs, partings, type Side } from "./pairs.ts";

test("every pair is in exactly one parting, and no component twice in one", () => {
  for (let count = 1; count <= 9; count++) {
    const rounds = partings(count);
    const pairs = rounds.flat().map(([a, b]) => `${a}-${b}`);
    expect(new Set(pairs).size).toBe(pairs.length);
    expect(pairs.length).toBe((count * (count - 1)) / 2);
    for (const round of rounds) {
      const own = round.flat();
      expect(new Set(own).size).toBe(own.length);
      expect(own.every((c) => c >= 0 && c < count)).toBe(true);
      expect(round.every(([a, b]) => a < b)).toBe(true);
    }
  }
});

test("numbers come out of the heap as sorting would bring them, however they are put in and taken out", () => {
  const acts = fc.array(fc.option(fc.integer({ min: 0, max: 20 })), { maxLength: 60 });
  fc.assert(
    fc.property(acts, (list) => {
      const heap = new NumberHeap(60);
      const plain: number[] = [];
      for (const key of list) {
        if (key !== null) {
          heap.push(key, key + 100);
          plain.push(key);
        } else if (plain.length > 0) {
          plain.sort((a, b) => a - b);
          const least = plain.shift();
          expect(heap.key).toBe(least);
          expect(heap.pop()).toBe((least ?? 0) + 100);
        }
        expect(heap.size).toBe(plain.length);
      }
    }),
  );
});

/** From 0 to 1 for 5, while the other is at one of `other`. */
const step = (component: number, other: readonly number[]): Side => ({
  size: 2,
  start: 0,
  goal: 1,
  usable: Uint8Array.of(0, 1),
  sources: [Uint8Array.of(0, 0), Uint8Array.of(1, 0)],
  costs: [0, 5],
  requires: [
    [],
    [
      {
        component: 1 - component,
        within: Uint8Array.from([0, 1], (place) => (other.includes(place) ? 1 : 0)),
      },
    ],
  ],
});

test("two that bar each other's step never come to their goals; where one may go first, both cost what they cost", () => {
  expect(leftInPairs([step(0, [0]), step(1, [0])])([0, 0])).toBe(Number.POSITIVE_INFINITY);
  expect(leftInPairs([step(0, [0]), step(1, [0, 1])])([0, 0])).toBe(10);
  expect(leftInPairs([step(0, [0]), step(1, [0, 1])])([0, 1])).toBe(Number.POSITIVE_INFINITY);
  expect(leftInPairs([step(0, [0]), step(1, [0, 1])])([1, 0])).toBe(5);
});

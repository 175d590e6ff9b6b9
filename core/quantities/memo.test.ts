// Remembers what it was asked last, and never more than its bound.
import fc from "fast-check";
import { expect, test } from "vitest";
import { kept, Memo } from "./memo.ts";

test("answers what was worked out, works out what it has forgotten, and never grows past its bound", () => {
  fc.assert(
    fc.property(fc.array(fc.nat(12), { maxLength: 60 }), fc.integer({ min: 1, max: 6 }), (keys, most) => {
      const memo = new Memo<number, string>(most);
      const made: number[] = [];
      const wanted: number[] = [];
      for (const key of keys) {
        expect(memo.get(key, (k) => `${made.push(k)} ${k}`)).toMatch(new RegExp(` ${key}$`));
        if (!wanted.slice(-most).includes(key)) wanted.push(key);
        expect(made).toEqual(wanted);
        expect(memo.size).toBe(Math.min(most, wanted.length));
      }
    }),
  );
});

test("what is set again counts as new, and what is looked at is not worked out", () => {
  const memo = new Memo<string, number>(2);
  for (const [key, value] of [
    ["a", 1],
    ["b", 2],
    ["a", 3],
    ["c", 4],
  ] as const)
    expect(memo.set(key, value)).toBe(value);
  expect([memo.peek("a"), memo.peek("b"), memo.peek("c"), memo.size]).toEqual([3, undefined, 4, 2]);
});

test("what is kept for a thing is worked out once, also where the answer is false or empty, and anew for another of the same looks", () => {
  for (const answer of [false, "", 0, [], "text"]) {
    const known = new WeakMap<object, unknown>();
    const asked: object[] = [];
    const make = (key: object) => {
      asked.push(key);
      return answer;
    };
    const [one, twin] = [{ a: 1 }, { a: 1 }];
    for (const key of [one, one, twin, one, twin]) expect(kept(known, key, make)).toBe(answer);
    expect(asked).toEqual([one, twin]);
    expect(asked[0]).toBe(one);
  }
});

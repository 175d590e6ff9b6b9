// Remembers what it was asked last, and never more than its bound.
import fc from "fast-check";
import { expect, test } from "vitest";
import { Memo } from "./memo.ts";

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

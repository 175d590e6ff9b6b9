// What is kept is worked out once for each thing, not for what looks like it.
import { expect, test } from "vitest";
import { kept } from "./kept.ts";

test("it is worked out once, also where the answer is false or empty, and anew for another of the same looks", () => {
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

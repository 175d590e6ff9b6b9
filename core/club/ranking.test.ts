// Which of what the finder has found comes first.
import fc from "fast-check";
import { expect, test } from "vitest";
import { cases } from "../quantities/testing.ts";
import { type FoundSort, fitOf, ranked } from "./ranking.ts";

const of = (sort: FoundSort, ...names: string[]) => names.map((name) => ({ name, sort }));

test("a beginning before a middle, a tag before a name before a page", () => {
  const all = [
    ...of("page", "What to get", "Haven"),
    ...of("name", "Hale", "Shade"),
    ...of("tag", "HA-2", "HA-10"),
  ];
  expect(ranked(all, "ha").map(({ name }) => name)).toEqual([
    "HA-2",
    "HA-10",
    "Hale",
    "Haven",
    "Shade",
    "What to get",
  ]);
  expect(ranked(all, "ha-10")[0]?.name).toBe("HA-10");
  expect(ranked(all, "get").map(({ name }) => name)).toEqual(["What to get"]);
  expect(ranked(all, " ")).toEqual([]);
});

test("one slip of the finger is forgiven, and ranks last; two are not, and nothing in two letters", () => {
  expect(fitOf("Heron", "hreon")).toBe(4);
  expect(fitOf("Heron", "heeron")).toBe(4);
  expect(fitOf("Heron", "hron")).toBe(4);
  expect(fitOf("Heron", "hwron")).toBe(4);
  expect(fitOf("Wicket II", "wiket")).toBe(4);
  expect(fitOf("Heron", "hreno")).toBeUndefined();
  expect(fitOf("Heron", "hx")).toBeUndefined();
});

/** Counts single steps that make one text of another, straight from the meaning: change, put in, take out, swap neighbours. */
function steps(a: string, b: string): number {
  const memo = new Map<string, number>();
  const go = (i: number, j: number): number => {
    const key = `${i} ${j}`;
    const known = memo.get(key);
    if (known !== undefined) return known;
    let best = Number.POSITIVE_INFINITY;
    if (i === 0 || j === 0) best = i + j;
    else {
      best = Math.min(go(i - 1, j) + 1, go(i, j - 1) + 1, go(i - 1, j - 1) + (a[i - 1] === b[j - 1] ? 0 : 1));
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        best = Math.min(best, go(i - 2, j - 2) + 1);
    }
    memo.set(key, best);
    return best;
  };
  return go(a.length, b.length);
}

test("a name fits by a slip exactly if a beginning of it, or of a word of it, is one step away", () => {
  const text = fc.string({ unit: fc.constantFrom("a", "b", "c"), minLength: 3, maxLength: 7 });
  fc.assert(
    fc.property(text, text, (name, asked) => {
      const fit = fitOf(name, asked);
      const beginnings = Array.from({ length: name.length }, (_, i) => name.slice(0, i + 1));
      const isNear = beginnings.some((one) => steps(one, asked) <= 1);
      if (name.includes(asked)) expect(fit).toBeLessThan(4);
      else expect([name, asked, fit === 4]).toEqual([name, asked, isNear]);
    }),
    { numRuns: cases(3000) },
  );
});

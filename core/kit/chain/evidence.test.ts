// Wilson's interval against published values, and verdicts from the nearest tries.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Attempt } from "../shapes.ts";
import { ENOUGH, evidenceOf, indexOf, wilson } from "./evidence.ts";

describe("Wilson's interval", () => {
  // R. G. Newcombe, Two-sided confidence intervals for the single proportion, Statistics in Medicine 17 (1998), table I.
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0.0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])("of %i in %i is %f to %f, as published", (successes, n, lower, upper) => {
    expect(wilson(successes, n).lower).toBeCloseTo(lower, 4);
    expect(wilson(successes, n).upper).toBeCloseTo(upper, 4);
  });

  it("holds the share, lies within 0 and 1, narrows with more tries, and mirrors", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), fc.nat(), (n, k) => {
        const successes = k % (n + 1);
        const { lower, upper } = wilson(successes, n);
        expect(lower).toBeGreaterThanOrEqual(0);
        expect(upper).toBeLessThanOrEqual(1);
        expect(lower).toBeLessThanOrEqual(successes / n + 1e-12);
        expect(upper).toBeGreaterThanOrEqual(successes / n - 1e-12);
        const more = wilson(successes * 4, n * 4);
        expect(more.upper - more.lower).toBeLessThan(upper - lower);
        expect(wilson(n - successes, n).lower).toBeCloseTo(1 - upper, 10);
      }),
    );
  });
});

const attempt = (worked: boolean, over: Partial<Attempt> = {}): Attempt => ({
  lead: "l",
  computer: "c",
  tool: "t",
  chip: { family: "Bramble", grade: "genuine" },
  driver: "d",
  system: "Windows",
  systemVersion: "11",
  worked,
  ...over,
});
const like = (over: Partial<Attempt> = {}) => {
  const { worked: _, lead, tool, chip, driver, ...rest } = attempt(true, over);
  return { ...rest, lead, tool, chip, driver };
};
const times = (n: number, one: Attempt) => Array.from({ length: n }, () => one);

describe("what past tries say", () => {
  it("four of four of just this is proven, none of four is known bad, three are too few", () => {
    expect(evidenceOf(like(), indexOf(times(4, attempt(true)))).verdict).toBe("proven");
    expect(evidenceOf(like(), indexOf(times(4, attempt(false)))).verdict).toBe("known-bad");
    expect(evidenceOf(like(), indexOf(times(3, attempt(true))))).toMatchObject({
      verdict: "untried",
      tries: 3,
    });
  });

  it("another computer with the same chip, driver and system makes it likely; never known bad", () => {
    const elsewhere = { computer: "other", lead: "other" };
    const good = evidenceOf(like(), indexOf(times(4, attempt(true, elsewhere))));
    expect(good).toMatchObject({ verdict: "likely", level: "chip-driver-system" });
    expect(evidenceOf(like(), indexOf(times(9, attempt(false, elsewhere)))).verdict).toBe("untried");
    const otherDriver = { ...elsewhere, driver: "e", systemVersion: "10" };
    expect(evidenceOf(like(), indexOf(times(4, attempt(true, otherDriver))))).toMatchObject({
      verdict: "likely",
      level: "chip-system",
    });
    const clone = { ...elsewhere, chip: { family: "Bramble", grade: "clone" as const } };
    expect(evidenceOf(like(), indexOf(times(9, attempt(true, clone)))).verdict).toBe("untried");
  });

  it("enough tries of just this outweigh whatever is known of others", () => {
    const all = [
      ...times(50, attempt(true, { computer: "other" })),
      ...times(2, attempt(true)),
      ...times(3, attempt(false)),
    ];
    expect(evidenceOf(like(), indexOf(all))).toMatchObject({
      verdict: "mixed",
      level: "this",
      tries: 5,
      worked: 2,
    });
  });

  it("a settled matter is known bad whatever was tried, and only there", () => {
    const all = [...times(9, attempt(true)), attempt(false, { settled: true })];
    expect(evidenceOf(like(), indexOf(all)).verdict).toBe("known-bad");
    expect(evidenceOf(like({ computer: "other" }), indexOf(all)).verdict).toBe("likely");
  });

  it("a settled matter is unsettled once it is seen to work after all", () => {
    const all = [attempt(false, { settled: true }), attempt(false)];
    expect(evidenceOf(like(), indexOf(all)).verdict).toBe("known-bad");
    expect(evidenceOf(like(), indexOf([...all, attempt(true)]))).toMatchObject({
      verdict: "untried",
      tries: 2,
      worked: 1,
    });
  });

  it("a chip of no known family speaks for no other lead", () => {
    const unknown = { chip: { family: "", grade: "unknown" as const } };
    const all = times(9, attempt(true, { ...unknown, lead: "other" }));
    expect(evidenceOf(like(unknown), indexOf(all))).toMatchObject({ verdict: "untried", tries: 0 });
  });

  it("more successes never make a verdict worse", () => {
    const rank = ["known-bad", "mixed", "untried", "likely", "proven"];
    fc.assert(
      fc.property(fc.integer({ min: ENOUGH, max: 30 }), fc.nat(), (n, k) => {
        const worked = k % n;
        const verdict = (good: number) =>
          evidenceOf(like(), indexOf([...times(good, attempt(true)), ...times(n - good, attempt(false))]))
            .verdict;
        expect(rank.indexOf(verdict(worked + 1))).toBeGreaterThanOrEqual(rank.indexOf(verdict(worked)));
      }),
    );
  });
});

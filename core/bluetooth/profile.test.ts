import { describe, expect, it } from "vitest";
import { baseOf } from "./profile.ts";
import { LEAST_TO_PAIR, leastToProgram, RESERVE } from "./readiness.ts";

describe("into which radio a profile goes", () => {
  const profile = { unit: "1", model: "7" };

  it("its own, another of its model, and none of another model", () => {
    expect(baseOf(profile, { unit: "1", model: "7" })).toBe("own");
    expect(baseOf(profile, { unit: "2", model: "7" })).toBe("foreign");
    expect(baseOf(profile, { unit: "2", model: "8" })).toBe("other-model");
  });
});

describe("the least charge to begin with", () => {
  it("is that of two radios, and never less than the reserve", () => {
    for (const perUse of [null, 0, 4, 9.9, 10]) expect(leastToProgram(perUse)).toBe(RESERVE);
    expect(leastToProgram(10.1)).toBe(21);
    expect(leastToProgram(30)).toBe(60);
    expect(LEAST_TO_PAIR).toBeLessThan(RESERVE);
  });
});

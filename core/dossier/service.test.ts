// Service settings and region codes: values against what is usual, and what a wrong code is known by.
import { describe, expect, it } from "vitest";
import { codeOf, codeShape, mismatches, settingStanding } from "./service.ts";

describe("a setting", () => {
  it("is held against what is usual, and says so where nobody knows", () => {
    const plain = { usual: "05", never: "" };
    expect(settingStanding(plain, undefined)).toBe("unknown");
    expect(settingStanding({ usual: "", never: "it ruins the finals" }, "9")).toBe("nothing to compare");
    expect(settingStanding(plain, "5")).toBe("usual");
    expect(settingStanding({ usual: "1,50", never: "" }, " 1.5 ")).toBe("usual");
    expect(settingStanding({ usual: "Off", never: "" }, "OFF")).toBe("usual");
    expect(settingStanding(plain, "50")).toBe("differs");
    expect(settingStanding({ usual: "5", never: "it ruins the finals" }, "6")).toBe("touched");
    expect(settingStanding({ usual: "5", never: "it ruins the finals" }, "5")).toBe("usual");
  });
});

describe("a region code", () => {
  const codes = [
    { name: "E2", tool: "region E", symptom: "wrong model", cure: "pick region E" },
    { name: "K", tool: "region K", symptom: "Wrong model" },
    { name: "Z", meaning: "never sold here" },
  ].map((code) => codeShape.parse(code));

  it("is known, a stranger, or nobody has noted it", () => {
    expect(codeOf([], "E2")).toEqual({ kind: "no-codes" });
    expect(codeOf(codes, " ")).toEqual({ kind: "unknown" });
    expect(codeOf(codes, "e2")).toEqual({ kind: "known", code: codes[0] });
    expect(codeOf(codes, "Q")).toEqual({ kind: "stranger", code: "Q" });
  });

  it("explains what a tool says that is set for another", () => {
    expect(mismatches(codes, "E2")).toEqual([
      { symptom: "wrong model", cause: "the tool is not set for E2", cure: "pick region E" },
    ]);
    expect(mismatches(codes, "K")).toEqual([
      { symptom: "Wrong model", cause: "the tool is not set for K", cure: "set the tool to region K" },
    ]);
    expect(mismatches(codes, "Z")).toEqual([]);
    // Where nobody knows its code, each error is told once.
    expect(mismatches(codes, undefined)).toEqual([
      {
        symptom: "wrong model",
        cause: "the tool is set for another code than the radio has",
        cure: "pick region E",
      },
    ]);
  });
});

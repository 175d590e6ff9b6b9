// Addresses that a person would call the same are the same, and folding once is enough.
import fc from "fast-check";
import { expect, test } from "vitest";
import { cases } from "../quantities/testing.ts";
import { foldAddress } from "./address.ts";

test("case, width and the dotted capital I make no other address", () => {
  const same = ["wren@lanternfen.example", "WREN@Lanternfen.Example", " ｗren@lanternfen.example "];
  expect(new Set(same.map(foldAddress)).size).toBe(1);
  expect(foldAddress("JUNİPER@x.example")).toBe(foldAddress("juniper@x.example"));
  expect(foldAddress("wren@lanternfen.example")).not.toBe(foldAddress("wrem@lanternfen.example"));
});

test("folding twice is folding once, for any text", () => {
  fc.assert(
    fc.property(fc.string({ unit: "binary", maxLength: 40 }), (text) => {
      expect(foldAddress(foldAddress(text))).toBe(foldAddress(text));
    }),
    { numRuns: cases(500) },
  );
});

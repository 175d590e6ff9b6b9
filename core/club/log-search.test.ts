// What is typed to search the log.
import fc from "fast-check";
import { expect, test } from "vitest";
import { logQuery } from "./log-search.ts";

test("every word must be there, pieces of one follow each other, the last word may go on, numbers are whole", () => {
  expect(logQuery("lead K-07 fail")).toBe("(lead) & (k <-> 7) & (fail:*)");
  expect(logQuery("  1.08 ")).toBe("(1 <-> 8)");
  expect(logQuery("0 007")).toBe("(0) & (7)");
  expect(logQuery("Ü-Wagen")).toBe("(ü <-> wagen:*)");
  expect(logQuery("... !!! '")).toBe("");
});

test("whatever is typed, nothing of it can be taken for the language of the question", () => {
  fc.assert(
    fc.property(fc.string({ unit: "binary", maxLength: 200 }), (typed) => {
      const bare = logQuery(typed).replaceAll(/\(|\)| <-> | & |:\*/g, "");
      expect(bare).toMatch(/^[\p{L}\p{N}]*$/u);
    }),
  );
});

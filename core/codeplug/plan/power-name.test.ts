import fc from "fast-check";
import { expect, it, test } from "vitest";
import { powerName } from "./power-name.ts";

test.each<[wanted: string | undefined, powers: string[], name: string | undefined]>([
  ["high", ["High", "Low"], "High"],
  ["low", ["full", "half"], "half"],
  ["high", ["full", "half"], "full"],
  ["middle", ["80", "40", "5"], "40"],
  ["middle", ["high", "low"], "low"],
  ["high", ["10"], "10"],
  ["5 W", ["40", "20", "5"], "5"],
  ["25 W", ["40", "20", "5"], "20"],
  ["1 W", ["40", "20", "5"], "5"],
  ["500 mW", ["2 W", "0,5 W"], "0,5 W"],
  ["5 W", ["high", "low"], undefined],
  ["turbo", ["high", "low"], undefined],
  ["high", [], "high"],
  [undefined, ["high"], undefined],
])("%s of %j is %s", (wanted, powers, name) => {
  expect(powerName(wanted, powers)).toBe(name);
});

it("is one of the model's names or none, and never more than what was wanted where something less is there", () => {
  const list = fc.uniqueArray(fc.integer({ min: 1, max: 80 }), { minLength: 1, maxLength: 5 });
  fc.assert(
    fc.property(list, fc.integer({ min: 1, max: 90 }), (values, wanted) => {
      const powers = [...values].sort((a, b) => b - a).map(String);
      const name = Number(powerName(`${wanted} W`, powers));
      // By looking at each: the largest that is not more, or the smallest of all.
      let best = Math.min(...values);
      for (const value of values) if (value <= wanted && value > best) best = value;
      expect(name).toBe(best);
    }),
  );
});

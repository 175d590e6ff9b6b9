import { expect, test } from "vitest";
import { PLAIN_CONDITIONS } from "./conditions.ts";
import { conditionsShape, isPlain } from "./conditions-shape.ts";

test("conditions that say nothing are what the shape makes of nothing", () => {
  expect(PLAIN_CONDITIONS).toEqual(conditionsShape.parse({}));
  expect(isPlain(PLAIN_CONDITIONS)).toBe(true);
  expect(isPlain({ ...PLAIN_CONDITIONS, risk: 3 })).toBe(false);
});

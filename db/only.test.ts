import { expect, test } from "vitest";
import { only } from "./only.ts";

test("the row that must be there is answered; a missing one is an error, not an empty word", () => {
  expect(only([{ id: "7" }])).toEqual({ id: "7" });
  expect(() => only([])).toThrow("no row");
});

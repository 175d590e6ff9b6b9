// How long ago, said as roughly as is enough, and never so that it is wrong.
import { expect, test } from "vitest";
import { plain } from "#core/quantities/index.ts";
import { sayDays, sayDistance } from "./time.ts";

test("days up to two months, months up to two years, whole years after that", () => {
  const said = [0, 1, 2, 59, 60, 76, 77, 106, 107, 715, 716, 730, 731, 1095, 1096, 1461];
  expect(said.map((days) => [days, sayDays(days)])).toEqual([
    [0, "0 days"],
    [1, "1 day"],
    [2, "2 days"],
    [59, "59 days"],
    [60, "2 months"],
    [76, "2 months"],
    [77, "3 months"],
    [106, "3 months"],
    [107, "4 months"],
    [715, "23 months"],
    [716, "2 years"],
    [730, "2 years"],
    [731, "2 years"],
    [1095, "2 years"],
    [1096, "3 years"],
    [1461, "4 years"],
  ]);
});

test("before, today, and to come", () => {
  const today = plain("2026-11-26");
  expect(sayDistance(plain("2026-11-20"), today)).toBe("6 days ago");
  expect(sayDistance(today, today)).toBe("today");
  expect(sayDistance(plain("2026-12-08"), today)).toBe("in 12 days");
});

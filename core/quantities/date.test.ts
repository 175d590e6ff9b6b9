// Calendar arithmetic against the platform's own dates.
import fc from "fast-check";
import { expect, test } from "vitest";
import { addDays, dateInZone, dateOf, daysBetween, isPlainDate, plain } from "./date.ts";

const day = fc.integer({ min: -700_000, max: 2_900_000 });
const dateAt = (n: number) => plain(new Date(n * 86_400_000).toISOString().slice(0, 10));

test("adding days and counting them agree with the platform, over all centuries", () => {
  fc.assert(
    fc.property(day, fc.integer({ min: -2000, max: 2000 }), (n, more) => {
      expect(addDays(dateAt(n), more)).toBe(dateAt(n + more));
      expect(daysBetween(dateAt(n), dateAt(n + more))).toBe(more);
    }),
  );
});

test("only real dates are dates", () => {
  expect(
    [
      "2024-02-29",
      "2023-02-29",
      "2000-02-29",
      "1900-02-29",
      "2024-13-01",
      "2024-04-31",
      "24-01-01",
      "0000-01-01",
    ].map(isPlainDate),
  ).toEqual([true, false, true, false, false, false, false, false]);
  expect(dateOf(2024, 2, 30)).toBeUndefined();
});

test("the date of an instant depends on the zone", () => {
  const instant = new Date("2026-06-30T23:30:00Z");
  expect([
    dateInZone(instant, "UTC"),
    dateInZone(instant, "Europe/London"),
    dateInZone(instant, "America/New_York"),
  ]).toEqual(["2026-06-30", "2026-07-01", "2026-06-30"]);
});

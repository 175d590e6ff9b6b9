// What speaks against work that is written down afterwards.
import { expect, test } from "vitest";
import { plain } from "../quantities/index.ts";
import { deedDoubts } from "./done.ts";

const seen = (raw: string, on: string) => ({ raw, on: plain(on) });
const SINCE = plain("2025-01-01");
const kinds = (on: string, to: string | undefined, readings: ReturnType<typeof seen>[]) =>
  deedDoubts({ on: plain(on), to }, SINCE, readings).map(({ kind }) => kind);

test("a day before the radio was known is asked about", () => {
  expect(kinds("2024-12-31", undefined, [])).toEqual(["before-known"]);
  expect(kinds("2025-01-01", undefined, [])).toEqual([]);
});

test("something else put on between two readings of the same is asked about; nothing less is", () => {
  const both = [seen("1.08", "2025-06-01"), seen("1.08", "2025-03-01")];
  expect(kinds("2025-04-01", "1.14", both)).toEqual(["contradicts"]);
  expect(kinds("2025-04-01", "1.08", both)).toEqual([]);
  expect(kinds("2025-04-01", undefined, both)).toEqual([]);
  // After the last, before the first, on the day itself: nothing to compare with.
  expect(kinds("2025-07-01", "1.14", both)).toEqual([]);
  expect(kinds("2025-02-01", "1.14", both)).toEqual([]);
  expect(kinds("2025-06-01", "1.14", both)).toEqual([]);
  // The nearest count: it was 1.08 long ago, and has been something else since.
  expect(kinds("2025-04-01", "1.14", [...both, seen("1.12", "2025-03-20")])).toEqual([]);
  expect(kinds("2024-12-01", "1.14", [seen("1.0", "2024-11-01"), seen("1.0", "2025-02-01")])).toEqual([
    "before-known",
    "contradicts",
  ]);
});

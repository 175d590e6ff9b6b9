// Ranges of serial numbers, by which hardware revisions are told apart without opening a radio.
import { z } from "zod";
import { bad, good, type Result } from "../quantities/index.ts";

/** From one serial number to another, both included; without an end, that one and all later. */
export const serialRangeShape = z.object({
  from: z.string().trim().min(1).max(80),
  to: z.string().trim().min(1).max(80).optional(),
});
export type SerialRange = z.infer<typeof serialRangeShape>;

type Parts = { readonly before: string; readonly number: bigint; readonly after: string };

const MOST_DIGITS = 40;

/** A serial number as what stands before, the last number, which counts, and letters behind; marks do not matter. */
function partsOf(serial: string): Parts | undefined {
  const unmarked = (text = "") => text.replace(/[^\p{L}\p{N}]+/gu, "");
  const found = /^(.*?)([0-9]+)([^0-9]*)$/su.exec(serial.normalize("NFKC").toUpperCase());
  if (!found?.[2] || found[2].length > MOST_DIGITS) return undefined;
  return { before: unmarked(found[1]), number: BigInt(found[2]), after: unmarked(found[3]) };
}

export type SerialProblem = {
  readonly kind: "no-number" | "ends-differ" | "backwards";
  readonly text: string;
};

/**
 * Reads "LF-0400 to LF-0999, LF-2000 and up, LF-0007".
 * Problems: `no-number` (nothing in it counts), `ends-differ` (the letters around the number are not the same), `backwards`.
 */
export function parseSerials(text: string): Result<SerialRange[], SerialProblem> {
  const ranges: SerialRange[] = [];
  for (const part of text
    .split(",")
    .map((p) => p.trim())
    .filter(Boolean)) {
    const open = /^(.+?)\s+and\s+(?:up|later|above)$/i.exec(part);
    const [from = "", to = from] = open?.[1] ? [open[1]] : part.split(/\s+to\s+/i).map((end) => end.trim());
    const low = partsOf(from);
    const high = partsOf(to);
    if (!low || !high) return bad({ kind: "no-number", text: part });
    if (low.before !== high.before || low.after !== high.after)
      return bad({ kind: "ends-differ", text: part });
    if (low.number > high.number) return bad({ kind: "backwards", text: part });
    ranges.push(open ? { from } : { from, to });
  }
  return good(ranges);
}

/** Ranges as a person reads them: "FW100 to FW499, FW500 and up". */
export const serialsText = (ranges: readonly SerialRange[]): string =>
  ranges
    .map(({ from, to }) => (to === undefined ? `${from} and up` : to === from ? from : `${from} to ${to}`))
    .join(", ");

/** Whether a serial number lies in a range: the same letters around a number between the ends. */
export function serialLiesIn(serial: string, { from, to }: SerialRange): boolean {
  const parts = partsOf(serial);
  const low = partsOf(from);
  const high = to === undefined ? undefined : partsOf(to);
  if (!parts || !low || (to !== undefined && !high)) return false;
  if (parts.before !== low.before || parts.after !== low.after) return false;
  return parts.number >= low.number && (high === undefined || parts.number <= high.number);
}

export type WithSerials = { readonly name: string; readonly serials: readonly SerialRange[] };

/** The revisions that a serial number speaks for. */
export const revisionsOfSerial = <R extends WithSerials>(serial: string, revisions: readonly R[]): R[] =>
  serial.trim() === "" ? [] : revisions.filter((r) => r.serials.some((range) => serialLiesIn(serial, range)));

/** Two revisions that claim the same serial number; undefined if none do. */
export function overlapOf(revisions: readonly WithSerials[]): readonly [string, string] | undefined {
  for (const [i, a] of revisions.entries()) {
    for (const b of revisions.slice(i + 1)) {
      const meets = a.serials.some((x) =>
        b.serials.some((y) => serialLiesIn(x.from, y) || serialLiesIn(y.from, x)),
      );
      if (meets) return [a.name, b.name];
    }
  }
  return undefined;
}

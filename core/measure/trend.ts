// Whether a radio gets weaker: its readings over time, held against their own scatter.
import { daysBetween, median, type PlainDate } from "../quantities/index.ts";
import type { Interval } from "./power.ts";

export type PowerReading = { readonly day: PlainDate; readonly watts: number };

export type Trend =
  /** Fewer than five: nothing can be said. */
  | { readonly kind: "too-few"; readonly readings: number }
  | {
      readonly kind: "known";
      /** So many readings were looked at: the newest, `MOST` at most. */
      readonly of: number;
      /** Watts a year: the median of the slopes of all pairs (Theil and Sen). */
      readonly slope: number;
      /** The median of all but the last. */
      readonly usual: number;
      /** How far the others lie from it, as one would expect of chance (three times their MAD, scaled as for a normal scatter). */
      readonly scatter: number;
      /** The last one lies outside of it. */
      readonly outside: "below" | "above" | undefined;
      /** The last lies below, and the slope falls. */
      readonly weaker: boolean;
    };

/** What meters cannot see is no difference: half of the widest interval, in watts. */
export const unseen = (intervals: readonly Interval[]): number =>
  intervals.reduce((most, { low, high }) => Math.max(most, (high - low) / 2), 0);

export const FEWEST = 5;
/** The slope looks at every pair: of more readings than these the oldest are left out, and the trend says of how many it is. */
export const MOST = 1000;
const MAD_TO_SIGMA = 1.4826;

/** `least`: a difference that the meter cannot see, in watts; scatter is never taken for less. Readings of one day count as they come. */
export function trend(readings: readonly PowerReading[], least = 0): Trend {
  if (readings.length < FEWEST) return { kind: "too-few", readings: readings.length };
  const inOrder = [...readings].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0)).slice(-MOST);
  const [first] = inOrder;
  // As numbers of days from the first: telling days apart half a million times by their texts takes seconds.
  const at = inOrder.map(({ day }) => (first ? daysBetween(first.day, day) : 0));
  const slopes: number[] = [];
  for (const [i, a] of inOrder.entries()) {
    for (let j = i + 1; j < inOrder.length; j++) {
      const days = (at[j] ?? 0) - (at[i] ?? 0);
      if (days > 0) slopes.push((((inOrder[j]?.watts ?? 0) - a.watts) / days) * 365.25);
    }
  }
  const earlier = inOrder.slice(0, -1).map(({ watts }) => watts);
  const last = inOrder.at(-1)?.watts ?? 0;
  const usual = median(earlier);
  const mad = median(earlier.map((watts) => Math.abs(watts - usual)));
  const scatter = Math.max(least, 3 * MAD_TO_SIGMA * mad);
  const outside = last < usual - scatter ? "below" : last > usual + scatter ? "above" : undefined;
  const slope = slopes.length === 0 ? 0 : median(slopes);
  return {
    kind: "known",
    of: inOrder.length,
    slope,
    usual,
    scatter,
    outside,
    weaker: outside === "below" && slope < 0,
  };
}

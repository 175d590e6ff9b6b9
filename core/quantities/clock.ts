// Whether a clock has jumped: it is held against another one that only counts on.

/** What the clock said, and what the steady counter said at the same moment; both in milliseconds. */
export type ClockReading = { readonly clock: number; readonly steady: number };

/** Clocks are put right by a little all the time, and what is asked takes its time. */
const LEAST_JUMP_MS = 60_000;

/** By how many seconds the clock went ahead (or back, if negative) of what had passed; undefined for no jump. */
export function jumpBetween(before: ClockReading, now: ClockReading): number | undefined {
  const jumped = now.clock - before.clock - (now.steady - before.steady);
  return Math.abs(jumped) < LEAST_JUMP_MS ? undefined : Math.round(jumped / 1000);
}

// When a withdrawal may be noted: one rule for every door that it comes in by.
import type { PlainDate } from "../quantities/index.ts";

export const AHEAD = "A withdrawal is noted when it is known, not before.";

/** A withdrawal dated after today: it would count from a day on which nobody can know yet whether it holds. */
export const isAhead = (withdrawn: { readonly on: PlainDate } | undefined, today: PlainDate): boolean =>
  withdrawn !== undefined && withdrawn.on > today;

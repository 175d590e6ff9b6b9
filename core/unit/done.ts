// What was done to a radio, written down afterwards: what speaks against the day it is said to have been.
import type { PlainDate } from "../quantities/index.ts";

export const DEEDS = ["flash", "backup", "repair", "other"] as const;
export type Deed = (typeof DEEDS)[number];

export type SeenVersion = { readonly raw: string; readonly on: PlainDate };

export type DeedDoubt =
  /** That day the radio was not in the records yet. */
  | { readonly kind: "before-known"; readonly since: PlainDate }
  /** It is said to have got something else in between, and was seen with the same before and after. */
  | { readonly kind: "contradicts"; readonly before: SeenVersion; readonly after: SeenVersion };

/**
 * What to ask about before it is kept. A day that is still to come is no doubt: that cannot be.
 * @param told the day, and what it runs since then, if that was changed.
 * @param since the day from which the radio is known.
 * @param readings of the part in question that count, in any order; those of the day itself say nothing.
 */
export function deedDoubts(
  told: { readonly on: PlainDate; readonly to?: string | undefined },
  since: PlainDate,
  readings: readonly SeenVersion[],
): DeedDoubt[] {
  const { on, to } = told;
  const doubts: DeedDoubt[] = on < since ? [{ kind: "before-known", since }] : [];
  if (to === undefined) return doubts;
  const sorted = [...readings].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
  const before = sorted.filter((one) => one.on < on).at(-1);
  const after = sorted.find((one) => one.on > on);
  if (before && after && before.raw === after.raw && before.raw !== to)
    doubts.push({ kind: "contradicts", before, after });
  return doubts;
}

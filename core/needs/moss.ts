// Moss: how long a unit's open needs have been left alone, as a level from 0 to 4.

import { daysBetween, type PlainDate } from "../quantities/index.ts";
import type { Urgency } from "../release/index.ts";
import { type Days, isOpen } from "./need.ts";

export type MossLevel = 0 | 1 | 2 | 3 | 4;

const WEIGHT: Record<Urgency, number> = { routine: 1, fix: 2, safety: 4 };

/**
 * No open need is level 0. Otherwise days since due times 1 (routine), 2 (fix) or 4 (safety); the largest decides:
 * up to 30 is level 1, to 90 level 2, to 180 level 3, above that level 4.
 */
export function mossOf(
  needs: readonly (Days & { readonly urgency: Urgency })[],
  today: PlainDate,
): MossLevel {
  let largest = -1;
  for (const need of needs) {
    if (isOpen(need, today)) {
      largest = Math.max(largest, daysBetween(need.dueFrom, today) * WEIGHT[need.urgency]);
    }
  }
  if (largest < 0) return 0;
  if (largest <= 30) return 1;
  if (largest <= 90) return 2;
  return largest <= 180 ? 3 : 4;
}

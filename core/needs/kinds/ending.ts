// A need that stands no more from a day on.
import type { PlainDate } from "../../quantities/index.ts";

/** The need with that day; undefined if it would be due only then. */
export function ending<Need extends { readonly dueFrom: PlainDate }>(
  need: Need,
  end: PlainDate | undefined,
): Need | undefined {
  if (end === undefined) return need;
  return need.dueFrom >= end ? undefined : { ...need, dueTo: end };
}

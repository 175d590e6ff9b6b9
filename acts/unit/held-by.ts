// A run has one bench at a time: whoever else answers there takes it over first, so that both know.
import type { RunRow } from "#db/run/index.ts";
import type { Who } from "../define.ts";

export type HeldProblem = { readonly kind: "held"; readonly by: string };

/** The problem `held` if the run is at somebody else's bench. */
export const heldByOther = (
  row: Pick<RunRow, "held_by" | "held_by_id">,
  who: Who,
): HeldProblem | undefined => (row.held_by_id === who.person ? undefined : { kind: "held", by: row.held_by });

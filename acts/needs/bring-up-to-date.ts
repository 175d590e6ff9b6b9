// Needs brought up to date after a change: at once if it touches few units, else as a job with progress.
import { announce } from "#db/live.ts";
import type { Tx } from "#db/pool.ts";
import { send } from "#db/queue.ts";
import { addWork, type Scope, scopeSize } from "#db/unit/index.ts";
import { recompute } from "./recompute.ts";

/** So many units are done in the transaction of the change itself; it takes less than a second. */
export const AT_ONCE = 2500;

/** Brings the needs of a scope's units up to date, in the caller's transaction or by a job. Answers how many units. */
export async function bringUpToDate(tx: Tx, scope: Scope, why: string, atOnce = AT_ONCE): Promise<number> {
  // Of units that are named there are no more than that: they need not be counted.
  if (scope.of === "units" && scope.ids.length <= atOnce) return recompute(tx, scope);
  const total = await scopeSize(tx, scope);
  if (total <= atOnce) return recompute(tx, scope);
  for (const job of await addWork(tx, scope, why, total)) await send(tx, job);
  await announce(tx, ["work"]);
  return total;
}

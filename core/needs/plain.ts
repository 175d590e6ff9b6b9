// How a radio is, for whoever has it at home: one word, without routes, leads or needs by their names.
import type { Urgency } from "../release/index.ts";
import { isUntold, type StandingName } from "../unit/index.ts";
import { kindOf, type NeedCause, type NeedKind } from "./kinds/index.ts";
import type { ForHolder } from "./kinds/kind.ts";

/**
 * It lacks a safety fix, or transmits where its user may not; it should run something else; its version should be read, which whoever has
 * it can do; something is due the next time it is at the bench; nobody can tell; nothing is due and all that it runs is known.
 */
export type PlainVerdict =
  | "bring-it-soon"
  | "bring-it"
  | "read-it"
  | "when-you-come"
  | "cannot-tell"
  | "all-right";

export type PlainNeed = { readonly kind: NeedKind; readonly cause: NeedCause; readonly urgency: Urgency };

/**
 * The verdict, the most pressing first.
 * @param standings of all its parts; without any nothing can be told.
 * @param due needs that are open today.
 */
export function plainVerdict(standings: readonly StandingName[], due: readonly PlainNeed[]): PlainVerdict {
  const some = (verdict: ForHolder) => due.some(({ kind }) => kindOf(kind).forHolder === verdict);
  if (due.some(({ urgency, cause }) => urgency === "safety" || cause === "transmits-beyond"))
    return "bring-it-soon";
  if (some("bring-it")) return "bring-it";
  if (some("read-it") || standings[0] === "unread") return "read-it";
  if (some("when-you-come")) return "when-you-come";
  // Newer than all that we know of: whether it should run that nobody can say.
  const isOpen = (standing: StandingName) => isUntold(standing) || standing === "ahead";
  if (standings.length === 0 || some("cannot-tell") || standings.some(isOpen)) return "cannot-tell";
  return "all-right";
}

// The units that a change would touch, by their tags.
import type { Effect } from "#core/needs/index.ts";
import { type SomeTags, someTags } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";

export type Touched = Record<keyof Effect, SomeTags>;

export const touchedBy = async (tx: Tx, effect: Effect): Promise<Touched> => ({
  newlyDue: await someTags(tx, effect.newlyDue),
  changed: await someTags(tx, effect.changed),
  freed: await someTags(tx, effect.freed),
  later: await someTags(tx, effect.later),
});

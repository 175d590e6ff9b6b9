// The units that a change would touch, by their tags.
import type { Effect } from "#core/needs/effect.ts";
import { unitTags } from "#db/models.ts";
import type { Tx } from "#db/pool.ts";

export type Touched = Record<keyof Effect, readonly string[]>;

export const touchedBy = async (tx: Tx, effect: Effect): Promise<Touched> => ({
  newlyDue: await unitTags(tx, effect.newlyDue),
  changed: await unitTags(tx, effect.changed),
  freed: await unitTags(tx, effect.freed),
  later: await unitTags(tx, effect.later),
});

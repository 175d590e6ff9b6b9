// The needs of a scope's units worked out anew, with everything that another change could alter meanwhile locked.
import { needsToDo } from "#core/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import {
  loadCommon,
  loadLocked,
  lockScope,
  type NeedRecord,
  recordOf,
  replaceNeeds,
  type Scope,
  situationOf,
} from "#db/unit/index.ts";

/**
 * Works out the needs of a scope's units anew and stores them, in the caller's transaction. Answers how many units. `locked` is told when all
 * locks are had: from then on this waits for nobody.
 */
export async function recompute(tx: Tx, scope: Scope, locked: () => void = () => {}): Promise<number> {
  const { models, units } = await lockScope(tx, scope);
  locked();
  const { kit, ...shared } = await loadCommon(tx, "m.id = any($1::bigint[])", [models]);
  const common = { ...shared, kit: kit.prepared };
  const known = (await loadLocked(tx, units, shared.air)).map((unit) => situationOf(unit, common, undefined));
  await replaceNeeds(tx, scope, recordsOf(known), known.length);
  return units.length;
}

function* recordsOf(situations: readonly ReturnType<typeof situationOf<undefined>>[]): Generator<NeedRecord> {
  for (const situation of situations)
    for (const { need, action } of needsToDo(situation)) yield recordOf(need, action);
}

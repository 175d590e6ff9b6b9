// The radio that an act is about.
import { bad, good, type Result } from "#core/quantities/index.ts";
import type { Tx } from "#db/pool.ts";
import { type UnitRow, unitById } from "#db/unit/index.ts";

export type UnitProblem = { readonly kind: "no-unit" } | { readonly kind: "shelved" };

/** Problems: `no-unit`; `shelved`, since what is on the shelf is left as it is until somebody takes it back. */
export async function unitHere(tx: Tx, id: string): Promise<Result<UnitRow, UnitProblem>> {
  const unit = await unitById(tx, id);
  if (!unit) return bad({ kind: "no-unit" });
  return unit.shelved_at === null ? good(unit) : bad({ kind: "shelved" });
}

/** Why there is no situation of a radio. */
export async function noUnit(tx: Tx, id: string): Promise<{ ok: false; problem: UnitProblem }> {
  return bad({ kind: (await unitById(tx, id)) ? "shelved" : "no-unit" });
}

/** Whether somebody has a radio with them. */
export const hasUnit = async (tx: Tx, id: string, person: string): Promise<boolean> =>
  (await unitById(tx, id))?.holder_id === person;

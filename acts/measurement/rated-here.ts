// What a radio is rated for, in the mode that it is in now.
import { ratedWatts } from "#core/modes/index.ts";
import { knownMode, modesOf, unitModes } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";

/** In watts; undefined: nobody has noted it. */
export async function ratedHere(
  tx: Tx,
  unit: { readonly id: string; readonly model_id: string },
): Promise<number | undefined> {
  const [last] = await unitModes(tx, unit.id, 1);
  return ratedWatts((await modesOf(tx, unit.model_id)).map(knownMode), last?.mode_id);
}

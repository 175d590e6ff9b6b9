// The pairing that an act is about.
import { bad, good, type Result } from "#core/quantities/index.ts";
import { type PairingRow, pairingsOf } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";

/** Problems: `no-pairing`, if that one is not of this radio, or has ended. */
export async function pairingHere(
  tx: Tx,
  unit: string,
  pairing: string,
): Promise<Result<PairingRow, { readonly kind: "no-pairing" }>> {
  const found = (await pairingsOf(tx, { unit })).find(({ id }) => id === pairing);
  return found ? good(found) : bad({ kind: "no-pairing" });
}

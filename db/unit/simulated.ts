// Statements about simulated radios that stand in for real ones. What their state means is not known here.
import { z } from "zod";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

/** Undefined: the radio is a real one. `lock`: nobody else changes it until the end of the transaction. */
export async function simulatedState(
  tx: Tx,
  unit: string,
  lock = false,
): Promise<Record<string, unknown> | undefined> {
  const { rows } = await ask(
    tx,
    z.object({ state: z.record(z.string(), z.unknown()) }),
    `select state from simulated_radio where unit_id = $1${lock ? " for update" : ""}`,
    [unit],
  );
  return rows[0]?.state;
}

/** Keeps how it stands now; the first time it begins to stand in. */
export const putSimulated = (tx: Tx, unit: string, state: object) =>
  tx.query(
    `insert into simulated_radio (club_id, unit_id, state) values (current_club(), $1, $2)
     on conflict (club_id, unit_id) do update set state = excluded.state`,
    [unit, JSON.stringify(state)],
  );

// A radio turns out to be of another model: what was read of it goes along, part by part by their names.

import { dossierHead } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { copyReading, readingsOf, strikeReading, unitById } from "#db/unit/index.ts";

/**
 * To be done once the unit has its new model. Readings of parts that this model does not have stay as they are, and count for nothing.
 * Answers how many came along, and how many did not.
 */
export async function carryReadings(
  tx: Tx,
  unit: string,
): Promise<{ readonly carried: number; readonly left: number }> {
  const row = await unitById(tx, unit);
  const { parts: now } = row ? await dossierHead(tx, row.model_id) : { parts: [] };
  const parts = new Map(now.map(({ id, name }) => [name.toLowerCase(), id]));
  let [carried, left] = [0, 0];
  // The oldest first: so they are placed as they were.
  for (const row of (await readingsOf(tx, unit)).filter(({ struck_at }) => !struck_at).reverse()) {
    const component = parts.get(row.component.toLowerCase());
    if (component === row.component_id) continue;
    if (component === undefined) left++;
    else {
      await strikeReading(tx, unit, row.id, "the radio is of another model; read on");
      await copyReading(tx, row.id, { unit, component, note: "read under another model" });
      carried++;
    }
  }
  return { carried, left };
}

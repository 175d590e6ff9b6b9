// A radio turns out to be of another model: what was read of it goes along, part by part by their names.

import type { PlainDate } from "#core/quantities/date.ts";
import type { Tx } from "#db/pool.ts";
import { copyReading, readingsOf, strikeReading } from "#db/readings.ts";
import { loadSituation } from "#db/situation.ts";

/**
 * To be done once the unit has its new model. Readings of parts that this model does not have stay as they are, and count for nothing.
 * Answers how many came along, and how many did not.
 */
export async function carryReadings(
  tx: Tx,
  unit: string,
  today: PlainDate,
): Promise<{ readonly carried: number; readonly left: number }> {
  const situation = await loadSituation(tx, unit, today);
  const parts = new Map(
    [...(situation?.catalogue.values() ?? [])].map(({ component }) => [
      component.name.toLowerCase(),
      component.id,
    ]),
  );
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

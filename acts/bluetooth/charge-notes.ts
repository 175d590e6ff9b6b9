// What is stored of a device and its battery, as the computations want it.
import { type Charged, type Noted, storyOf } from "#core/bluetooth/index.ts";
import type { ChargeRow, DeviceRow } from "#db/kit/index.ts";

/** Nothing of what was struck. */
export function notedOf({ kind, percent, at, struck_why }: ChargeRow): Noted[] {
  if (struck_why !== null) return [];
  if (kind === "level" || kind === "used") return [{ kind, at: at.getTime(), percent: percent ?? 0 }];
  return [{ kind, at: at.getTime() }];
}

/** A device with the story of its charge. */
export const chargedOf = (row: DeviceRow, notes: readonly ChargeRow[]): Charged => ({
  id: row.id,
  battery: row.battery,
  story: storyOf(notes.flatMap(notedOf)),
  ...(row.full_minutes !== null && { fullMinutes: row.full_minutes }),
  ...(row.idle_per_day !== null && { idlePerDay: row.idle_per_day }),
  ...(row.charger_id !== null && { charger: row.charger_id }),
});

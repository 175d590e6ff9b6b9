// Everything with a battery, with the story of its charge; and what has to go on which charger by when.
import { chargedOf } from "#acts/bluetooth/charge-notes.ts";
import {
  type Charged,
  chargeNow,
  chargerPlans,
  type Now,
  type Readiness,
  readinessOf,
} from "#core/bluetooth/index.ts";
import { groupBy, mustFind, mustGet } from "#core/quantities/index.ts";
import { chargesOf, type DeviceRow, deviceRows, gearRows } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";

export type LoadedCharge = {
  readonly rows: readonly DeviceRow[];
  readonly things: readonly Charged[];
  readonly now: ReadonlyMap<string, Now>;
};

export async function loadCharge(tx: Tx, at: number): Promise<LoadedCharge> {
  const rows = await deviceRows(tx);
  const notes = groupBy(await chargesOf(tx), (note) => note.device_id);
  const things = rows.map((row) => chargedOf(row, notes.get(row.id) ?? []));
  return { rows, things, now: new Map(things.map((thing) => [thing.id, chargeNow(thing, at)])) };
}

/** Who is ready at a time with so many percent, and how the chargers are shared until then. */
export async function loadReady(tx: Tx, loaded: LoadedCharge, need: number, time: number, at: number) {
  const { things } = loaded;
  const ready = new Map<string, Readiness>(
    things.map((thing) => [thing.id, readinessOf(thing, need, time, at)]),
  );
  const gear = await gearRows(tx);
  const chargers = gear.filter(({ kind, condition }) => kind === "charger" && condition !== "lost");
  const sound = chargers.filter(({ condition }) => condition !== "broken");
  const tags = new Map(loaded.rows.map((row) => [row.id, row.tag]));
  const tagOf = (id: string) => mustGet(tags, id);
  const plans = chargerPlans(ready, things, sound, time, at).map((plan) => ({
    ...plan,
    tag: mustFind(gear, plan.charger).tag,
    turns: plan.turns.map((turn) => ({ ...turn, tag: tagOf(turn.id) })),
    late: plan.late.map(tagOf),
  }));
  // What goes on a charger that is broken cannot be charged there, whatever the time.
  const broken = things.flatMap(({ id, charger }) => {
    const it = chargers.find((one) => one.id === charger && one.condition === "broken");
    const one = ready.get(id);
    return it && (one?.kind === "plug-in" || one?.kind === "too-late") ? [{ id, charger: it.tag }] : [];
  });
  return { ready, plans, broken };
}

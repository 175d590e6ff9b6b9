// What a radio is paired with, and how a pairing is done.
import { chargedOf } from "#acts/bluetooth/charge-notes.ts";
import { adviceOf, pairPlanOf } from "#acts/bluetooth/pair-facts.ts";
import { chargeNow } from "#core/bluetooth/index.ts";
import { now as nowIn } from "#db/clock.ts";
import {
  chargesOf,
  deviceById,
  deviceOf,
  deviceRows,
  type PairingRow,
  pairAdviceRows,
  pairingsOf,
} from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { pageOf } from "../../shared/device-page.ts";
import { stateOf } from "../../shared/pairing-state.ts";

const shownPairing = (row: PairingRow) => ({
  id: row.id,
  device: row.device,
  device_id: row.device_id,
  what: row.what,
  settings: row.settings,
  unit_id: row.unit_id,
  tag: row.tag,
  drops: row.drops,
  since: row.since.toISOString(),
  state: stateOf(row),
  events: row.events,
});
export type ShownPairing = ReturnType<typeof shownPairing>;

/** The pairings of a radio or of a device that stand. */
export const shownPairings = async (
  tx: Tx,
  of: { readonly unit: string } | { readonly device: string },
): Promise<ShownPairing[]> => (await pairingsOf(tx, of)).map(shownPairing);

/** The device that a radio is, with how full its battery is as far as that is known; undefined: nobody looks after it. */
export async function shownBattery(tx: Tx, unit: string) {
  const row = await deviceOf(tx, "unit", unit);
  if (!row) return undefined;
  const at = (await nowIn(tx)).getTime();
  const charge = chargeNow(chargedOf(row, await chargesOf(tx, row.id)), at);
  return {
    kind: row.kind,
    tag: row.tag,
    charge,
    to: pageOf(row),
  };
}
export type ShownBattery = Awaited<ReturnType<typeof shownBattery>>;

/** How a radio is paired with a device; `device` undefined: nobody has said with which. */
export async function loadPairPlan(
  tx: Tx,
  unit: { readonly id: string; readonly model_id: string },
  asked: string | undefined,
) {
  const devices = (await deviceRows(tx)).filter((row) => row.unit_id !== unit.id && row.kind !== "radio");
  const chosen = asked === undefined ? undefined : await deviceById(tx, asked);
  const choices = devices.map(({ id, tag, what, kind }) => [id, `${tag}, ${what || kind}`] as const);
  if (!chosen) return { choices };
  const { plan, own } = await pairPlanOf(tx, { id: unit.id, model: unit.model_id }, chosen);
  const at = (await nowIn(tx)).getTime();
  const charge = chargeNow(chargedOf(chosen, await chargesOf(tx, chosen.id)), at);
  return {
    choices,
    device: {
      id: chosen.id,
      tag: chosen.tag,
      kind: chosen.kind,
      what: chosen.what,
      shows: chosen.shows,
      address: chosen.address,
      battery: chosen.battery,
      offers: chosen.offers,
      holds: chosen.holds,
      charge,
    },
    plan,
    own: own && shownPairing(own),
    /** Of its type something is known, but for another model. */
    elsewhere: plan.advice
      ? []
      : (await pairAdviceRows(tx))
          .map(adviceOf)
          .filter((one) => one.what.toLowerCase() === chosen.what.toLowerCase() && one.model !== undefined)
          .map(({ menu }) => menu),
  };
}
export type ShownPairPlan = Awaited<ReturnType<typeof loadPairPlan>>;

// What is known about pairing a radio with a device of ours.
import { forgotten, LEAST_TO_PAIR, type PairAdvice, pairingPlan } from "#core/bluetooth/index.ts";
import { isOutOfUse, type PairSetting, readPairSetting } from "#core/kit/index.ts";
import type { PairFacts } from "#core/run/index.ts";
import { type DeviceRow, deviceById, type PairAdviceRow, pairAdviceRows, pairingsOf } from "#db/kit/index.ts";
import { dossierHead } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";

export const adviceOf = (row: PairAdviceRow): PairAdvice => ({
  what: row.what,
  menu: row.menu,
  wrongMenu: row.wrong_menu,
  wrongShows: row.wrong_shows,
  steps: row.steps,
  pin: row.pin,
  shows: row.shows,
  settings: row.settings,
  fails: row.fails,
  source: row.source,
  ...(row.model_id !== null && { model: row.model_id }),
  ...(row.pin_seconds !== null && { pinSeconds: row.pin_seconds }),
});

/** A pair's own settings as they are typed, a line each; what is none is left out. */
export const settingsIn = (text: string): PairSetting[] =>
  text.split("\n").flatMap((line) => {
    const read = line.trim() === "" ? undefined : readPairSetting(line);
    return read?.ok ? [read.value] : [];
  });

/** The pairing of a radio with a device, if it stands; the device's others, the longest first; and those of them that it holds no more beside this one. */
export async function pairingsBeside(tx: Tx, unit: string, device: DeviceRow) {
  const all = await pairingsOf(tx, { device: device.id });
  const own = all.find(({ unit_id }) => unit_id === unit);
  const others = all
    .filter(({ unit_id }) => unit_id !== unit)
    .sort((a, b) => a.since.getTime() - b.since.getTime());
  return { own, others, over: others.slice(0, forgotten(others.length, device.holds)) };
}

/** How a radio and a device are paired, by what is known of them. */
export async function pairPlanOf(
  tx: Tx,
  unit: { readonly id: string; readonly model: string },
  device: DeviceRow,
) {
  const { own, others } = await pairingsBeside(tx, unit.id, device);
  const { identity } = await dossierHead(tx, unit.model);
  const plan = pairingPlan(
    { model: unit.model, offAfterReset: identity.bluetooth?.afterReset === "off" },
    device,
    (await pairAdviceRows(tx)).map(adviceOf),
    settingsIn(own?.settings ?? ""),
    others.map(({ tag }) => tag),
  );
  return { plan, own };
}

export const pairFacts = async (
  tx: Tx,
  unit: { readonly id: string; readonly model: string },
  tag: string,
  device: DeviceRow,
): Promise<PairFacts> => ({
  tag,
  device: {
    tag: device.tag,
    what: device.what,
    floor: device.battery === "none" ? undefined : LEAST_TO_PAIR,
  },
  plan: (await pairPlanOf(tx, unit, device)).plan,
  keys: device.kind === "button",
});

/** All that a radio is paired with, as it is paired anew; what is out of use is left out. */
export async function pairsOf(
  tx: Tx,
  unit: { readonly id: string; readonly model: string },
): Promise<PairFacts[]> {
  const pairs: PairFacts[] = [];
  for (const { device_id, tag } of await pairingsOf(tx, { unit: unit.id })) {
    const device = await deviceById(tx, device_id);
    if (device && !isOutOfUse(device.battery)) pairs.push(await pairFacts(tx, unit, tag, device));
  }
  return pairs;
}

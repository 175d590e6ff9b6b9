// Lays the demo's Bluetooth devices: their levels over the weeks, what was paired with what, and how it went.
import { readPairSetting, readPairStep } from "#core/kit/index.ts";
import { addDays, type PlainDate } from "#core/quantities/index.ts";
import {
  addCharge,
  addPairing,
  addPairingEvent,
  addProfile,
  addProfileUse,
  deviceOf,
  putProgrammer,
  putRadio,
  putThing,
} from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { backupsOf } from "#db/run/index.ts";
import { DEVICES, PAIR_ADVICE, PAIRINGS, PROFILES } from "./data/bluetooth.ts";

type Ids = ReadonlyMap<string, string>;
export type LaidForBluetooth = {
  readonly people: Ids;
  readonly places: Ids;
  readonly units: Ids;
  readonly models: Ids;
  readonly leads: Ids;
  readonly gear: Ids;
};

const find = (ids: Ids, name: string): string => {
  const id = ids.get(name);
  if (id === undefined) throw new Error(`the demo's Bluetooth speaks of ${name}, which is not there`);
  return id;
};

const linesOf = <Value>(text: string, read: (line: string) => { ok: true; value: Value } | { ok: false }) =>
  text.split("\n").map((line) => {
    const one = read(line);
    if (!one.ok) throw new Error(`the demo's pairing advice has something that cannot be read: ${line}`);
    return one.value;
  });

export async function layBluetooth(tx: Tx, laid: LaidForBluetooth, today: PlainDate): Promise<void> {
  const juno = find(laid.people, "Juno");
  const devices = new Map<string, string>();
  for (const device of DEVICES) {
    const lead = device.kind === "programmer" ? find(laid.leads, device.tag) : undefined;
    const of = device.kind === "radio" ? device.tag : device.unit;
    const unit = of === undefined ? undefined : find(laid.units, of);
    if (lead) await putProgrammer(tx, lead, device.tag);
    const own =
      device.kind === "radio" && unit !== undefined
        ? await putRadio(tx, unit, device.tag)
        : lead === undefined
          ? undefined
          : (await deviceOf(tx, "lead", lead))?.id;
    const id = await putThing(tx, "device", own, {
      tag: device.tag,
      kind: device.kind,
      what: device.what ?? "",
      shows: device.shows ?? "",
      address: device.address ?? null,
      app: device.app?.[0] ?? "",
      app_version: device.app?.[1] ?? "",
      app_needs: device.appNeeds ?? "",
      lamp: device.lamp ?? "",
      battery: device.battery ?? "sound",
      serves: (device.serves ?? []).map(([model, as]) => ({ model: find(laid.models, model), as })),
      full_minutes: device.full ?? null,
      idle_per_day: device.idle ?? null,
      per_use: device.perUse ?? null,
      charger_id: device.charger ? find(laid.gear, device.charger) : null,
      holds: device.holds ?? 1,
      offers: device.offers ?? "",
      fails: device.fails ?? "",
      place_id: device.place ? find(laid.places, device.place) : null,
      simulated: device.simulated ?? false,
      note: device.note ?? "",
      ...(unit !== undefined && { unit_id: unit }),
    });
    devices.set(device.tag, id);
    for (const [ago, percent] of device.levels ?? [])
      await addCharge(tx, juno, { device: id, kind: "level", how: "typed", percent, at: before(today, ago) });
  }
  for (const { ago, device, unit, who, settings = "", events } of PAIRINGS) {
    const by = find(laid.people, who);
    const pairing = await addPairing(tx, {
      device: find(devices, device),
      unit: find(laid.units, unit),
      by,
      settings,
      since: before(today, ago),
    });
    for (const [i, [day, kind, note]] of events.entries())
      await addPairingEvent(tx, { pairing, kind, note, by, at: before(today, day, i) });
  }
  for (const { device, name, from, who, uses } of PROFILES) {
    const [backup] = await backupsOf(tx, find(laid.units, from), 1);
    const by = find(laid.people, who);
    const profile = await addProfile(tx, {
      device: find(devices, device),
      name,
      by,
      backup: backup?.id ?? "",
    });
    for (const [ago, unit, user] of uses)
      await addProfileUse(tx, {
        profile,
        unit: find(laid.units, unit),
        by: find(laid.people, user),
        at: before(today, ago),
      });
  }
  for (const { what, model, menu, wrong, steps, pin, shows, settings, fails = "", from } of PAIR_ADVICE)
    await putThing(tx, "pair_advice", undefined, {
      what,
      model_id: model === undefined ? null : find(laid.models, model),
      menu,
      wrong_menu: wrong?.[0] ?? "",
      wrong_shows: wrong?.[1] ?? "",
      pin: pin?.[0] ?? "",
      pin_seconds: pin?.[1] ?? null,
      shows,
      fails,
      source: { kind: from[0], what: from[1] },
      steps: linesOf(steps, readPairStep),
      settings: linesOf(settings, readPairSetting),
    });
}

/** An evening so many days ago; a part of a day is hours before the last midnight. */
const before = (today: PlainDate, ago: number, minutes = 0): string =>
  new Date(
    Date.parse(`${addDays(today, -Math.floor(ago))}T19:10:00Z`) - (ago % 1) * 86_400_000 + minutes * 60_000,
  ).toISOString();

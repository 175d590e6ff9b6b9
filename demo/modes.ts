// Lays the demo's modes and band plan, and says in which mode each radio is.
import { fullScaleOf } from "#core/measure/index.ts";
import { modeShape } from "#core/modes/index.ts";
import { addDays, mustGet, type PlainDate } from "#core/quantities/index.ts";
import { parseRange } from "#core/version/index.ts";
import { addCodeplug } from "#db/codeplug/index.ts";
import { gearRows } from "#db/kit/index.ts";
import { addSegments, addUnitMode, modeFacts, modesOf, proceduresOf, putMode } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { addMeasurement, addSpectrum, putLimit, unitById } from "#db/unit/index.ts";
import {
  bandPlanOf,
  bandsOf,
  CHANNELS,
  hertzOf,
  IN_MODE,
  LIMIT,
  MODES,
  OFFSETS,
  POWERS,
  SPECTRA,
} from "./data/modes.ts";
import type { LaidForDossier } from "./dossiers.ts";

export async function layModes(
  tx: Tx,
  models: ReadonlyMap<string, LaidForDossier>,
  today: PlainDate,
): Promise<void> {
  await addSegments(
    tx,
    bandPlanOf((days) => addDays(today, days)),
  );
  for (const [name, modes] of Object.entries(MODES)) {
    const model = models.get(name);
    if (!model) throw new Error(`the demo has no model ${name}`);
    const procedures = await proceduresOf(tx, model.id);
    const titled = (title: string | undefined) => {
      const found = procedures.find((p) => p.title === title)?.id ?? null;
      if (title !== undefined && found === null) throw new Error(`${name} has no procedure ${title}`);
      return found;
    };
    for (const { transmit, receive, fixed, firmware, enter, leave, source, ...rest } of modes) {
      const range = firmware && parseRange(firmware[1]);
      const known = modeShape.parse({
        ...rest,
        transmit: bandsOf(transmit),
        receive: bandsOf(receive),
        ...(fixed && { fixed: fixed.map((mhz) => ({ frequency: hertzOf(mhz) })) }),
      });
      await putMode(tx, model.id, undefined, {
        name: known.name,
        facts: modeFacts.parse(known),
        component_id: firmware ? (model.components.get(firmware[0])?.id ?? null) : null,
        firmware: range?.ok ? range.value : null,
        hardware_revisions: null,
        enter_id: titled(enter),
        leave_id: titled(leave),
        source: { kind: source[0], what: source[1] },
      });
    }
  }
}

export async function layPowers(
  tx: Tx,
  {
    units,
    people,
  }: { readonly units: ReadonlyMap<string, string>; readonly people: ReadonlyMap<string, string> },
  today: PlainDate,
): Promise<void> {
  const meters = await gearRows(tx);
  const laid = [
    { kind: "power", tag: "MW-1", shown: POWERS },
    { kind: "frequency error", tag: "MF-1", shown: OFFSETS },
  ] as const;
  for (const { kind, tag: its, shown } of laid) {
    const meter = meters.find(({ tag }) => tag === its);
    if (!meter) throw new Error(`the demo has no meter ${its}`);
    const told = { meter: its, error: meter.error, fullScale: fullScaleOf(meter.rating), note: "" };
    for (const [tag, who, values] of shown)
      for (const [ago, value] of values)
        await addMeasurement(
          tx,
          mustGet(units, tag),
          mustGet(people, who),
          { kind, value, frequency: 145_500_000, ...told },
          addDays(today, -ago),
        );
  }
}

export async function laySpectra(
  tx: Tx,
  {
    units,
    people,
  }: { readonly units: ReadonlyMap<string, string>; readonly people: ReadonlyMap<string, string> },
  today: PlainDate,
): Promise<void> {
  const limit = await putLimit(tx, undefined, LIMIT);
  for (const [ago, tag, who, [mhz, dbm], harmonics, attenuation, note] of SPECTRA)
    await addSpectrum(
      tx,
      mustGet(units, tag),
      mustGet(people, who),
      {
        carrier: { frequency: hertzOf(mhz), dbm },
        lines: harmonics.map((level, i) => ({ frequency: hertzOf(mhz * (i + 2)), dbm: level })),
        attenuation,
        meter: "MS-1",
        known: { error: 2, floor: -80, most: 10 },
        limit,
        note,
      },
      addDays(today, -ago),
    );
}

export async function layChannels(
  tx: Tx,
  {
    units,
    people,
  }: { readonly units: ReadonlyMap<string, string>; readonly people: ReadonlyMap<string, string> },
  today: PlainDate,
): Promise<void> {
  for (const [ago, tag, who, name, channels] of CHANNELS)
    await addCodeplug(tx, {
      unit: mustGet(units, tag),
      by: mustGet(people, who),
      name,
      at: addDays(today, -ago),
      source: "brought",
      channels: channels.map(([called, receive, transmit, khz], i) => ({
        position: i + 1,
        digital: false,
        name: called,
        receive: hertzOf(receive),
        bandwidth: khz * 1000,
        ...(transmit !== undefined && { transmit: hertzOf(transmit) }),
      })),
    });
}

export async function layUnitModes(
  tx: Tx,
  known: {
    readonly units: ReadonlyMap<string, string>;
    readonly people: ReadonlyMap<string, string>;
    readonly evening: (day: PlainDate, minute: number) => string;
  },
  today: PlainDate,
): Promise<void> {
  for (const [ago, tags, name, who, how, why] of IN_MODE) {
    for (const tag of tags.split(" ")) {
      const unit = mustGet(known.units, tag);
      const model = (await unitById(tx, unit))?.model_id ?? "";
      const mode = (await modesOf(tx, model)).find((one) => one.name === name);
      if (!mode) throw new Error(`${tag} has no mode ${name}`);
      const at = known.evening(addDays(today, -ago), 30);
      await addUnitMode(tx, { unit, mode: mode.id, how, why, at, by: mustGet(known.people, who) });
    }
  }
}

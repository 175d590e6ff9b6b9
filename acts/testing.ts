// A world to try every act in: what stands in the demo club, and what each act may be asked to do with it.
import type fc from "fast-check";
import { KIND_NAMES, KINDS } from "#core/kit/index.ts";
import { loadKnown, valuesOf } from "#db/kit/index.ts";
import { bandPlan, modesOf, serviceItems } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { bluetoothTrials } from "./bluetooth/testing.ts";
import { clubTrials } from "./club/testing.ts";
import { codeplugTrials } from "./codeplug/testing.ts";
import type { Who } from "./define.ts";
import type { ActName } from "./index.ts";
import { kitTrials } from "./kit/testing.ts";
import { measurementTrials } from "./measurement/testing.ts";
import { modeTrials } from "./mode/testing.ts";
import { modeStands } from "./mode/write-mode.ts";
import { modelTrials } from "./model/testing.ts";
import { itemStands } from "./model/write-service-item.ts";
import { personTrials } from "./person/testing.ts";
import { readingTrials } from "./reading/testing.ts";
import { runTrials } from "./run/testing.ts";
import { worldOfModels } from "./testing-models.ts";
import { NOWHERE, someOf, type World } from "./trials/testing.ts";
import { unitTrials } from "./unit/testing.ts";

/** A few radios, so that a history comes back to the same: some plain, one that is out, one on hold, one to back up, one of `elsewhere`. */
export async function worldOf(tx: Tx, who: Who, elsewhere: string): Promise<World> {
  const ids = async (text: string) => (await tx.query<{ id: string }>(text)).rows.map((row) => row.id);
  const units = [
    ...(await ids("select id from unit where shelved_at is null order by id limit 3")),
    ...(await ids("select id from unit where shelved_at is not null order by id limit 1")),
    ...(await ids("select unit_id id from custody where back_on is null order by id limit 1")),
    ...(await ids("select id from unit where hold_until is not null order by id limit 1")),
    // One flashed since it was backed up, and one that is measured every so often.
    ...(await ids("select id from unit where tag in ('W-10', 'W-13') order by tag")),
    ...(await ids(
      "select u.id from unit u join hardware_revision h on h.club_id = u.club_id and h.model_id = u.model_id where u.hardware_revision_id is null order by u.id limit 1",
    )),
  ];
  const { rows: readings } = await tx.query<{ unit: string; reading: string }>(
    "select unit_id unit, id reading from reading where unit_id = any($1::bigint[]) order by id desc limit 8",
    [units],
  );
  const { rows: revisions } = await tx.query<{ unit: string; revision: string }>(
    `select u.id unit, h.id revision from unit u join hardware_revision h on h.club_id = u.club_id and h.model_id = u.model_id
     where u.hardware_revision_id is null order by u.id, h.id limit 12`,
  );
  const { rows: chains } = await tx.query<World["chains"][number]>(
    `select 'flash' operation, null::bigint lead, c.id computer, t.id tool from computer c join tool t on t.club_id = c.club_id
     where c.kind = 'phone' and t.shelved_at is null
       and exists (select from jsonb_array_elements(t.runs_on) r where r ->> 'system' = c.system)
     union all (select operation, lead_id, computer_id, tool_id from attempt where operation = 'flash' order by id limit 3)`,
  );
  return {
    who,
    units: [...units, elsewhere, NOWHERE],
    readings,
    people: [...(await ids("select id from person order by shelved_at nulls last, id limit 4")), NOWHERE],
    places: [...(await ids("select id from place order by id limit 3")), NOWHERE],
    groups: [...(await ids("select id from unit_group order by id limit 4")), NOWHERE],
    procedures: [
      ...(
        await tx.query<{ model: string; procedure: string }>(
          "select model_id model, id procedure from procedure where shelved_at is null order by id limit 4",
        )
      ).rows,
      { model: NOWHERE, procedure: NOWHERE },
    ],
    quirks: [
      ...(
        await tx.query<{ model: string; quirk: string }>(
          "select model_id model, id quirk from quirk where shelved_at is null order by id limit 4",
        )
      ).rows,
      { model: NOWHERE, quirk: NOWHERE },
    ],
    models: [...(await ids("select id from model order by id limit 4"))],
    revisions: [...revisions, { unit: units[0] ?? NOWHERE, revision: NOWHERE }],
    chains: [...chains, { operation: "flash", lead: NOWHERE, computer: NOWHERE, tool: null }],
    tries: [...(await ids("select id from attempt order by settled desc, id desc limit 12")), NOWHERE],
    ...(await worldOfModels(tx, who)),
    things: await worldOfKit(tx),
    ...(await worldOfModes(tx)),
    measurements: [
      ...(
        await tx.query<{ unit: string; measurement: string }>(
          "select m.unit_id unit, m.id measurement from measurement m join unit u on u.club_id = m.club_id and u.id = m.unit_id where m.struck_at is null order by u.tag desc, m.id limit 3",
        )
      ).rows,
      { unit: units[0] ?? NOWHERE, measurement: NOWHERE },
    ],
    devices: [
      ...(await ids("select id from device where battery = 'sound' order by simulated desc, id limit 5")),
      ...(await ids("select id from device where battery <> 'sound' order by id limit 1")),
      NOWHERE,
    ],
    charges: [
      ...(
        await tx.query<{ device: string; charge: string }>(
          "select device_id device, id charge from charge order by id limit 5",
        )
      ).rows,
      { device: NOWHERE, charge: NOWHERE },
    ],
    pairings: [
      ...(
        await tx.query<{ unit: string; pairing: string }>(
          "select unit_id unit, id pairing from pairing where ended_at is null order by id",
        )
      ).rows,
      { unit: units[0] ?? NOWHERE, pairing: NOWHERE },
    ],
    codeplugs: [
      ...(
        await tx.query<{ unit: string; codeplug: string }>(
          "select c.unit_id unit, c.id codeplug from codeplug c join unit u on u.club_id = c.club_id and u.id = c.unit_id where u.tag in ('W-15', 'H-01', 'H-10') order by c.id",
        )
      ).rows,
      { unit: units[0] ?? NOWHERE, codeplug: NOWHERE },
    ],
    mappings: await ids("select id from channel_mapping order by id"),
    repeaters: await ids("select id from repeater order by id limit 4"),
    identified: await ids("select id from identity order by id"),
    backups: [...(await ids("select id from backup order by id limit 3")), NOWHERE],
    profiles: [...(await ids("select id from profile order by id")), NOWHERE],
    programmers: [...(await ids("select id from device where kind = 'programmer' order by id")), NOWHERE],
    sessions: [...(await ids("select id from session order by id limit 3")), NOWHERE],
    ...(await worldOfBench(tx, units)),
  };
}

async function worldOfModes(
  tx: Tx,
): Promise<
  Pick<World, "modes" | "inModes" | "segments" | "service" | "settings" | "unlocking" | "limits" | "spectra">
> {
  const { rows: used } = await tx.query<{ unit: string; model: string; mode: string }>(
    `select u.id unit, u.model_id model, m.id mode from unit u join mode m on m.club_id = u.club_id and m.model_id = u.model_id
     where u.tag in ('W-15', 'H-07', 'H-01', 'S-02') and m.shelved_at is null order by u.id, m.id`,
  );
  const modes: World["modes"][number][] = [];
  for (const model of new Set(used.map((one) => one.model)))
    for (const row of await modesOf(tx, model)) modes.push({ model, mode: row.id, stands: modeStands(row) });
  const service: World["service"][number][] = [];
  for (const model of new Set(used.map((one) => one.model)))
    for (const row of await serviceItems(tx, model))
      service.push({ model, item: row.id, stands: itemStands(row) });
  const settings = used.flatMap(({ unit, model }) =>
    service.flatMap((one) =>
      one.model === model && "usual" in one.stands ? [{ unit, item: one.item }] : [],
    ),
  );
  const { rows: unlocking } = await tx.query<World["unlocking"][number]>(
    "select model_id model, id procedure from procedure where effect = 'unlock' and shelved_at is null order by id",
  );
  const { rows: limits } = await tx.query<{ id: string }>("select id from emission_limit order by id");
  const { rows: spectra } = await tx.query<World["spectra"][number]>(
    "select unit_id unit, id spectrum from spectrum order by id",
  );
  return {
    limits: [...limits.map((one) => one.id), NOWHERE],
    spectra: [...spectra, { unit: used[0]?.unit ?? "", spectrum: NOWHERE }],
    unlocking,
    service,
    settings: [...settings, { unit: used[0]?.unit ?? "", item: NOWHERE }],
    modes,
    inModes: [
      ...used.map(({ unit, mode }) => ({ unit, mode })),
      { unit: used[0]?.unit ?? "", mode: NOWHERE },
    ],
    segments: (await bandPlan(tx)).map(({ id: segment, ...stands }) => ({ segment, stands })),
  };
}

async function worldOfBench(
  tx: Tx,
  units: readonly string[],
): Promise<Pick<World, "errands" | "runs" | "simulated">> {
  const { rows: parts } = await tx.query<{ unit: string; component: string }>(
    `select u.id unit, c.id component from unit u join component c on c.club_id = u.club_id and c.model_id = u.model_id
     where u.id = any($1::bigint[]) order by u.id, c.id`,
    [units],
  );
  const { rows: procedures } = await tx.query<{ unit: string; procedure: string }>(
    `select u.id unit, p.id procedure from unit u join procedure p on p.club_id = u.club_id and p.model_id = u.model_id
     where u.id = any($1::bigint[]) order by u.id, p.id limit 12`,
    [units],
  );
  const { rows: runs } = await tx.query<World["runs"][number]>(
    `select r.id run, c.name component, r.errand is not null anew from run r join unit u on u.club_id = r.club_id and u.id = r.unit_id
     join component c on c.club_id = u.club_id and c.model_id = u.model_id where r.ended_at is null order by r.id, c.id`,
  );
  const { rows: simulated } = await tx.query<{ id: string }>("select unit_id id from simulated_radio");
  return {
    simulated: simulated.map(({ id }) => id),
    errands: [
      ...parts.map(({ unit, component }) => ({ unit, for: { component } })),
      ...procedures.map(({ unit, procedure }) => ({ unit, for: { procedure } })),
      ...units.flatMap((unit) => [
        { unit, for: { update: {} } },
        { unit, for: { backup: {} } },
        { unit, for: { restore: { backup: NOWHERE } } },
        { unit, for: { mode: { mode: NOWHERE } } },
        { unit, for: { pair: { device: NOWHERE } } },
        { unit, for: { program: { profile: NOWHERE } } },
      ]),
      { unit: NOWHERE, for: { component: NOWHERE } },
      { unit: units[0] ?? NOWHERE, for: { procedure: NOWHERE } },
    ],
    runs: [...runs, { run: NOWHERE, component: "main", anew: false }],
  };
}

async function worldOfKit(tx: Tx): Promise<World["things"]> {
  const known = await loadKnown(tx);
  const things: World["things"][number][] = [];
  for (const kind of KIND_NAMES) {
    const names = KINDS[kind].fields.map((field) => field.name);
    for (const row of (await valuesOf(tx, kind, known)).slice(0, 4))
      things.push({
        kind,
        thing: row.id,
        values: Object.fromEntries(names.map((name) => [name, row[name] ?? ""])),
      });
  }
  return things;
}

/** What to try each act with. An act that is missing here does not compile. */
export function inputs(world: World): Record<ActName, fc.Arbitrary<Readonly<Record<string, unknown>>>> {
  const some = someOf(world);
  return {
    ...clubTrials(world, some),
    ...modelTrials(world, some),
    ...codeplugTrials(world, some),
    ...personTrials(world, some),
    ...kitTrials(world, some),
    ...unitTrials(world, some),
    ...modeTrials(world, some),
    ...measurementTrials(world, some),
    ...bluetoothTrials(world, some),
    ...runTrials(world, some),
    ...readingTrials(world, some),
  };
}

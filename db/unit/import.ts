// Statements for units from a spreadsheet: a whole plan is put in at once.

import { z } from "zod";
import type { LogEntry } from "#core/club/index.ts";
import { folded, modelKey, type NewModel, type PlannedRow, personKey } from "#core/import/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { PLAIN_POLICY } from "#core/unit/index.ts";
import { ask, idRow } from "../ask.ts";
import { type About, putPerson } from "../club/index.ts";
import { addParts } from "../model/index.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";
import { noonOf } from "./readings.ts";

export type Brought = {
  readonly added: number;
  readonly changed: number;
  readonly readings: number;
  readonly units: readonly string[];
  /** What the log is to tell of it; nothing where nothing was changed. */
  readonly log: readonly Told[];
};
type Told = About & { readonly entry: LogEntry };

type Options = {
  readonly file: string;
  readonly today: PlainDate;
  readonly by: string;
  readonly newModels: readonly (NewModel & { readonly kind: string })[];
  readonly newPeople?: readonly string[];
};

/** Puts the rows in, models, places and groups first, then units, then readings. All or nothing; their needs are the caller's business. */
export async function bringIn(tx: Tx, rows: readonly PlannedRow[], options: Options): Promise<Brought> {
  const touched = rows.filter((row) => row.act === "add" || row.act === "change");
  const { made, added: newModels } = await makeModels(tx, options.newModels);
  const modelNow = await modelsOf(
    tx,
    touched.flatMap((row) => row.unit ?? []),
  );
  const asked = ({ model, values }: PlannedRow) => model ?? made.get(modelKey(values.maker, values.model));
  const modelOf = (row: PlannedRow) => asked(row) ?? (row.unit && modelNow.get(row.unit));
  const units = await putUnits(tx, touched, { asked, modelOf }, options.today);
  const ids = new Map(units.map((row) => [row.added, row.id]));
  const unitOf = (row: PlannedRow) => row.unit ?? ids.get(row.values.tag);
  const readings = await putReadings(tx, touched, { unitOf, modelOf }, options.by);
  const newcomers = await putNewcomers(tx, options.newPeople ?? []);
  const lent = await lend(tx, touched, unitOf, newcomers, options.today);
  const added = touched.filter((row) => row.act === "add").length;
  const brought = { added, changed: touched.length - added, readings: readings.length };
  const entry = { kind: "units-imported" as const, file: options.file, ...brought };
  return {
    ...brought,
    units: units.map((row) => row.id),
    log: [
      ...newModels,
      ...[...newcomers.keys()].map((name) => ({
        entry: { kind: "person-added" as const, name, role: "member" as const },
      })),
      ...units.flatMap(({ id: unit, added: tag }) =>
        tag === null ? [] : [{ entry: { kind: "unit-added" as const, tag, how: "import" as const }, unit }],
      ),
      ...readings.map(({ unit, component, raw }) => ({
        entry: { kind: "reading" as const, component, raw, source: "hearsay" },
        unit,
      })),
      ...lent.map(({ unit, name }) => ({ entry: { kind: "lent" as const, to: name }, unit })),
      ...(touched.length > 0 ? [{ entry }] : []),
    ],
  };
}

type OfRow = (row: PlannedRow) => string | undefined;

async function putUnits(
  tx: Tx,
  touched: readonly PlannedRow[],
  { asked, modelOf }: { readonly asked: OfRow; readonly modelOf: OfRow },
  today: PlainDate,
) {
  const named = (table: "place" | "unit_group", field: "place" | "group") =>
    makeNames(
      tx,
      table,
      touched.map((row) => row.values[field]),
    );
  const places = await named("place", "place");
  const groups = await named("unit_group", "group");
  const revisions = await revisionsByName(tx);
  const payload = touched.map((row) => {
    const { values, readings, act, unit } = row;
    const { tag, region, serial, note } = values;
    return {
      ...{ act, unit, tag, region, serial, note },
      model: asked(row),
      hardware: revisions.get(`${modelOf(row)}\n${folded(values.hardware)}`),
      place: places.get(folded(values.place)),
      group: groups.get(folded(values.group)),
      on: earliest(readings),
    };
  });
  const shape = z.object({ id: z.string(), added: z.string().nullable() });
  return (await ask(tx, shape, PUT_UNITS, [JSON.stringify(payload), today])).rows;
}

async function putReadings(
  tx: Tx,
  touched: readonly PlannedRow[],
  { unitOf, modelOf }: { readonly unitOf: OfRow; readonly modelOf: OfRow },
  by: string,
) {
  const components = await componentsByName(tx);
  const told = touched.flatMap((row) =>
    row.readings.map(({ component, raw, on }) => ({
      unit: unitOf(row),
      component: components.get(`${modelOf(row)}\n${folded(component)}`),
      raw,
      on,
    })),
  );
  const shape = z.object({ unit: z.string(), component: z.string(), raw: z.string() });
  return (await ask(tx, shape, PUT_READINGS, [JSON.stringify(told), by])).rows;
}

/** Whoever the sheet names and the club does not know yet, as members; by name. */
async function putNewcomers(
  tx: Tx,
  names: readonly string[],
): Promise<ReadonlyMap<string, string | undefined>> {
  const newcomers = new Map<string, string | undefined>();
  for (const name of names) {
    const values = { name, email: null, role: "member" as const, callSign: null, licence: null };
    newcomers.set(name, await putPerson(tx, undefined, values));
  }
  return newcomers;
}

async function lend(
  tx: Tx,
  touched: readonly PlannedRow[],
  unitOf: OfRow,
  newcomers: ReadonlyMap<string, string | undefined>,
  today: PlainDate,
) {
  const known = new Map([...newcomers].map(([name, id]) => [personKey(name), id]));
  const lent = touched.flatMap((row) => {
    if (!row.lendTo) return [];
    const { id, name } = row.lendTo;
    return [{ unit: unitOf(row), person: id ?? known.get(personKey(name)), name }];
  });
  if (lent.length === 0) return [];
  const shape = z.object({ unit: z.string(), name: z.string() });
  return (await ask(tx, shape, LEND, [JSON.stringify(lent), today])).rows;
}

/** The first day one of its readings was taken; the radio was there then. */
const earliest = (readings: PlannedRow["readings"]): PlainDate | undefined =>
  readings.flatMap((reading) => reading.on ?? []).sort()[0];

/** Names have become ids before: what counts as the same name is decided in one place, in core. */
const PUT_UNITS = `with sheet as (
    select * from jsonb_to_recordset($1::jsonb) as s(act text, unit bigint, model bigint, hardware bigint, place bigint,
      "group" bigint, tag text, region text, serial text, note text, "on" date)
  ), changed as (
    update unit u set
      model_id = coalesce(s.model, u.model_id),
      hardware_revision_id = coalesce(s.hardware, case when s.model <> u.model_id then null else u.hardware_revision_id end),
      region = coalesce(nullif(s.region, ''), u.region),
      serial = coalesce(nullif(s.serial, ''), u.serial),
      note = coalesce(nullif(s.note, ''), u.note),
      place_id = coalesce(s.place, u.place_id),
      group_id = coalesce(s."group", u.group_id)
    from sheet s
    where s.act = 'change' and u.club_id = current_club() and u.id = s.unit
    returning u.id
  ), added as (
    insert into unit (club_id, tag, model_id, hardware_revision_id, region, serial, note, place_id, group_id, slot, added_on)
    select current_club(), s.tag, s.model, s.hardware, nullif(s.region, ''), s.serial, s.note, s.place, s."group",
      1000 + row_number() over (order by lower(s.tag)), least($2::date, coalesce(s."on", $2::date))
    from sheet s where s.act = 'add'
    returning id, tag
  )
  select id, null added from changed union all select id, tag from added`;

const PUT_READINGS = `with told as (
    select * from jsonb_to_recordset($1::jsonb) as s(unit bigint, component bigint, raw text, "on" date)
  ), put as (
    insert into reading (club_id, unit_id, component_id, raw, source, read_at, read_by)
    select current_club(), s.unit, s.component, s.raw, 'hearsay', case when s."on" is not null then ${noonOf('s."on"')} end, $2
    from told s
    returning unit_id, component_id, raw
  )
  select p.unit_id unit, c.name component, p.raw from put p join component c on c.id = p.component_id`;

const LEND = `with told as (
    select * from jsonb_to_recordset($1::jsonb) as s(unit bigint, person bigint, name text)
  ), put as (
    insert into custody (club_id, unit_id, person_id, out_on) select current_club(), s.unit, s.person, $2::date from told s
    returning unit_id
  )
  select s.unit, s.name from told s join put on put.unit_id = s.unit`;

/** Makes the models with the components and the revisions that the sheet names; answers their ids by `modelKey`. */
async function makeModels(
  tx: Tx,
  models: readonly (NewModel & { readonly kind: string })[],
): Promise<{ made: Map<string, string>; added: Told[] }> {
  const made = new Map<string, string>();
  const added: Told[] = [];
  for (const { maker, name, kind, revisions, components } of models) {
    const { rows } = await ask(
      tx,
      idRow,
      "insert into model (club_id, maker, name, kind) values (current_club(), $1, $2, $3) returning id",
      [maker, name, kind],
    );
    const id = only(rows).id;
    await addParts(
      tx,
      id,
      components,
      revisions.map((revision) => ({ name: revision, tell: "", serials: [] })),
    );
    added.push({ entry: { kind: "model-added", name }, model: id });
    made.set(modelKey(maker, name), id);
  }
  return { made, added };
}

/** Makes the places or groups that the sheet names and the club does not have; answers the ids of all by their folded names. */
async function makeNames(
  tx: Tx,
  table: "place" | "unit_group",
  names: readonly string[],
): Promise<Map<string, string>> {
  const { rows } = await ask(
    tx,
    z.object({ id: z.string(), name: z.string() }),
    `select id, name from ${table} where shelved_at is null`,
  );
  const known = new Map(rows.map((row) => [folded(row.name), row.id]));
  const wanted = new Map(names.map((name) => [folded(name), name]));
  const extra = table === "place" ? ["kind", "'room'"] : ["policy", "$2::jsonb"];
  for (const [key, name] of wanted) {
    if (key === "" || known.has(key)) continue;
    const made = await ask(
      tx,
      idRow,
      `insert into ${table} (club_id, name, ${extra[0]}, position) values (current_club(), $1, ${extra[1]}, 1000) returning id`,
      table === "place" ? [name] : [name, JSON.stringify(PLAIN_POLICY)],
    );
    known.set(key, only(made.rows).id);
  }
  return known;
}

async function modelsOf(tx: Tx, units: readonly string[]): Promise<Map<string, string>> {
  const { rows } = await ask(
    tx,
    z.object({ id: z.string(), model_id: z.string() }),
    "select id, model_id from unit where id = any($1::bigint[])",
    [units],
  );
  return new Map(rows.map((row) => [row.id, row.model_id]));
}

/** Ids by the model's id and the folded name. */
const revisionsByName = (tx: Tx) => idsByName(tx, "hardware_revision");
const componentsByName = (tx: Tx) => idsByName(tx, "component");

async function idsByName(tx: Tx, table: "hardware_revision" | "component"): Promise<Map<string, string>> {
  const { rows } = await ask(
    tx,
    z.object({ id: z.string(), model_id: z.string(), name: z.string() }),
    `select id, model_id, name from ${table}`,
  );
  return new Map(rows.map((row) => [`${row.model_id}\n${folded(row.name)}`, row.id]));
}

// Statements for units from a spreadsheet: what is known, and putting a whole plan in at once.

import { PLAIN_POLICY } from "#core/firmware/policy.ts";
import {
  folded,
  type KnownClub,
  type KnownRow,
  modelKey,
  type PlannedRow,
  readingKey,
} from "#core/import/plan.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import { groupBy } from "#core/quantities/group.ts";
import { tell } from "./log.ts";
import { recompute } from "./needs.ts";
import type { Tx } from "./pool.ts";

type KnownUnitRow = {
  id: string;
  tag: string;
  model_id: string;
  hardware: string;
  region: string;
  serial: string;
  place: string;
  group_name: string;
  note: string;
};
type KnownReadingRow = { unit_id: string; raw: string; read_on: PlainDate };

export async function knownClub(tx: Tx): Promise<KnownClub> {
  const units = await tx.query<KnownUnitRow>(
    `select u.id, u.tag, u.model_id, coalesce(h.name, '') hardware, coalesce(u.region, '') region, u.serial,
       coalesce(p.name, '') place, coalesce(g.name, '') group_name, u.note
     from unit u
     left join hardware_revision h on h.club_id = u.club_id and h.id = u.hardware_revision_id
     left join place p on p.club_id = u.club_id and p.id = u.place_id
     left join unit_group g on g.club_id = u.club_id and g.id = u.group_id
     where u.shelved_at is null`,
  );
  const readings = await tx.query<KnownReadingRow>(
    `select r.unit_id, r.raw, (r.read_at at time zone (select time_zone from club))::date read_on
     from reading r join unit u on u.club_id = r.club_id and u.id = r.unit_id
     where r.component_id = (select c.id from component c where c.club_id = r.club_id and c.model_id = u.model_id order by c.position, c.id limit 1)
     order by r.read_at desc, r.id desc`,
  );
  const byUnit = groupBy(readings.rows, (row) => row.unit_id);
  const models = await tx.query<{ id: string; maker: string; name: string; revisions: string[] }>(
    `select m.id, m.maker, m.name, array(select h.name from hardware_revision h where h.club_id = m.club_id and h.model_id = m.id) revisions
     from model m where m.shelved_at is null`,
  );
  const byName = groupBy(models.rows, (row) => folded(row.name));
  const known = new Map(
    models.rows.map((row) => [modelKey(row.maker, row.name), { id: row.id, revisions: row.revisions }]),
  );
  for (const rows of byName.values()) {
    const [only] = rows;
    if (rows.length === 1 && only)
      known.set(modelKey("", only.name), { id: only.id, revisions: only.revisions });
  }
  return {
    models: known,
    units: new Map(
      units.rows.map((row): [string, KnownRow] => {
        const own = byUnit.get(row.id) ?? [];
        return [
          folded(row.tag),
          {
            model: row.model_id,
            hardware: row.hardware,
            region: row.region,
            serial: row.serial,
            place: row.place,
            group: row.group_name,
            note: row.note,
            newest: own[0]?.raw ?? "",
            readings: new Set(own.map((r) => readingKey(r.raw, r.read_on))),
          },
        ];
      }),
    ),
  };
}

export type Brought = { readonly added: number; readonly changed: number; readonly readings: number };

/** Puts the rows in, models, places and groups first, then units, then readings, then their needs. All or nothing. */
export async function bringIn(
  tx: Tx,
  rows: readonly PlannedRow[],
  options: {
    file: string;
    today: PlainDate;
    by: string;
    newModels: readonly { maker: string; name: string; kind: string }[];
  },
): Promise<Brought> {
  await makeModels(tx, options.newModels);
  await makeNames(
    tx,
    "place",
    rows.map((r) => r.values.place),
  );
  await makeNames(
    tx,
    "unit_group",
    rows.map((r) => r.values.group),
  );
  const touched = rows.filter((row) => row.act === "add" || row.act === "change");
  const payload = JSON.stringify(
    touched.map(({ values, reading, act }) => ({
      ...values,
      act,
      raw: reading?.raw,
      on: reading?.on,
      key: modelKey(values.maker, values.model),
    })),
  );
  const units = await tx.query<{ id: string }>(`${SHEET} ${PUT_UNITS}`, [payload, options.today]);
  const readings = await tx.query(`${SHEET} ${PUT_READINGS}`, [payload, options.today, options.by]);
  const added = touched.filter((row) => row.act === "add").length;
  const brought = { added, changed: touched.length - added, readings: readings.rowCount ?? 0 };
  await tell(tx, { kind: "units-imported", file: options.file, ...brought });
  await recompute(tx, { of: "units", ids: units.rows.map((row) => row.id) });
  return brought;
}

/** The sheet as a table, each row with the model it means: by maker and name, or by a name that only one model has. */
const SHEET = `with sheet as (
    select s.*, lower(btrim(s.tag)) tag_key, coalesce(
      (select m.id from model m where m.shelved_at is null and lower(m.name) = lower(s.model) and lower(m.maker) = lower(s.maker)),
      (select min(m.id) from model m where m.shelved_at is null and lower(m.name) = lower(s.model) and s.maker = '' having count(*) = 1)) model_id
    from jsonb_to_recordset($1::jsonb) as s(tag text, maker text, model text, hardware text, region text, serial text, place text,
      "group" text, note text, act text, raw text, "on" date)
  )`;

const PUT_UNITS = `, changed as (
    update unit u set
      model_id = coalesce(s.model_id, u.model_id),
      hardware_revision_id = case when s.hardware <> '' then h.id when s.model_id <> u.model_id then null else u.hardware_revision_id end,
      region = coalesce(nullif(s.region, ''), u.region),
      serial = coalesce(nullif(s.serial, ''), u.serial),
      note = coalesce(nullif(s.note, ''), u.note),
      place_id = coalesce(p.id, u.place_id),
      group_id = coalesce(g.id, u.group_id)
    from sheet s
    join unit v on v.shelved_at is null and lower(v.tag) = s.tag_key
    left join hardware_revision h on h.model_id = coalesce(s.model_id, v.model_id) and lower(h.name) = lower(s.hardware)
    left join place p on p.shelved_at is null and lower(p.name) = lower(s.place)
    left join unit_group g on g.shelved_at is null and lower(g.name) = lower(s."group")
    where s.act = 'change' and u.club_id = v.club_id and u.id = v.id
    returning u.id
  ), added as (
    insert into unit (club_id, tag, model_id, hardware_revision_id, region, serial, note, place_id, group_id, slot, added_on)
    select current_club(), s.tag, s.model_id, h.id, nullif(s.region, ''), s.serial, s.note, p.id, g.id,
      1000 + row_number() over (order by s.tag_key), least($2::date, coalesce(s."on", $2::date))
    from sheet s
    left join hardware_revision h on h.model_id = s.model_id and lower(h.name) = lower(s.hardware)
    left join place p on p.shelved_at is null and lower(p.name) = lower(s.place)
    left join unit_group g on g.shelved_at is null and lower(g.name) = lower(s."group")
    where s.act = 'add'
    returning id, tag
  ), told as (
    insert into log (club_id, person_id, kind, unit_id, detail)
    select current_club(), nullif(current_setting('mossy.person', true), '0')::bigint, 'unit-added', id,
      jsonb_build_object('tag', tag, 'how', 'import') from added
  )
  select id from changed union all select id from added`;

const PUT_READINGS = `, put as (
    insert into reading (club_id, unit_id, component_id, raw, source, read_at, read_by)
    select current_club(), u.id, c.id, s.raw, 'hearsay',
      least(now(), (s."on" + time '12:00') at time zone (select time_zone from club)), $3
    from sheet s
    join unit u on u.shelved_at is null and lower(u.tag) = s.tag_key
    join lateral (select id from component where model_id = u.model_id order by position, id limit 1) c on true
    where s.raw is not null and $2::date is not null
    returning unit_id, component_id, raw
  )
  insert into log (club_id, person_id, kind, unit_id, detail)
  select current_club(), $3, 'reading', p.unit_id, jsonb_build_object('component', c.name, 'raw', p.raw, 'source', 'hearsay')
  from put p join component c on c.id = p.component_id`;

async function makeModels(
  tx: Tx,
  models: readonly { maker: string; name: string; kind: string }[],
): Promise<void> {
  for (const { maker, name, kind } of models) {
    const { rows } = await tx.query<{ id: string }>(
      "insert into model (club_id, maker, name, kind) values (current_club(), $1, $2, $3) returning id",
      [maker, name, kind],
    );
    await tx.query("insert into component (club_id, model_id, name) values (current_club(), $1, 'main')", [
      rows[0]?.id,
    ]);
    await tell(tx, { kind: "model-added", name }, { model: rows[0]?.id });
  }
}

/** Places and groups that the sheet names and the club does not have. */
async function makeNames(tx: Tx, table: "place" | "unit_group", names: readonly string[]): Promise<void> {
  const wanted = [...new Map(names.filter((n) => n !== "").map((n) => [folded(n), n])).values()];
  if (wanted.length === 0) return;
  const extra = table === "place" ? ["kind", "'room'"] : ["policy", "$2::jsonb"];
  await tx.query(
    `insert into ${table} (club_id, name, ${extra[0]}, position)
     select current_club(), w.name, ${extra[1]}, 1000 from unnest($1::text[]) w(name)
     where not exists (select from ${table} t where t.shelved_at is null and lower(t.name) = lower(w.name))`,
    table === "place" ? [wanted] : [wanted, JSON.stringify(PLAIN_POLICY)],
  );
}

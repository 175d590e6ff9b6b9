// Statements about units: one physical radio each, known by its tag.

import { z } from "zod";
import { type PlainDate, plainDate } from "#core/quantities/index.ts";
import { UNIT_COLUMNS, unitValues, type WrittenUnit } from "#core/unit/index.ts";
import { ask, askAtOnce, idRow, nameRow } from "../ask.ts";
import type { Tx } from "../pool.ts";

export const unitRow = z.object({
  id: z.string(),
  tag: z.string(),
  model_id: z.string(),
  /** Of the model's catalogue as it stands now. */
  catalogue_stamp: z.string(),
  model: z.string(),
  maker: z.string(),
  hardware_revision_id: z.string().nullable(),
  hardware_revision: z.string().nullable(),
  region: z.string().nullable(),
  serial: z.string(),
  note: z.string(),
  group_id: z.string().nullable(),
  group_name: z.string().nullable(),
  place_id: z.string().nullable(),
  place: z.string().nullable(),
  slot: z.number(),
  added_on: plainDate,
  hold_until: plainDate.nullable(),
  hold_why: z.string().nullable(),
  shelved_at: z.date().nullable(),
  holder_id: z.string().nullable(),
  holder: z.string().nullable(),
  out_on: plainDate.nullable(),
  due_back: plainDate.nullable(),
});
export type UnitRow = z.output<typeof unitRow>;

const UNIT = `select u.id, u.tag, u.model_id, m.catalogue_stamp, m.name model, m.maker, u.hardware_revision_id, h.name hardware_revision, u.region,
    u.serial, u.note, u.group_id, g.name group_name, u.place_id, p.name place, u.slot, u.added_on, u.hold_until, u.hold_why,
    u.shelved_at, c.person_id holder_id, w.name holder, c.out_on, c.due_back
  from unit u
  join model m on m.club_id = u.club_id and m.id = u.model_id
  left join hardware_revision h on h.club_id = u.club_id and h.id = u.hardware_revision_id
  left join unit_group g on g.club_id = u.club_id and g.id = u.group_id
  left join place p on p.club_id = u.club_id and p.id = u.place_id
  left join custody c on c.club_id = u.club_id and c.unit_id = u.id and c.back_on is null
  left join person w on w.club_id = c.club_id and w.id = c.person_id`;

/** The unit that goes by a tag now; a shelved one only if no other has taken its tag; else the last that had it. */
export async function unitByTag(tx: Tx, tag: string): Promise<UnitRow | undefined> {
  const { rows } = await ask(
    tx,
    unitRow,
    `${UNIT} where lower(u.tag) = lower($1) order by u.shelved_at desc nulls first limit 1`,
    [tag],
  );
  if (rows[0]) return rows[0];
  const former = await ask(
    tx,
    unitRow,
    `${UNIT} join former_tag f on f.club_id = u.club_id and f.unit_id = u.id
     where lower(f.tag) = lower($1) order by f.id desc limit 1`,
    [tag],
  );
  return former.rows[0];
}

export async function unitById(tx: Tx, id: string): Promise<UnitRow | undefined> {
  const { rows } = await ask(tx, unitRow, `${UNIT} where u.id = $1`, [id]);
  return rows[0];
}

/** The tags that a unit had before, the last one first; not one that it has again. */
export async function formerTags(tx: Tx, unit: string): Promise<string[]> {
  const { rows } = await ask(
    tx,
    z.object({ tag: z.string() }),
    `select f.tag from former_tag f join unit u on u.club_id = f.club_id and u.id = f.unit_id
     where f.unit_id = $1 and lower(f.tag) <> lower(u.tag) group by f.tag order by max(f.id) desc`,
    [unit],
  );
  return rows.map((row) => row.tag);
}

/** All units of the wall, in the order of places and slots. */
export async function wallUnits(tx: Tx): Promise<UnitRow[]> {
  const { rows } = await ask(
    tx,
    unitRow,
    `${UNIT} where u.shelved_at is null order by p.position, p.name, u.slot, u.tag collate natural_order`,
  );
  return rows;
}

export const drawerRow = unitRow
  .pick({
    id: true,
    tag: true,
    model_id: true,
    model: true,
    group_name: true,
    place: true,
    hold_until: true,
    holder_id: true,
    holder: true,
    due_back: true,
  })
  .extend({ at_bench: z.boolean() });
export type DrawerRow = z.output<typeof drawerRow>;

/** The same in short: what the wall shows of each. */
export const drawersOfWall = (tx: Tx): Promise<DrawerRow[]> =>
  askAtOnce(
    tx,
    drawerRow,
    `select u.id::text, u.tag, u.model_id::text, m.name model, g.name group_name, p.name place, u.hold_until,
       c.person_id::text holder_id, w.name holder, c.due_back,
       exists (select from run r where r.club_id = u.club_id and r.unit_id = u.id and r.ended_at is null) at_bench
     from unit u
     join model m on m.club_id = u.club_id and m.id = u.model_id
     left join unit_group g on g.club_id = u.club_id and g.id = u.group_id
     left join place p on p.club_id = u.club_id and p.id = u.place_id
     left join custody c on c.club_id = u.club_id and c.unit_id = u.id and c.back_on is null
     left join person w on w.club_id = c.club_id and w.id = c.person_id
     where u.shelved_at is null order by p.position, p.name, u.slot, u.tag collate natural_order`,
    [],
  );

export async function lockUnit(tx: Tx, id: string): Promise<void> {
  await tx.query("select from unit where id = $1 for no key update", [id]);
}

const PLACES = UNIT_COLUMNS.map((_, i) => `$${i + 1}`).join(", ");
const PLACE = UNIT_COLUMNS.indexOf("place_id") + 1;

export async function addUnit(tx: Tx, unit: WrittenUnit, addedOn: PlainDate): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    `insert into unit (club_id, ${UNIT_COLUMNS.join(", ")}, slot, added_on)
     values (current_club(), ${PLACES},
       coalesce((select max(slot) + 1 from unit where place_id is not distinct from $${PLACE}), 0), $${UNIT_COLUMNS.length + 1})
     returning id`,
    [...unitValues(unit), addedOn],
  );
  const id = rows[0]?.id;
  if (!id) throw new Error("the unit was not added");
  return id;
}

export const changeUnit = (tx: Tx, id: string, unit: WrittenUnit) =>
  tx.query(
    `update unit set (${UNIT_COLUMNS.join(", ")}) = row(${PLACES}) where id = $${UNIT_COLUMNS.length + 1}`,
    [...unitValues(unit), id],
  );

/** False if that was noted already. */
export async function setHardware(tx: Tx, id: string, revision: string): Promise<boolean> {
  const { rowCount } = await tx.query(
    "update unit set hardware_revision_id = $2 where id = $1 and hardware_revision_id is distinct from $2",
    [id, revision],
  );
  return rowCount === 1;
}

/** Answers the units whose hold is another now: not those that had it just so, nor those that are not there. */
export async function setHold(
  tx: Tx,
  ids: readonly string[],
  hold: { until: PlainDate; why: string } | null,
): Promise<string[]> {
  const { rows } = await ask(
    tx,
    idRow,
    `update unit set hold_until = $2, hold_why = $3
     where id = any($1::bigint[]) and shelved_at is null
       and (hold_until, hold_why) is distinct from ($2::date, $3::text) returning id`,
    [ids, hold?.until ?? null, hold?.why ?? null],
  );
  return rows.map((row) => row.id);
}

/** False if it was so already. */
export async function shelveUnit(tx: Tx, id: string, shelved: boolean): Promise<boolean> {
  const { rowCount } = await tx.query(
    "update unit set shelved_at = case when $2 then now() end where id = $1 and (shelved_at is null) = $2",
    [id, shelved],
  );
  return rowCount === 1;
}

export async function lendUnit(
  tx: Tx,
  unit: string,
  loan: { person: string; outOn: PlainDate; dueBack: PlainDate | null; note: string },
): Promise<void> {
  await tx.query(
    `insert into custody (club_id, unit_id, person_id, out_on, due_back, note) values (current_club(), $1, $2, $3, $4, $5)`,
    [unit, loan.person, loan.outOn, loan.dueBack, loan.note],
  );
}

/** Takes a unit back; undefined if nobody had it. Answers who had it. */
export async function takeBack(tx: Tx, unit: string, on: PlainDate): Promise<string | undefined> {
  const { rows } = await ask(
    tx,
    nameRow,
    `update custody c set back_on = greatest($2::date, c.out_on) from person p
     where c.unit_id = $1 and c.back_on is null and p.club_id = c.club_id and p.id = c.person_id returning p.name`,
    [unit, on],
  );
  return rows[0]?.name;
}

/** The units that somebody has now. */
export async function heldBy(tx: Tx, person: string): Promise<string[]> {
  const { rows } = await ask(
    tx,
    idRow,
    "select unit_id id from custody where person_id = $1 and back_on is null order by unit_id",
    [person],
  );
  return rows.map(({ id }) => id);
}

export const custodyRow = z.object({
  name: z.string(),
  out_on: plainDate,
  due_back: plainDate.nullable(),
  back_on: plainDate.nullable(),
  note: z.string(),
});
export type CustodyRow = z.output<typeof custodyRow>;

export async function custodyOf(tx: Tx, unit: string): Promise<CustodyRow[]> {
  const { rows } = await ask(
    tx,
    custodyRow,
    `select p.name, c.out_on, c.due_back, c.back_on, c.note from custody c
     join person p on p.club_id = c.club_id and p.id = c.person_id
     where c.unit_id = $1 order by c.out_on desc, c.id desc`,
    [unit],
  );
  return rows;
}

/** How many of some models there are that are not shelved. */
export async function unitsByModel(
  tx: Tx,
  models: readonly string[],
): Promise<{ readonly model: string; readonly units: number }[]> {
  const { rows } = await ask(
    tx,
    z.object({ model: z.string(), units: z.number() }),
    "select model_id model, count(*)::int units from unit where shelved_at is null and model_id = any($1::bigint[]) group by 1 order by 1",
    [models],
  );
  return rows;
}

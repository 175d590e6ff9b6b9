// What the club has already, as the plan of a sheet compares it with.

import { z } from "zod";
import { folded, type KnownClub, type KnownReadings, type KnownRow, readingKey } from "#core/import/index.ts";
import { groupBy, plainDate } from "#core/quantities/index.ts";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

const knownUnitRow = z.object({
  id: z.string(),
  tag: z.string(),
  model_id: z.string(),
  hardware: z.string(),
  region: z.string(),
  serial: z.string(),
  place: z.string(),
  group_name: z.string(),
  note: z.string(),
  holder: z.string().nullable(),
});
const knownReadingRow = z.object({
  unit_id: z.string(),
  component_id: z.string(),
  raw: z.string(),
  read_on: plainDate.nullable(),
  struck: z.boolean(),
});
type KnownReadingRow = z.output<typeof knownReadingRow>;

/** What the club has, with the readings of those radios that a sheet names. */
export async function knownClub(tx: Tx, tags: ReadonlySet<string>): Promise<KnownClub> {
  const units = await ask(
    tx,
    knownUnitRow,
    `select u.id, u.tag, u.model_id, coalesce(h.name, '') hardware, coalesce(u.region, '') region, u.serial,
       coalesce(p.name, '') place, coalesce(g.name, '') group_name, u.note, w.name holder
     from unit u
     left join custody k on k.club_id = u.club_id and k.unit_id = u.id and k.back_on is null
     left join person w on w.club_id = k.club_id and w.id = k.person_id
     left join hardware_revision h on h.club_id = u.club_id and h.id = u.hardware_revision_id
     left join place p on p.club_id = u.club_id and p.id = u.place_id
     left join unit_group g on g.club_id = u.club_id and g.id = u.group_id
     where u.shelved_at is null`,
  );
  const named = units.rows.filter((row) => tags.has(folded(row.tag)));
  const byUnit = await readingsOf(
    tx,
    named.map((row) => row.id),
  );
  const components = await ask(
    tx,
    z.object({ id: z.string(), model_id: z.string(), name: z.string() }),
    "select id, model_id, name from component",
  );
  const componentsOf = groupBy(components.rows, (row) => row.model_id);
  const known = (row: z.output<typeof knownUnitRow>): KnownRow => ({
    id: row.id,
    model: row.model_id,
    hardware: row.hardware,
    region: row.region,
    serial: row.serial,
    place: row.place,
    group: row.group_name,
    note: row.note,
    ...(row.holder !== null && { holder: row.holder }),
    read: readByComponent(byUnit.get(row.id) ?? [], componentsOf.get(row.model_id) ?? []),
  });
  return {
    ...(await knownNames(tx)),
    units: new Map(units.rows.map((row) => [folded(row.tag), known(row)])),
  };
}

/**
 * Readings of these radios, the newest first. By themselves, and not joined: just after a large sheet PostgreSQL still counts on a
 * small club, and would go through all radios for each reading.
 */
async function readingsOf(tx: Tx, units: readonly string[]) {
  const { rows } = await ask(
    tx,
    knownReadingRow,
    `select unit_id, component_id, raw, (read_at at time zone (select time_zone from club))::date read_on,
       struck_at is not null struck
     from reading where unit_id = any($1::bigint[]) order by placed_at desc, id desc`,
    [units],
  );
  return groupBy(rows, (row) => row.unit_id);
}

/** Models and people by their names, and radios by the tags that they had before. */
async function knownNames(tx: Tx): Promise<Pick<KnownClub, "models" | "people" | "renamed">> {
  const people = await ask(
    tx,
    z.object({ id: z.string(), name: z.string() }),
    "select id, name from person where shelved_at is null",
  );
  const former = await ask(
    tx,
    z.object({ tag: z.string(), now: z.string() }),
    `select f.tag, u.tag now from former_tag f join unit u on u.club_id = f.club_id and u.id = f.unit_id
     where u.shelved_at is null order by f.id`,
  );
  const models = await ask(
    tx,
    z.object({
      id: z.string(),
      maker: z.string(),
      name: z.string(),
      revisions: z.array(z.string()),
      components: z.array(z.string()),
    }),
    `select m.id, m.maker, m.name, array(select h.name from hardware_revision h where h.club_id = m.club_id and h.model_id = m.id) revisions,
       array(select c.name from component c where c.club_id = m.club_id and c.model_id = m.id order by c.position, c.id) components
     from model m where m.shelved_at is null`,
  );
  return {
    models: models.rows,
    people: people.rows,
    renamed: new Map(former.rows.map(({ tag, now }) => [folded(tag), now])),
  };
}

/** What was read of each part that the radio's model has, by the part's folded name. */
function readByComponent(
  newestFirst: readonly KnownReadingRow[],
  components: readonly { id: string; name: string }[],
): Map<string, KnownReadings> {
  const names = new Map(components.map(({ id, name }) => [id, folded(name)]));
  const own = newestFirst.flatMap((row) => {
    const component = names.get(row.component_id);
    return component === undefined ? [] : [{ ...row, component }];
  });
  return new Map(
    [...groupBy(own, (row) => row.component)].map(([component, read]) => [
      component,
      {
        newest: read.find((r) => !r.struck)?.raw ?? "",
        all: new Set(read.map((r) => readingKey(r.raw, r.read_on ?? undefined))),
      },
    ]),
  );
}

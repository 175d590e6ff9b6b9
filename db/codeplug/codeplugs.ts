// Statements about what is programmed into radios: the line of a radio's codeplugs, the last of each, and how they stand to the plan.
import { createHash } from "node:crypto";
import { z } from "zod";
import {
  type CodeplugChannel,
  type CodeplugLists,
  canonical,
  codeplugChannel,
  codeplugLists,
} from "#core/codeplug/index.ts";
import { ask, idRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

export const CODEPLUG_SOURCES = ["read", "written", "restored", "brought", "made", "erased"] as const;
export type CodeplugSource = (typeof CODEPLUG_SOURCES)[number];

/** What a table is told by. */
export const sumOf = (channels: readonly CodeplugChannel[]): string =>
  createHash("sha256").update(canonical(channels)).digest("hex");

const headRow = z.object({
  id: z.string(),
  unit_id: z.string(),
  tag: z.string(),
  model_id: z.string(),
  source: z.enum(CODEPLUG_SOURCES),
  name: z.string(),
  parent_id: z.string().nullable(),
  backup_id: z.string().nullable(),
  run_id: z.string().nullable(),
  /** The revision of the plan that it is, by its number; null: of none. */
  plan: z.number().nullable(),
  sum: z.string().nullable(),
  count: z.number().nullable(),
  at: z.date(),
  by: z.string(),
});
export type CodeplugHead = z.output<typeof headRow>;
const wholeRow = headRow.extend({ channels: z.array(codeplugChannel).nullable(), lists: codeplugLists });
export type CodeplugRow = z.output<typeof wholeRow>;

const HEAD = `c.id, c.unit_id, u.tag, u.model_id, c.source, c.name, c.parent_id, c.backup_id, c.run_id, c.sum, c.at, p.name "by",
  jsonb_array_length(c.channels) count,
  (select max(l.number) from plan_table t join channel_plan l on l.club_id = t.club_id and l.id = t.plan_id
   where t.club_id = c.club_id and t.sum = c.sum and t.model_id = u.model_id) plan`;
const FROM = `from codeplug c join unit u on u.club_id = c.club_id and u.id = c.unit_id
  join person p on p.club_id = c.club_id and p.id = c.person_id`;

/** The line of a radio through time, the last one first. */
export async function codeplugsOf(tx: Tx, unit: string, most: number): Promise<CodeplugHead[]> {
  const { rows } = await ask(
    tx,
    headRow,
    `select ${HEAD} ${FROM} where c.unit_id = $1 order by c.at desc, c.id desc limit $2`,
    [unit, most],
  );
  return rows;
}

export async function codeplugById(tx: Tx, id: string): Promise<CodeplugRow | undefined> {
  const { rows } = await ask(tx, wholeRow, `select ${HEAD}, c.channels, c.lists ${FROM} where c.id = $1`, [
    id,
  ]);
  return rows[0];
}

/** What is in a radio, as far as anybody knows; undefined: nobody does. */
export async function codeplugNow(tx: Tx, unit: string): Promise<CodeplugRow | undefined> {
  const { rows } = await ask(
    tx,
    wholeRow,
    `select ${HEAD}, c.channels, c.lists ${FROM}
     join codeplug_now n on n.club_id = c.club_id and n.codeplug_id = c.id where n.unit_id = $1`,
    [unit],
  );
  return rows[0];
}

export type NewCodeplug = {
  readonly unit: string;
  readonly source: CodeplugSource;
  readonly name: string;
  readonly by: string;
  readonly parent?: string | undefined;
  readonly planTable?: string | undefined;
  readonly backup?: string | undefined;
  readonly run?: string | undefined;
  /** Absent: nobody knows which. */
  readonly channels?: readonly CodeplugChannel[] | undefined;
  readonly lists?: CodeplugLists | undefined;
  /** Absent: now. */
  readonly at?: string;
};

/** Adds one to the line of a radio. The last one is what is in it, but for one that was only made. */
export async function addCodeplug(tx: Tx, one: NewCodeplug): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    `with added as (
       insert into codeplug (club_id, unit_id, source, name, parent_id, plan_table_id, backup_id, run_id, channels, sum, lists, person_id, at)
       values (current_club(), $1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, coalesce($12::timestamptz, now())) returning *),
     last as (
       insert into codeplug_now (club_id, unit_id, codeplug_id, sum, at) select club_id, unit_id, id, sum, at from added where source <> 'made'
       on conflict (club_id, unit_id) do update set codeplug_id = excluded.codeplug_id, sum = excluded.sum, at = excluded.at
         where codeplug_now.at <= excluded.at)
     select id from added`,
    [
      ...[one.unit, one.source, one.name.slice(0, 200), one.parent ?? null, one.planTable ?? null],
      ...[one.backup ?? null, one.run ?? null, one.channels ? JSON.stringify(one.channels) : null],
      ...[one.channels ? sumOf(one.channels) : null, JSON.stringify(one.lists ?? {}), one.by, one.at ?? null],
    ],
  );
  return only(rows).id;
}

/** What a run wrote was read again and is the same: its channels are known now. False: it wrote none. */
export async function proveCodeplug(
  tx: Tx,
  run: string,
  channels: readonly CodeplugChannel[],
  lists: CodeplugLists,
): Promise<boolean> {
  const { rowCount } = await tx.query(
    `with proved as (
       update codeplug set channels = $2, sum = $3, lists = $4
       where id = (select id from codeplug where run_id = $1 and source in ('written', 'restored') order by at desc, id desc limit 1)
       returning *)
     update codeplug_now n set sum = p.sum from proved p where n.club_id = p.club_id and n.codeplug_id = p.id`,
    [run, JSON.stringify(channels), sumOf(channels), JSON.stringify(lists)],
  );
  return rowCount === 1;
}

/** What was in a radio before a run; undefined: nobody knew. */
export async function codeplugBefore(tx: Tx, unit: string, run: string): Promise<CodeplugRow | undefined> {
  const { rows } = await ask(
    tx,
    wholeRow,
    `select ${HEAD}, c.channels, c.lists ${FROM} where c.unit_id = $1 and c.run_id is distinct from $2 and c.source <> 'made'
     order by c.at desc, c.id desc limit 1`,
    [unit, run],
  );
  return rows[0];
}

/** What is known of the channels in a backup. */
export async function codeplugOfBackup(tx: Tx, backup: string): Promise<CodeplugRow | undefined> {
  const { rows } = await ask(
    tx,
    wholeRow,
    `select ${HEAD}, c.channels, c.lists ${FROM} where c.backup_id = $1 and c.channels is not null order by c.id desc limit 1`,
    [backup],
  );
  return rows[0];
}

/** How many radios of a model carry which revision of the plan in which mode. */
const carriedRow = z.object({
  model_id: z.string(),
  plan: z.number(),
  /** Absent: nobody said. */
  mode_id: z.string().nullable(),
  units: z.number(),
  /** Of some of them, in order. */
  tags: z.array(z.string()),
});
export type CarriedRow = z.output<typeof carriedRow>;

/** Tags are told of so many at most. */
export const MOST_TAGS = 24;

/** Who carries what: kept counts (`carrying_count`), and some of the tags. */
export async function carried(tx: Tx): Promise<CarriedRow[]> {
  const { rows } = await ask(
    tx,
    carriedRow,
    `select c.model_id, c.plan, nullif(c.mode_id, 0) mode_id, c.units, array(
       select t.tag from carrying t where t.club_id = c.club_id and t.model_id = c.model_id and t.plan = c.plan and t.mode_id = c.mode_id
       order by t.tag collate natural_order limit ${MOST_TAGS}) tags
     from carrying_count c where c.units > 0 order by c.model_id, c.plan desc, c.mode_id`,
  );
  return rows;
}

const knownNowRow = z.object({ id: z.string(), tag: z.string(), model: z.string(), name: z.string() });

/** What is in radios, where its channels are known: of one, or of all in the order of their tags. */
export async function knownNow(
  tx: Tx,
  unit: string | undefined,
  most: number,
): Promise<z.output<typeof knownNowRow>[]> {
  const { rows } = await ask(
    tx,
    knownNowRow,
    `select c.id, u.tag, m.name model, c.name from codeplug_now n
     join codeplug c on c.club_id = n.club_id and c.id = n.codeplug_id
     join unit u on u.club_id = n.club_id and u.id = n.unit_id and u.shelved_at is null
     join model m on m.club_id = u.club_id and m.id = u.model_id
     where n.sum is not null and ($1::bigint is null or n.unit_id = $1) order by u.tag collate natural_order limit $2`,
    [unit ?? null, most],
  );
  return rows;
}

const carrierRow = z.object({ tag: z.string(), model: z.string(), channels: z.array(codeplugChannel) });

/** Radios that carry a channel: by a part of its name, or where it receives or transmits, in hertz. */
export async function carriersOf(
  tx: Tx,
  asked: { readonly name?: string; readonly frequency?: number },
  most: number,
): Promise<z.output<typeof carrierRow>[]> {
  const { rows } = await ask(
    tx,
    carrierRow,
    `select u.tag, m.name model, hit.channels from codeplug_now n
     join codeplug c on c.club_id = n.club_id and c.id = n.codeplug_id
     join unit u on u.club_id = n.club_id and u.id = n.unit_id and u.shelved_at is null
     join model m on m.club_id = u.club_id and m.id = u.model_id
     cross join lateral (select jsonb_agg(ch order by (ch->>'position')::int) channels from jsonb_array_elements(c.channels) ch
       where ($1::text is null or position(lower($1) in lower(ch->>'name')) > 0)
         and ($2::bigint is null or (ch->>'receive')::bigint = $2 or (ch->>'transmit')::bigint = $2)) hit
     where c.channels is not null and hit.channels is not null order by u.tag collate natural_order limit $3`,
    [asked.name ?? null, asked.frequency ?? null, most],
  );
  return rows;
}

const lackingRow = z.object({ n: z.number(), tags: z.array(z.string()) });

/** Radios of groups that carry the plan which have another table than their model's: how many, and some of their tags. */
export async function radiosWithout(
  tx: Tx,
  tables: readonly { readonly model: string; readonly sum: string }[],
  most: number,
): Promise<z.output<typeof lackingRow>> {
  const { rows } = await ask(
    tx,
    lackingRow,
    `select count(*)::int n, coalesce((array_agg(u.tag order by u.tag collate natural_order))[1:$3], '{}') tags
     from unit u join unit_group g on g.club_id = u.club_id and g.id = u.group_id and g.policy ->> 'codeplug' = 'plan'
     join unnest($1::bigint[], $2::text[]) w(model_id, sum) on w.model_id = u.model_id
     left join codeplug_now n on n.club_id = u.club_id and n.unit_id = u.id
     where u.shelved_at is null and n.sum is distinct from w.sum`,
    [tables.map(({ model }) => model), tables.map(({ sum }) => sum), most],
  );
  return rows[0] ?? { n: 0, tags: [] };
}

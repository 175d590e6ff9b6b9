// Statements about models: what is known of each kind of radio.

import { z } from "zod";
import { serialRangeShape } from "#core/dossier/index.ts";
import { RELEASE_COLUMNS, type ReleaseRow, releaseRow } from "#core/release/index.ts";
import type { Numbering } from "#core/version/index.ts";
import { ask, idRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

export const modelRow = z.object({
  id: z.string(),
  maker: z.string(),
  name: z.string(),
  kind: z.enum(["handheld", "mobile", "base", "module"]),
  note: z.string(),
  suffixes: z.array(z.string()),
  units: z.number(),
  due: z.number(),
  components: z.array(z.string()),
  releases: z.number(),
});
export type ModelRow = z.output<typeof modelRow>;

/** All models with how many units there are, and how many of them have something due. */
export async function models(tx: Tx, today: string): Promise<ModelRow[]> {
  const { rows } = await ask(
    tx,
    modelRow,
    `select m.id, m.maker, m.name, m.kind, m.note, m.suffixes,
       (select count(*)::int from unit u where u.club_id = m.club_id and u.model_id = m.id and u.shelved_at is null) units,
       (select count(distinct n.unit_id)::int from unit u join need n on n.club_id = u.club_id and n.unit_id = u.id
        where u.club_id = m.club_id and u.model_id = m.id and u.shelved_at is null
          and n.due_from <= $1 and (n.due_to is null or n.due_to > $1)) due,
       array(select c.name from component c where c.club_id = m.club_id and c.model_id = m.id order by c.position) components,
       (select count(*)::int from release r join component c on c.club_id = r.club_id and c.id = r.component_id
        where c.club_id = m.club_id and c.model_id = m.id and r.shelved_at is null) releases
     from model m where m.shelved_at is null order by m.kind, m.name collate natural_order`,
    [today],
  );
  return rows;
}

export const modelHead = z.object({
  id: z.string(),
  maker: z.string(),
  name: z.string(),
  kind: z.string(),
  note: z.string(),
  suffixes: z.array(z.string()),
  /** Why no backup is wanted before a flash that erases nothing; empty: one is. */
  no_backup_why: z.string(),
});
export type ModelHead = z.output<typeof modelHead>;

export async function modelById(tx: Tx, id: string): Promise<ModelHead | undefined> {
  const { rows } = await ask(
    tx,
    modelHead,
    "select id, maker, name, kind, note, suffixes, no_backup_why from model where id = $1 and shelved_at is null",
    [id],
  );
  return rows[0];
}

/** The id of the model of a maker and name, in any case of letters. */
export async function modelByName(tx: Tx, maker: string, name: string): Promise<string | undefined> {
  const { rows } = await ask(
    tx,
    idRow,
    "select id from model where lower(maker) = lower($1) and lower(name) = lower($2) and shelved_at is null",
    [maker, name],
  );
  return rows[0]?.id;
}

export const revisionRow = z.object({
  id: z.string(),
  name: z.string(),
  how_to_tell: z.string(),
  serials: z.array(serialRangeShape),
});
export type RevisionRow = z.output<typeof revisionRow>;

export async function revisionsOf(tx: Tx, model: string): Promise<RevisionRow[]> {
  const { rows } = await ask(
    tx,
    revisionRow,
    "select id, name, how_to_tell, serials from hardware_revision where model_id = $1 order by name collate natural_order",
    [model],
  );
  return rows;
}

/** The releases of a model, newest first; `stored`: the club keeps the file itself. */
export async function releasesOf(tx: Tx, model: string): Promise<(ReleaseRow & { stored: boolean })[]> {
  const { rows } = await ask(
    tx,
    releaseRow.extend({
      stored: z.boolean(),
    }),
    `select ${RELEASE_COLUMNS.join(", ")}, exists (select from file f where f.club_id = release.club_id and f.sha256 = file_sha256) stored
     from release where shelved_at is null and component_id in (select id from component where model_id = $1) order by released_on desc, id desc`,
    [model],
  );
  return rows;
}

/** Without a numbering what was confirmed is taken back. */
export const confirmNumbering = (tx: Tx, component: string, numbering: Numbering | null, by: string) =>
  tx.query(
    `update component set numbering = $2, numbering_by = case when $2::jsonb is null then null else $3::bigint end,
       numbering_at = case when $2::jsonb is null then null else now() end
     where id = $1`,
    [component, numbering, by],
  );

/** How many units there are, and the tags of the first of them. */
export type SomeTags = { readonly count: number; readonly tags: readonly string[] };
/** Nobody reads more than so many one after the other. */
const MOST_NAMED = 200;

export async function someTags(tx: Tx, ids: readonly string[]): Promise<SomeTags> {
  if (ids.length === 0) return { count: 0, tags: [] };
  const { rows } = await ask(
    tx,
    z.object({ tag: z.string() }),
    "select tag from unit where id = any($1::bigint[]) order by tag collate natural_order limit $2",
    [ids, MOST_NAMED],
  );
  return { count: ids.length, tags: rows.map((row) => row.tag) };
}

export type ModelFields = {
  readonly maker: string;
  readonly name: string;
  readonly kind: string;
  readonly note: string;
  readonly suffixes: readonly string[];
  /** Not told: it stays as it is. */
  readonly noBackupWhy?: string;
};

export async function putModel(tx: Tx, id: string | undefined, m: ModelFields): Promise<string> {
  const values = [m.maker, m.name, m.kind, m.note, m.suffixes, m.noBackupWhy ?? null];
  const { rows } = id
    ? await ask(
        tx,
        idRow,
        "update model set maker = $1, name = $2, kind = $3, note = $4, suffixes = $5, no_backup_why = coalesce($6, no_backup_why) where id = $7 returning id",
        [...values, id],
      )
    : await ask(
        tx,
        idRow,
        "insert into model (club_id, maker, name, kind, note, suffixes, no_backup_why) values (current_club(), $1, $2, $3, $4, $5, coalesce($6, '')) returning id",
        values,
      );
  return only(rows).id;
}

export const pickRow = z.object({
  id: z.string(),
  name: z.string(),
  maker: z.string(),
  revisions: z.array(z.object({ id: z.string(), name: z.string() })),
});
export type PickRow = z.output<typeof pickRow>;

/** Models to choose from, each with its revisions. */
export async function modelsToPick(tx: Tx): Promise<PickRow[]> {
  const { rows } = await ask(
    tx,
    pickRow,
    `select m.id, m.name, m.maker, coalesce((select jsonb_agg(jsonb_build_object('id', h.id::text, 'name', h.name) order by h.name)
       from hardware_revision h where h.club_id = m.club_id and h.model_id = m.id), '[]') revisions
     from model m where m.shelved_at is null order by m.name collate natural_order`,
  );
  return rows;
}

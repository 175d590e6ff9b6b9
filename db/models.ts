// Statements about models: what is known of each kind of radio.
import type { SerialRange } from "#core/dossier/serial.ts";
import type { ReleaseRow } from "#core/release/release.ts";
import { RELEASE_COLUMNS } from "#core/release/stored.ts";
import type { Numbering } from "#core/version/version.ts";
import type { Tx } from "./pool.ts";

export type ModelRow = {
  id: string;
  maker: string;
  name: string;
  kind: "handheld" | "mobile" | "base" | "module";
  note: string;
  suffixes: string[];
  units: number;
  due: number;
  components: string[];
  releases: number;
};

/** All models with how many units there are, and how many of them have something due. */
export async function models(tx: Tx, today: string): Promise<ModelRow[]> {
  const { rows } = await tx.query<ModelRow>(
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

export type ModelHead = {
  id: string;
  maker: string;
  name: string;
  kind: string;
  note: string;
  suffixes: string[];
};

export async function modelById(tx: Tx, id: string): Promise<ModelHead | undefined> {
  const { rows } = await tx.query<ModelHead>(
    "select id, maker, name, kind, note, suffixes from model where id = $1 and shelved_at is null",
    [id],
  );
  return rows[0];
}

/** The id of the model of a maker and name, in any case of letters. */
export async function modelByName(tx: Tx, maker: string, name: string): Promise<string | undefined> {
  const { rows } = await tx.query<{ id: string }>(
    "select id from model where lower(maker) = lower($1) and lower(name) = lower($2) and shelved_at is null",
    [maker, name],
  );
  return rows[0]?.id;
}

export type RevisionRow = { id: string; name: string; how_to_tell: string; serials: SerialRange[] };

export async function revisionsOf(tx: Tx, model: string): Promise<RevisionRow[]> {
  const { rows } = await tx.query<RevisionRow>(
    "select id, name, how_to_tell, serials from hardware_revision where model_id = $1 order by name collate natural_order",
    [model],
  );
  return rows;
}

/** The releases of a model, newest first; `stored`: the club keeps the file itself. */
export async function releasesOf(tx: Tx, model: string): Promise<(ReleaseRow & { stored: boolean })[]> {
  const { rows } = await tx.query<ReleaseRow & { stored: boolean }>(
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
  const { rows } = await tx.query<{ tag: string }>(
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
};

export async function putModel(tx: Tx, id: string | undefined, m: ModelFields): Promise<string> {
  const values = [m.maker, m.name, m.kind, m.note, m.suffixes];
  const { rows } = id
    ? await tx.query<{ id: string }>(
        "update model set maker = $1, name = $2, kind = $3, note = $4, suffixes = $5 where id = $6 returning id",
        [...values, id],
      )
    : await tx.query<{ id: string }>(
        "insert into model (club_id, maker, name, kind, note, suffixes) values (current_club(), $1, $2, $3, $4, $5) returning id",
        values,
      );
  return rows[0]?.id ?? "";
}

export type PickRow = { id: string; name: string; maker: string; revisions: { id: string; name: string }[] };

/** Models to choose from, each with its revisions. */
export async function modelsToPick(tx: Tx): Promise<PickRow[]> {
  const { rows } = await tx.query<PickRow>(
    `select m.id, m.name, m.maker, coalesce((select jsonb_agg(jsonb_build_object('id', h.id::text, 'name', h.name) order by h.name)
       from hardware_revision h where h.club_id = m.club_id and h.model_id = m.id), '[]') revisions
     from model m where m.shelved_at is null order by m.name collate natural_order`,
  );
  return rows;
}

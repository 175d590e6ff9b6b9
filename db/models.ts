// Statements about models: what is known of each kind of radio.
import type { Numbering } from "#core/firmware/version.ts";
import { RELEASE_COLUMNS, type ReleaseRow } from "./facts.ts";
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

export type RevisionRow = { id: string; name: string; how_to_tell: string };

export async function revisionsOf(tx: Tx, model: string): Promise<RevisionRow[]> {
  const { rows } = await tx.query<RevisionRow>(
    "select id, name, how_to_tell from hardware_revision where model_id = $1 order by name collate natural_order",
    [model],
  );
  return rows;
}

export async function releasesOf(tx: Tx, model: string): Promise<ReleaseRow[]> {
  const { rows } = await tx.query<ReleaseRow>(
    `select ${RELEASE_COLUMNS} from release where shelved_at is null
     and component_id in (select id from component where model_id = $1) order by released_on desc, id desc`,
    [model],
  );
  return rows;
}

export const confirmNumbering = (tx: Tx, component: string, numbering: Numbering, by: string) =>
  tx.query("update component set numbering = $2, numbering_by = $3, numbering_at = now() where id = $1", [
    component,
    numbering,
    by,
  ]);

export async function unitTags(tx: Tx, ids: readonly string[]): Promise<string[]> {
  const { rows } = await tx.query<{ tag: string }>(
    "select tag from unit where id = any($1::bigint[]) order by tag collate natural_order",
    [ids],
  );
  return rows.map((row) => row.tag);
}

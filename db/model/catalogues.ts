// The catalogues of models: prepared once, and kept as long as their stamps stay.

import { z } from "zod";
import { groupBy, kept, Memo } from "#core/quantities/index.ts";
import {
  type Catalogue,
  type Component,
  catalogueOf,
  RELEASE_COLUMNS,
  releaseOf,
  releaseRow,
} from "#core/release/index.ts";
import { numberingShape } from "#core/version/index.ts";
import { ask } from "../ask.ts";
import { pool, type Tx } from "../pool.ts";

export const componentRow = z.object({
  id: z.string(),
  model_id: z.string(),
  name: z.string(),
  numbering: numberingShape.nullable(),
  suffixes: z.array(z.string()),
  shows: z.string(),
});
export type ComponentRow = z.output<typeof componentRow>;

/**
 * The catalogues of some models, by model id, each with its components in their order. A catalogue is prepared once and
 * kept as long as the model's stamp stays: the database gives a new, never repeated one with every change to it.
 */
export async function loadCatalogues(tx: Tx, models: readonly string[]): Promise<Map<string, Catalogue>> {
  const { rows } = await ask(tx, stamp, `${STAMPS} where id = any($1::bigint[]) order by id`, [models]);
  return keptCatalogues(tx, rows);
}

const stamp = z.object({ id: z.string(), catalogue_stamp: z.string() });
type Stamp = z.output<typeof stamp>;
const STAMPS = "select id, catalogue_stamp from model";

/** Those whose stamp is known are not read again. */
export async function keptCatalogues(tx: Tx, rows: readonly Stamp[]): Promise<Map<string, Catalogue>> {
  const known = keptHere();
  const missing = rows.filter((row) => known.peek(row.catalogue_stamp) === undefined);
  const fresh =
    missing.length > 0
      ? await prepareCatalogues(
          tx,
          missing.map((row) => row.id),
        )
      : new Map();
  const found = new Map<string, Catalogue>();
  for (const { id, catalogue_stamp: stamp } of rows) {
    const catalogue = known.peek(stamp) ?? fresh.get(id) ?? new Map();
    known.set(stamp, catalogue);
    if (catalogue.size > 0) found.set(id, catalogue);
  }
  return found;
}

/** The catalogues last used, oldest first; for each pool its own, since another database counts its stamps anew. */
const keptBy = new WeakMap<object, Memo<string, Catalogue>>();
const MOST_KEPT = 1000;

const keptHere = (): Memo<string, Catalogue> =>
  kept(keptBy, pool(), () => new Memo<string, Catalogue>(MOST_KEPT));

async function prepareCatalogues(tx: Tx, models: readonly string[]): Promise<Map<string, Catalogue>> {
  const components = await ask(
    tx,
    componentRow,
    `select c.id, c.model_id, c.name, c.numbering, m.suffixes, coalesce(c.reading->>'sample', '') shows
     from component c join model m on m.club_id = c.club_id and m.id = c.model_id
     where c.model_id = any($1::bigint[]) order by c.model_id, c.position, c.id`,
    [models],
  );
  const releases = await ask(
    tx,
    releaseRow,
    `select ${RELEASE_COLUMNS.join(", ")} from release
     where shelved_at is null and component_id = any($1::bigint[]) order by position, released_on, id`,
    [components.rows.map((c) => c.id)],
  );
  const byComponent = groupBy(releases.rows, (row) => row.component_id);
  const byModel = groupBy(components.rows, (row) => row.model_id);
  const componentOf = (row: ComponentRow): Component => ({
    id: row.id,
    name: row.name,
    suffixes: row.suffixes,
    releases: (byComponent.get(row.id) ?? []).map(releaseOf),
    ...(row.numbering && { numbering: row.numbering }),
    ...(row.shows !== "" && { shows: row.shows }),
  });
  return new Map([...byModel].map(([model, rows]) => [model, catalogueOf(rows.map(componentOf))]));
}

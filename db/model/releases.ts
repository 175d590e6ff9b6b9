// Statements about releases.

import { z } from "zod";
import type { PlainDate } from "#core/quantities/index.ts";
import {
  columnsOf,
  RELEASE_COLUMNS,
  type ReleaseRow,
  releaseRow,
  type StoredRelease,
} from "#core/release/index.ts";
import { ask, idRow } from "../ask.ts";
import type { Tx } from "../pool.ts";

export async function addRelease(tx: Tx, release: StoredRelease): Promise<string> {
  const columns = columnsOf(release);
  const names = Object.keys(columns);
  const { rows } = await ask(
    tx,
    idRow,
    `insert into release (club_id, ${names.join(", ")}, position)
     values (current_club(), ${names.map((_, i) => `$${i + 1}`).join(", ")},
       coalesce((select max(position) + 1 from release where component_id = $1), 0)) returning id`,
    Object.values(columns),
  );
  const id = rows[0]?.id;
  if (!id) throw new Error("the release was not added");
  return id;
}

export const correctRelease = (tx: Tx, id: string, release: StoredRelease) => {
  const columns = columnsOf(release);
  const names = Object.keys(columns);
  return tx.query(
    `update release set ${names.map((name, i) => `${name} = $${i + 1}`).join(", ")} where id = $${names.length + 1}`,
    [...Object.values(columns), id],
  );
};

export const withdrawRelease = (tx: Tx, id: string, withdrawn: { on: PlainDate; why: string } | null) =>
  tx.query("update release set withdrawn_on = $2, withdrawn_why = $3 where id = $1", [
    id,
    withdrawn?.on ?? null,
    withdrawn?.why ?? null,
  ]);

export const markDraft = (tx: Tx, id: string) =>
  tx.query("update release set draft = true where id = $1", [id]);

export const shelveRelease = (tx: Tx, id: string) =>
  tx.query("update release set shelved_at = now() where id = $1", [id]);

export async function releaseById(
  tx: Tx,
  id: string,
): Promise<(ReleaseRow & { model_id: string; component: string }) | undefined> {
  const { rows } = await ask(
    tx,
    releaseRow.extend({
      model_id: z.string(),
      component: z.string(),
    }),
    `select ${RELEASE_COLUMNS.map((name) => `r.${name}`).join(", ")}, c.model_id, c.name component
     from release r join component c on c.club_id = r.club_id and c.id = r.component_id
     where r.id = $1 and r.shelved_at is null`,
    [id],
  );
  return rows[0];
}

/** What the form of a release offers to pick from; nobody reads longer lists. */
export type ReleaseOffers = {
  readonly versions: readonly { readonly version: string; readonly part: string }[];
  readonly tools: readonly string[];
  readonly toolVersions: readonly string[];
  readonly regions: readonly string[];
};
const offerRow = z.object({
  kind: z.enum(["version", "tool", "tool-version", "region"]),
  name: z.string(),
  part: z.string(),
});

/** The versions of a model's parts, the software of the kit and of its other releases, the regions of its radios and releases. */
export async function releaseOffers(tx: Tx, model: string): Promise<ReleaseOffers> {
  const { rows } = await ask(
    tx,
    offerRow,
    `with own as (
       select r.version, c.name part, r.regions, r.conditions->'tool'->>'name' tool
       from release r join component c on c.club_id = r.club_id and c.id = r.component_id
       where c.model_id = $1 and r.shelved_at is null
     ), offers as (
       select 'version' kind, version as name, part from own
       union select 'tool', name, '' from tool where shelved_at is null
       union select 'tool', tool, '' from own where tool is not null
       union select 'tool-version', version, t.name from computer_tool ct join tool t on t.club_id = ct.club_id and t.id = ct.tool_id where version <> ''
       union select 'region', unnest(regions), '' from own
       union select 'region', region, '' from unit where model_id = $1 and region <> ''
     )
     select kind, name, part from (
       select *, row_number() over (partition by kind order by part, name collate natural_order) nth from offers
     ) o where nth <= 500 order by kind, nth`,
    [model],
  );
  const of = (kind: string) => rows.filter((row) => row.kind === kind);
  const names = (kind: string) => [...new Set(of(kind).map(({ name }) => name))];
  return {
    versions: of("version").map(({ name, part }) => ({ version: name, part })),
    tools: names("tool"),
    toolVersions: names("tool-version"),
    regions: names("region"),
  };
}

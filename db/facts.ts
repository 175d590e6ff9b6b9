// Loads what the computations need: units with their newest readings, catalogues of models, policies of groups.

import type { z } from "zod";
import type { SourceKind } from "#core/dossier/source.ts";
import type { Fix } from "#core/firmware/catalogue.ts";
import {
  type Catalogue,
  type Component,
  catalogueOf,
  type Release,
  type Track,
} from "#core/firmware/catalogue.ts";
import { conditionsShape } from "#core/firmware/conditions.ts";
import { PLAIN_POLICY, type Policy } from "#core/firmware/policy.ts";
import type { Reading, UnitFacts } from "#core/firmware/unit.ts";
import type { Numbering } from "#core/firmware/version.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import { groupBy } from "#core/quantities/group.ts";
import { pool, rowsAtOnce, type Tx } from "./pool.ts";

/** Which units a change concerns. */
export type Scope =
  | { readonly of: "units"; readonly ids: readonly string[] }
  | { readonly of: "model"; readonly id: string }
  | { readonly of: "group"; readonly id: string }
  | { readonly of: "club" };

export type KnownUnit = UnitFacts & {
  readonly model: string;
  readonly group: string | null;
  /** With somebody now. */
  readonly away: boolean;
};

export type ClubFacts = {
  readonly units: readonly KnownUnit[];
  readonly catalogues: ReadonlyMap<string, Catalogue>;
  readonly policies: ReadonlyMap<string, Policy>;
};

export const policyOf = (facts: Pick<ClubFacts, "policies">, unit: Pick<KnownUnit, "group">): Policy =>
  (unit.group === null ? undefined : facts.policies.get(unit.group)) ?? PLAIN_POLICY;

/** The condition that selects a scope's units from `unit u`; its value is $1. */
export function scopeCondition(scope: Scope): { where: string; values: unknown[] } {
  switch (scope.of) {
    case "units":
      return { where: "u.id = any($1::bigint[])", values: [scope.ids] };
    case "model":
      return { where: "u.model_id = $1", values: [scope.id] };
    case "group":
      return { where: "u.group_id = $1", values: [scope.id] };
    case "club":
      return { where: "$1::boolean", values: [true] };
  }
}

export async function loadFacts(tx: Tx, scope: Scope): Promise<ClubFacts> {
  const { where, values } = scopeCondition(scope);
  const [units, policies, { rows }] = await Promise.all([
    loadUnits(tx, scope),
    loadPolicies(tx),
    tx.query<Stamp>(
      `${STAMPS} where id in (select u.model_id from unit u where u.shelved_at is null and ${where}) order by id`,
      values,
    ),
  ]);
  return { units, catalogues: await keptCatalogues(tx, rows), policies };
}

type UnitFactsRow = {
  id: string;
  model_id: string;
  group_id: string | null;
  hardware_revision_id: string | null;
  region: string | null;
  added_on: PlainDate;
  back_on: PlainDate | null;
  away: boolean;
  hold_until: PlainDate | null;
  hold_why: string | null;
  readings: Reading[] | null;
};

/** The units that are not shelved, each with the newest reading of each component. */
export async function loadUnits(tx: Tx, scope: Scope): Promise<KnownUnit[]> {
  const { where, values } = scopeCondition(scope);
  const rows = await rowsAtOnce<UnitFactsRow>(
    tx,
    `select u.id::text, u.model_id::text, u.group_id::text, u.hardware_revision_id::text, u.region, u.added_on, u.hold_until, u.hold_why,
       (select max(c.back_on) from custody c where c.club_id = u.club_id and c.unit_id = u.id) back_on,
       exists (select from custody c where c.club_id = u.club_id and c.unit_id = u.id and c.back_on is null) away,
       (select json_agg(json_build_object('id', r.id::text, 'component', r.component_id::text, 'raw', r.raw,
          'source', r.source, 'at', r.read_at::text, 'on', (r.read_at at time zone (select time_zone from club))::date))
        from (select distinct on (component_id) * from reading where club_id = u.club_id and unit_id = u.id
              order by component_id, read_at desc, id desc) r) readings
     from unit u where u.shelved_at is null and ${where}`,
    values,
  );
  return rows.map((row) => ({
    id: row.id,
    model: row.model_id,
    group: row.group_id,
    away: row.away,
    addedOn: row.added_on,
    readings: row.readings ?? [],
    ...(row.hardware_revision_id !== null && { hardwareRevision: row.hardware_revision_id }),
    ...(row.region !== null && { region: row.region }),
    ...(row.back_on !== null && { backOn: row.back_on }),
    ...(row.hold_until !== null && { hold: { until: row.hold_until, why: row.hold_why ?? "" } }),
  }));
}

export type ReleaseRow = {
  id: string;
  component_id: string;
  version: string;
  aliases: string[];
  track: Track;
  released_on: PlainDate;
  withdrawn_on: PlainDate | null;
  withdrawn_why: string | null;
  hardware_revisions: string[] | null;
  regions: string[] | null;
  fixes: Fix[];
  notes: string;
  source: string;
  source_kind: SourceKind | null;
  position: number;
  conditions: z.input<typeof conditionsShape>;
  draft: boolean;
  file_sha256: string | null;
  file_size: string | null;
  file_name: string;
};

export const releaseOf = (row: ReleaseRow): Release => ({
  id: row.id,
  version: row.version,
  aliases: row.aliases,
  track: row.track,
  releasedOn: row.released_on,
  fixes: row.fixes,
  ...(row.withdrawn_on !== null && { withdrawn: { on: row.withdrawn_on, why: row.withdrawn_why ?? "" } }),
  ...(row.hardware_revisions !== null && { hardwareRevisions: row.hardware_revisions }),
  ...(row.regions !== null && { regions: row.regions }),
  ...(Object.keys(row.conditions).length > 0 && { conditions: conditionsShape.parse(row.conditions) }),
  ...(row.draft && { draft: true }),
});

export const RELEASE_COLUMNS = `id, component_id, version, aliases, track, released_on, withdrawn_on, withdrawn_why,
  hardware_revisions, regions, fixes, notes, source, source_kind, position, conditions, draft, file_sha256, file_size, file_name`;

export type ComponentRow = {
  id: string;
  model_id: string;
  name: string;
  numbering: Numbering | null;
  suffixes: string[];
};

/**
 * The catalogues of some models, by model id, each with its components in their order. A catalogue is prepared once and
 * kept as long as the model's stamp stays: the database gives a new, never repeated one with every change to it.
 */
export async function loadCatalogues(tx: Tx, models: readonly string[]): Promise<Map<string, Catalogue>> {
  const { rows } = await tx.query<Stamp>(`${STAMPS} where id = any($1::bigint[]) order by id`, [models]);
  return keptCatalogues(tx, rows);
}

type Stamp = { id: string; catalogue_stamp: string };
const STAMPS = "select id, catalogue_stamp from model";

async function keptCatalogues(tx: Tx, rows: readonly Stamp[]): Promise<Map<string, Catalogue>> {
  const kept = keptHere();
  const missing = rows.filter((row) => !kept.has(row.catalogue_stamp));
  const fresh =
    missing.length > 0
      ? await prepareCatalogues(
          tx,
          missing.map((row) => row.id),
        )
      : new Map();
  const found = new Map<string, Catalogue>();
  for (const { id, catalogue_stamp: stamp } of rows) {
    const catalogue = kept.get(stamp) ?? fresh.get(id) ?? new Map();
    keep(kept, stamp, catalogue);
    if (catalogue.size > 0) found.set(id, catalogue);
  }
  return found;
}

/** The catalogues last used, oldest first; for each pool its own, since another database counts its stamps anew. */
const keptBy = new WeakMap<object, Map<string, Catalogue>>();
const MOST_KEPT = 1000;

function keptHere(): Map<string, Catalogue> {
  const here = keptBy.get(pool()) ?? new Map<string, Catalogue>();
  keptBy.set(pool(), here);
  return here;
}

function keep(kept: Map<string, Catalogue>, stamp: string, catalogue: Catalogue): void {
  kept.delete(stamp);
  kept.set(stamp, catalogue);
  for (const oldest of kept.keys()) {
    if (kept.size <= MOST_KEPT) break;
    kept.delete(oldest);
  }
}

async function prepareCatalogues(tx: Tx, models: readonly string[]): Promise<Map<string, Catalogue>> {
  const components = await tx.query<ComponentRow>(
    `select c.id, c.model_id, c.name, c.numbering, m.suffixes
     from component c join model m on m.club_id = c.club_id and m.id = c.model_id
     where c.model_id = any($1::bigint[]) order by c.model_id, c.position, c.id`,
    [models],
  );
  const releases = await tx.query<ReleaseRow>(
    `select ${RELEASE_COLUMNS} from release
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
  });
  return new Map([...byModel].map(([model, rows]) => [model, catalogueOf(rows.map(componentOf))]));
}

export async function loadPolicies(tx: Tx): Promise<Map<string, Policy>> {
  const { rows } = await tx.query<{ id: string; policy: Policy }>("select id, policy from unit_group");
  return new Map(rows.map((row) => [row.id, row.policy]));
}

/** How many units a change concerns. */
export async function scopeSize(tx: Tx, scope: Scope): Promise<number> {
  const { where, values } = scopeCondition(scope);
  const { rows } = await tx.query<{ n: number }>(
    `select count(*)::int n from unit u where u.shelved_at is null and ${where}`,
    values,
  );
  return rows[0]?.n ?? 0;
}

export type ByModel = { readonly model: string; readonly id: string };

/** The next of a scope's units in the order of models and ids: those of one model need its catalogue once. */
export async function loadByModel(tx: Tx, scope: Scope, after: ByModel, limit: number): Promise<ByModel[]> {
  const { where, values } = scopeCondition(scope);
  const { rows } = await tx.query<ByModel>(
    `select u.model_id model, u.id from unit u where u.shelved_at is null and ${where} and (u.model_id, u.id) > ($2, $3)
     order by u.model_id, u.id limit $4`,
    [...values, after.model, after.id, limit],
  );
  return rows;
}

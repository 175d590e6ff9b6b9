// Loads what the computations need of units: what each is, with the newest reading of each component and who has it.

import type { PlainDate } from "#core/quantities/date.ts";
import { groupBy } from "#core/quantities/group.ts";
import type { Reading, UnitFacts } from "#core/unit/unit.ts";
import type { Tx } from "./pool.ts";

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

/** The condition that selects what belongs to a scope's units by its `unit_id`. */
export const theirsOf = (scope: Scope): string =>
  scope.of === "units"
    ? "unit_id = any($1::bigint[])"
    : `unit_id in (select u.id from unit u where ${scopeCondition(scope).where})`;

// Each kind of row is found for all units at once, and comes as lists of texts: by the hundred thousand this takes a
// third of the time of asking unit by unit for objects.
export type UnitRow = [
  id: string,
  model: string,
  group: string | null,
  hardwareRevision: string | null,
  region: string | null,
  addedOn: PlainDate,
  holdUntil: PlainDate | null,
  holdWhy: string | null,
];
const UNITS = `coalesce(json_agg(array[u.id::text, u.model_id::text, u.group_id::text, u.hardware_revision_id::text,
  u.region, u.added_on::text, u.hold_until::text, u.hold_why]) filter (where u.shelved_at is null), '[]')`;

type SeenRow = {
  readings: [
    unit: string,
    id: string,
    component: string,
    raw: string,
    source: Reading["source"],
    at: string,
    on: PlainDate | null,
  ][];
  custody: [unit: string, backOn: PlainDate | null, away: "away" | null][];
};
const seen = (theirs: string) => `
  (select coalesce(json_agg(array[r.unit_id::text, r.id::text, r.component_id::text, r.raw, r.source,
     r.placed_at::text, (r.read_at at time zone (select time_zone from club))::date::text]), '[]')
   from (select distinct on (unit_id, component_id) * from reading where ${theirs} and struck_at is null
         order by unit_id, component_id, placed_at desc, id desc) r) readings,
  (select coalesce(json_agg(array[c.unit_id::text, c.back_on::text, c.away]), '[]')
   from (select unit_id, max(back_on) back_on, case when bool_or(back_on is null) then 'away' end away from custody
         where ${theirs} group by unit_id) c) custody`;

/** The units that are not shelved, each with the newest reading of each component. */
export async function loadUnits(tx: Tx, scope: Scope): Promise<KnownUnit[]> {
  const { where, values } = scopeCondition(scope);
  const { rows } = await tx.query<SeenRow & { units: UnitRow[] }>(
    `select (select ${UNITS} from unit u where ${where}) units, ${seen(theirsOf(scope))}`,
    values,
  );
  return rows.flatMap((row) => knownUnits(row.units, row));
}

/** Locks a scope's units, shelved or not, in the order of their ids; answers those that are not shelved. */
export async function lockUnits(tx: Tx, scope: Scope): Promise<UnitRow[]> {
  const { where, values } = scopeCondition(scope);
  const { rows } = await tx.query<{ units: UnitRow[] }>(
    `select ${UNITS} units from (select * from unit u where ${where} order by u.id for no key update) u`,
    values,
  );
  return rows[0]?.units ?? [];
}

/** The same as `loadUnits`, of units that were locked: what is asked for now was saved before the lock was had. */
export async function loadLocked(tx: Tx, units: readonly UnitRow[]): Promise<KnownUnit[]> {
  const ids = units.map(([id]) => id);
  const { rows } = await tx.query<SeenRow>(`select ${seen(theirsOf({ of: "units", ids }))}`, [ids]);
  return rows.flatMap((row) => knownUnits(units, row));
}

function knownUnits(units: readonly UnitRow[], { readings, custody }: SeenRow): KnownUnit[] {
  const readingsOf = groupBy(readings, ([unit]) => unit);
  const custodyOf = new Map(custody.map((row) => [row[0], row]));
  return units.map(([id, model, group, hardwareRevision, region, addedOn, holdUntil, holdWhy]) => {
    const [, backOn, away] = custodyOf.get(id) ?? [id, null, null];
    return {
      id,
      model,
      group,
      away: away !== null,
      addedOn,
      readings: (readingsOf.get(id) ?? []).map(([, reading, component, raw, source, at, on]) => ({
        id: reading,
        component,
        raw,
        source,
        at,
        ...(on !== null && { on }),
      })),
      ...(hardwareRevision !== null && { hardwareRevision }),
      ...(region !== null && { region }),
      ...(backOn !== null && { backOn }),
      ...(holdUntil !== null && { hold: { until: holdUntil, why: holdWhy ?? "" } }),
    };
  });
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

/** A scope's units behind a place in the order of models and ids: those of one model need its catalogue once. */
export async function loadByModel(tx: Tx, scope: Scope, after: ByModel): Promise<ByModel[]> {
  const { where, values } = scopeCondition(scope);
  const { rows } = await tx.query<{ units: [model: string, id: string][] }>(
    `select coalesce(json_agg(array[u.model_id::text, u.id::text] order by u.model_id, u.id), '[]') units
     from unit u where u.shelved_at is null and ${where} and (u.model_id, u.id) > ($2, $3)`,
    [...values, after.model, after.id],
  );
  return (rows[0]?.units ?? []).map(([model, id]) => ({ model, id }));
}

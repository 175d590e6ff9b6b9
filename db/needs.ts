// Keeps the stored needs as core works them out, and reads the board from them.

import { URGENCIES } from "#core/firmware/catalogue.ts";
import { doingOf } from "#core/needs/doing.ts";
import type { Need } from "#core/needs/need.ts";
import { needsOf } from "#core/needs/unit.ts";
import { loadFacts, policyOf, type Scope, scopeCondition } from "./facts.ts";
import type { Tx } from "./pool.ts";

/**
 * Works out the needs of a scope's units anew and stores them, in the caller's transaction. Models and groups are
 * locked before units, so that two changes to the same unit follow one another and neither sees half of the other.
 * (No key update: a foreign key's own lock on the same row, taken by an insert just before, does not stand against it.)
 */
export async function recompute(tx: Tx, scope: Scope): Promise<number> {
  await lock(tx, scope);
  const facts = await loadFacts(tx, scope);
  const { where, values } = scopeCondition(scope);
  await tx.query(
    `delete from need n using unit u where u.club_id = n.club_id and u.id = n.unit_id and ${where}`,
    values,
  );
  const rows: NeedRecord[] = [];
  for (const unit of facts.units) {
    const catalogue = facts.catalogues.get(unit.model);
    if (!catalogue) continue;
    for (const need of needsOf(unit, catalogue, policyOf(facts, unit))) rows.push(recordOf(need, unit.away));
  }
  await insertNeeds(tx, rows);
  return facts.units.length;
}

export type NeedRecord = {
  unit_id: string;
  kind: string;
  component_id: string;
  due_from: string;
  due_to: string | null;
  held_from: string | null;
  cause: string;
  urgency: number;
  doing: string;
  targets: string;
  because: string;
};

/** A need as the table holds it. */
export const recordOf = (need: Need, away: boolean): NeedRecord => ({
  unit_id: need.unit,
  kind: need.kind,
  component_id: need.component,
  due_from: need.dueFrom,
  due_to: need.dueTo ?? null,
  held_from: need.heldFrom ?? null,
  cause: need.cause,
  urgency: URGENCIES.indexOf(need.urgency),
  doing: doingOf(need, away),
  targets: JSON.stringify(need.targets),
  because: JSON.stringify(need.because),
});

const CHUNK = 5000;

export async function insertNeeds(tx: Tx, rows: readonly NeedRecord[]): Promise<void> {
  for (let at = 0; at < rows.length; at += CHUNK) {
    const chunk = rows.slice(at, at + CHUNK);
    const column = (name: keyof NeedRecord) => chunk.map((row) => row[name]);
    await tx.query(
      `insert into need (club_id, unit_id, kind, component_id, due_from, due_to, held_from, cause, urgency, doing, targets, because)
       select current_club(), * from unnest($1::bigint[], $2::text[], $3::bigint[], $4::date[], $5::date[], $6::date[],
         $7::text[], $8::smallint[], $9::text[], $10::jsonb[], $11::jsonb[])`,
      [
        column("unit_id"),
        column("kind"),
        column("component_id"),
        column("due_from"),
        column("due_to"),
        column("held_from"),
        column("cause"),
        column("urgency"),
        column("doing"),
        column("targets"),
        column("because"),
      ],
    );
  }
}

async function lock(tx: Tx, scope: Scope): Promise<void> {
  const { where, values } = scopeCondition(scope);
  const strength = (of: Scope["of"]) => (scope.of === of || scope.of === "club" ? "no key update" : "share");
  await tx.query(
    `select from model where id in (select u.model_id from unit u where ${where}) ${scope.of === "model" ? "or id = $1" : ""}
     order by id for ${strength("model")}`,
    values,
  );
  await tx.query(
    `select from unit_group where id in (select u.group_id from unit u where ${where}) ${scope.of === "group" ? "or id = $1" : ""}
     order by id for ${strength("group")}`,
    values,
  );
  await tx.query(`select from unit u where ${where} order by u.id for no key update`, values);
}

// The locks under which needs are worked out.
import { z } from "zod";
import { ask } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";
import { cellsOf, listed, type Scope, scopeCondition, type UnitCells, unitList } from "./unit-facts.ts";

const lockedRow = z.object({ models: z.array(z.string()), groups: z.number(), units: listed });

/**
 * Locks the models and groups that the needs of a scope depend on, then its units, each in the order of ids: so that two changes to the same unit
 * follow one another and neither sees half of the other. Answers the models, and the units that are not shelved.
 * (No key update: a foreign key's own lock on the same row, taken by an insert just before, does not stand against it.)
 */
export async function lockScope(
  tx: Tx,
  scope: Scope,
): Promise<{ models: readonly string[]; units: readonly UnitCells[] }> {
  const { where, values } = scopeCondition(scope);
  const strength = (of: Scope["of"]) => (scope.of === of || scope.of === "club" ? "no key update" : "share");
  const own = (of: Scope["of"]) => (scope.of === of ? "or id = $1" : "");
  // Each list is made, and so locked, when it is first asked for: in the order of the three questions below.
  const { rows } = await ask(
    tx,
    lockedRow,
    `with m as materialized (select id from model where id in (select u.model_id from unit u where ${where}) ${own("model")}
         order by id for ${strength("model")}),
       g as materialized (select id from unit_group where id in (select u.group_id from unit u where ${where}) ${own("group")}
         order by id for ${strength("group")}),
       u as materialized (select * from unit u where ${where} order by u.id for no key update)
     select (select coalesce(json_agg(id::text), '[]') from m) models, (select count(*)::int from g) groups,
       (${unitList} from u where shelved_at is null) units`,
    values,
  );
  const { models, units } = only(rows);
  return { models, units: cellsOf(units) };
}

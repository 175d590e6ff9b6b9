// Keeps the stored needs as core works them out, and reads the board from them.

import type { Catalogue } from "#core/firmware/catalogue.ts";
import { URGENCIES } from "#core/firmware/catalogue.ts";
import type { Policy } from "#core/firmware/policy.ts";
import type { PreparedKit } from "#core/kit/chain.ts";
import { meansOfNeed } from "#core/kit/means.ts";
import { type Doing, doingOf } from "#core/needs/doing.ts";
import type { Need, Target } from "#core/needs/need.ts";
import { needsOf } from "#core/needs/unit.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import {
  type KnownUnit,
  loadCatalogues,
  loadPolicies,
  loadUnits,
  policyOf,
  type Scope,
  scopeCondition,
} from "./facts.ts";
import { loadKit, plugsOf } from "./kit.ts";
import type { Tx } from "./pool.ts";

/** So many units are worked out at a time: while PostgreSQL stores one part, the next is computed. */
const PART = 5000;

/**
 * Works out the needs of a scope's units anew and stores them, in the caller's transaction. Models and groups are
 * locked before units, so that two changes to the same unit follow one another and neither sees half of the other.
 * (No key update: a foreign key's own lock on the same row, taken by an insert just before, does not stand against it.)
 */
export async function recompute(tx: Tx, scope: Scope): Promise<number> {
  const { models, units } = await lock(tx, scope);
  const catalogues = await loadCatalogues(tx, models);
  const policies = await loadPolicies(tx);
  const kit = await loadKit(tx);
  const plugs = await plugsOf(tx, models, kit);
  const { where, values } = scopeCondition(scope);
  await tx.query(
    `delete from need n using unit u where u.club_id = n.club_id and u.id = n.unit_id and ${where}`,
    values,
  );
  let storing: Promise<unknown> = Promise.resolve();
  let known = await loadUnits(tx, { of: "units", ids: units.slice(0, PART) });
  for (let next = PART; known.length > 0; next += PART) {
    const rows = recordsOf(known, catalogues, policies, plugs, kit.prepared);
    await storing;
    const store = await stage(tx, rows);
    known =
      next < units.length ? await loadUnits(tx, { of: "units", ids: units.slice(next, next + PART) }) : [];
    storing = store();
    // Awaited above or below; until then a failure must not count as one that nobody minds.
    storing.catch(() => {});
  }
  await storing;
  return units.length;
}

function recordsOf(
  units: readonly KnownUnit[],
  catalogues: ReadonlyMap<string, Catalogue>,
  policies: ReadonlyMap<string, Policy>,
  plugs: ReadonlyMap<string, readonly string[]>,
  kit: PreparedKit,
): NeedRecord[] {
  const rows: NeedRecord[] = [];
  for (const unit of units) {
    const catalogue = catalogues.get(unit.model);
    if (!catalogue) continue;
    const policy = policyOf({ policies }, unit);
    const radio = { model: unit.model, plugs: plugs.get(unit.model) ?? [] };
    for (const need of needsOf(unit, catalogue, policy)) {
      // The last release that the need will call for: which it is does not depend on the day.
      const release = need.targets.at(-1)?.release;
      const means = () =>
        release === undefined
          ? "ready"
          : meansOfNeed(unit, radio, catalogue, policy, { component: need.component, release }, kit).kind;
      rows.push(recordOf(need, doingOf(need, unit.away, means)));
    }
  }
  return rows;
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

/** Targets as the table holds them: "2026-05-02 17,2026-06-01 19". */
export const encodeTargets = (targets: readonly Target[]): string =>
  targets.map((t) => `${t.from} ${t.release}`).join(",");

export const decodeTargets = (text: string): Target[] =>
  text === ""
    ? []
    : text.split(",").map((one) => {
        const [from = "", release = ""] = one.split(" ");
        return { from: from as PlainDate, release };
      });

/** A need as the table holds it. */
export const recordOf = (need: Need, doing: Doing): NeedRecord => ({
  unit_id: need.unit,
  kind: need.kind,
  component_id: need.component,
  due_from: need.dueFrom,
  due_to: need.dueTo ?? null,
  held_from: need.heldFrom ?? null,
  cause: need.cause,
  urgency: URGENCIES.indexOf(need.urgency),
  doing,
  targets: encodeTargets(need.targets),
  because: JSON.stringify(need.because),
});

const COLUMNS = [
  "unit_id",
  "kind",
  "component_id",
  "due_from",
  "due_to",
  "held_from",
  "cause",
  "urgency",
  "doing",
  "targets",
  "because",
] as const satisfies readonly (keyof NeedRecord)[];

/** From this many rows on it pays to make a table for COPY: the needs' own is under row-level security, which forbids it. */
const MANY = 400;

/** Sends rows to the database; answers what remains to do to store them. */
async function stage(tx: Tx, rows: readonly NeedRecord[]): Promise<() => Promise<unknown>> {
  const list = COLUMNS.join(", ");
  if (rows.length === 0) return async () => {};
  if (rows.length < MANY) {
    return () =>
      tx.query(
        `insert into need (club_id, ${list}) select current_club(), ${list} from jsonb_to_recordset($1::jsonb)
           as r(unit_id bigint, kind text, component_id bigint, due_from date, due_to date, held_from date, cause text,
                urgency smallint, doing text, targets text, because jsonb)`,
        [`[${rows.map(rowJson).join(",")}]`],
      );
  }
  await tx.query("drop table if exists pg_temp.need_in");
  await tx.query(`create temp table need_in on commit drop as select ${list} from need with no data`);
  await tx.copyIn(
    "need_in",
    rows.map((row) => COLUMNS.map((column) => row[column])),
  );
  // In the order of the board's index, so that neighbours go in one after the other.
  return () =>
    tx.query(
      `insert into need (club_id, ${list}) select current_club(), ${list} from need_in
       order by doing, urgency desc, due_from, unit_id`,
    );
}

/** What is JSON already goes in as it is. */
function rowJson({ because, ...row }: NeedRecord): string {
  return `${JSON.stringify(row).slice(0, -1)},"because":${because}}`;
}

/** Locks what the needs of a scope depend on; answers the units that are not shelved, and their models. */
async function lock(tx: Tx, scope: Scope): Promise<{ models: string[]; units: string[] }> {
  const { where, values } = scopeCondition(scope);
  const strength = (of: Scope["of"]) => (scope.of === of || scope.of === "club" ? "no key update" : "share");
  const models = await tx.query<{ id: string }>(
    `select id from model where id in (select u.model_id from unit u where ${where}) ${scope.of === "model" ? "or id = $1" : ""}
     order by id for ${strength("model")}`,
    values,
  );
  await tx.query(
    `select from unit_group where id in (select u.group_id from unit u where ${where}) ${scope.of === "group" ? "or id = $1" : ""}
     order by id for ${strength("group")}`,
    values,
  );
  const units = await tx.query<{ id: string; shelved: boolean }>(
    `select u.id, u.shelved_at is not null shelved from unit u where ${where} order by u.id for no key update`,
    values,
  );
  return {
    models: models.rows.map((row) => row.id),
    units: units.rows.filter((row) => !row.shelved).map((row) => row.id),
  };
}

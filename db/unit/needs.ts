// Keeps the stored needs as core works them out, and reads the board from them.

import { z } from "zod";
import type { AnyDay } from "#core/kit/situation.ts";
import { toolingOfNeed } from "#core/kit/tooling.ts";
import type { Need } from "#core/needs/kinds/index.ts";
import { ACTIONS, type Action, actionOf, type Reason } from "#core/needs/kinds/index.ts";
import type { Target } from "#core/needs/need.ts";
import { needsOf } from "#core/needs/unit.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import { kept } from "#core/quantities/memo.ts";
import { URGENCIES } from "#core/release/words.ts";
import { ask } from "../ask.ts";
import { CopyRows } from "../copy.ts";
import type { Tx } from "../pool.ts";
import { loadCommon } from "./common.ts";
import { type LoadedSituation, situationOf } from "./situation.ts";
import { loadLocked, lockUnits, type Scope, scopeCondition, theirsOf } from "./unit-facts.ts";

/**
 * Works out the needs of a scope's units anew and stores them, in the caller's transaction. Models and groups are
 * locked before units, so that two changes to the same unit follow one another and neither sees half of the other.
 * (No key update: a foreign key's own lock on the same row, taken by an insert just before, does not stand against it.)
 * `locked` is told when all locks are had: from then on this waits for nobody.
 */
export async function recompute(tx: Tx, scope: Scope, locked: () => void = () => {}): Promise<number> {
  const models = await lockModels(tx, scope);
  const units = await lockUnits(tx, scope);
  locked();
  const { kit, ...shared } = await loadCommon(tx, "m.id = any($1::bigint[])", [models]);
  const common = { ...shared, kit: kit.prepared };
  const known = (await loadLocked(tx, units)).map((unit) => situationOf(unit, common, undefined));
  await tx.query(`delete from need where ${theirsOf(scope)}`, scopeCondition(scope).values);
  await storeNeeds(tx, recordsOf(known), known.length);
  return units.length;
}

/** Stores the needs of so many units. */
export const storeNeeds = (tx: Tx, records: Iterable<NeedRecord>, units: number): Promise<void> =>
  units < MANY ? insert(tx, [...records]) : copy(tx, records);

function* recordsOf(situations: readonly AnyDay<LoadedSituation>[]): Generator<NeedRecord> {
  for (const situation of situations) {
    const { unit, catalogue, policy } = situation;
    for (const need of needsOf(unit, catalogue, policy)) {
      // The last release that the need will call for: which it is does not depend on the day.
      const release = need.targets.at(-1)?.release;
      const action = actionOf(need, unit.away, () =>
        release === undefined
          ? "no-route"
          : toolingOfNeed(situation, {
              component: need.component,
              release,
              ends: need.dueTo !== undefined,
            }).kind,
      );
      yield recordOf(need, action);
    }
  }
}

export type NeedRecord = {
  unit_id: string;
  kind: string;
  component_id: string;
  due_from: PlainDate;
  due_to: PlainDate | null;
  held_from: PlainDate | null;
  cause: string;
  /** Its place in the list of urgencies. */
  urgency: number;
  action: Action;
  targets: string;
  because: string;
};

/** Targets as the table holds them: "2026-05-02 17,2026-06-01 19". */
export const encodeTargets = (targets: readonly Target[]): string =>
  targets.map((t) => `${t.from} ${t.release}`).join(",");

export const decodeTargets = (text: string): Target[] =>
  text === "" ? [] : text.split(",").map(decodeTarget);

function decodeTarget(text: string): Target {
  const [from = "", release = ""] = text.split(" ");
  return { from: from as PlainDate, release };
}

/** Of the targets as the table holds them the one that counts on a day and those behind it: the others never will again. */
export function targetsSince(text: string, day: PlainDate): Target[] {
  const found: Target[] = [];
  for (let end = text.length; end > 0; ) {
    const start = text.lastIndexOf(",", end - 1);
    const target = decodeTarget(text.slice(start + 1, end));
    found.push(target);
    if (target.from <= day) break;
    end = start;
  }
  return found.reverse();
}

/** A need as the table holds it. */
export const recordOf = (need: Need, action: Action): NeedRecord => ({
  unit_id: need.unit,
  kind: need.kind,
  component_id: need.component,
  due_from: need.dueFrom,
  due_to: need.dueTo ?? null,
  held_from: need.heldFrom ?? null,
  cause: need.cause,
  urgency: URGENCIES.indexOf(need.urgency),
  action,
  targets: targetsText(need.targets),
  because: `[${need.because.map(factText).join(",")}]`,
});

/**
 * A fact as JSON. Needs of many units share theirs: what was written out once is kept as long as the fact is. Two kinds are each unit's own.
 */
export const factText = (fact: Reason): string =>
  fact.kind === "stale" || fact.kind === "reading"
    ? JSON.stringify(fact)
    : kept(factTexts, fact, JSON.stringify);
const factTexts = new WeakMap<Reason, string>();

const targetsText = (targets: readonly Target[]): string =>
  targets.length === 0 ? "" : kept(targetTexts, targets, encodeTargets);
const targetTexts = new WeakMap<readonly Target[], string>();

const COLUMNS = [
  "unit_id",
  "kind",
  "component_id",
  "due_from",
  "due_to",
  "held_from",
  "cause",
  "urgency",
  "action",
  "targets",
  "because",
] as const satisfies readonly (keyof NeedRecord)[];

/** From this many units on it pays to make a table for COPY: the needs' own is under row-level security, which forbids it. */
const MANY = 120;
const LIST = COLUMNS.join(", ");

async function insert(tx: Tx, rows: readonly NeedRecord[]): Promise<void> {
  if (rows.length === 0) return;
  await tx.query(
    `insert into need (club_id, ${LIST}) select current_club(), ${LIST} from jsonb_to_recordset($1::jsonb)
       as r(unit_id bigint, kind text, component_id bigint, due_from date, due_to date, held_from date, cause text,
            urgency smallint, action text, targets text, because jsonb)`,
    [`[${rows.map(rowJson).join(",")}]`],
  );
}

const RANKS: ReadonlyMap<Action, number> = new Map([...ACTIONS].sort().map((action, i) => [action, i]));

async function copy(tx: Tx, records: Iterable<NeedRecord>): Promise<void> {
  const rows = new CopyRows();
  const ranks: number[] = [];
  for (const record of records) {
    rows.row(COLUMNS.length);
    rows.bigint(record.unit_id);
    rows.text(record.kind);
    rows.bigint(record.component_id);
    const due = rows.date(record.due_from);
    if (record.due_to === null) rows.null();
    else rows.date(record.due_to);
    if (record.held_from === null) rows.null();
    else rows.date(record.held_from);
    rows.text(record.cause);
    rows.smallint(record.urgency);
    rows.text(record.action);
    rows.text(record.targets);
    rows.jsonb(record.because);
    // In the order of the board's index, so that neighbours go in one after the other. (PostgreSQL sorts wide rows slowly.)
    const kind = (RANKS.get(record.action) ?? 0) * URGENCIES.length - record.urgency;
    ranks.push(kind * 10_000_000 + due);
  }
  await tx.query("drop table if exists pg_temp.need_in");
  await tx.query(`create temp table need_in on commit drop as select ${LIST} from need with no data`);
  await tx.copyIn("need_in", rows.sorted(ranks));
  await tx.query(`insert into need (club_id, ${LIST}) select current_club(), ${LIST} from need_in`);
}

/** What is JSON already goes in as it is. */
function rowJson({ because, ...row }: NeedRecord): string {
  return `${JSON.stringify(row).slice(0, -1)},"because":${because}}`;
}

/** Locks the models and the groups that the needs of a scope depend on; answers the models. */
async function lockModels(tx: Tx, scope: Scope): Promise<string[]> {
  const { where, values } = scopeCondition(scope);
  const strength = (of: Scope["of"]) => (scope.of === of || scope.of === "club" ? "no key update" : "share");
  const { rows } = await ask(
    tx,
    z.object({ model: z.string(), group: z.string().nullable() }),
    `select distinct u.model_id model, u.group_id "group" from unit u where ${where}`,
    values,
  );
  const models = new Set(rows.map((row) => row.model));
  const groups = new Set(rows.flatMap((row) => row.group ?? []));
  if (scope.of === "model") models.add(scope.id);
  if (scope.of === "group") groups.add(scope.id);
  await tx.query(`select from model where id = any($1::bigint[]) order by id for ${strength("model")}`, [
    [...models],
  ]);
  await tx.query(`select from unit_group where id = any($1::bigint[]) order by id for ${strength("group")}`, [
    [...groups],
  ]);
  return [...models];
}

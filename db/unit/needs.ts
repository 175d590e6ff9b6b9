// Statements about needs: how they are stored, as core has worked them out.
import { ACTIONS, type Action, type Need, type Reason, type Target } from "#core/needs/index.ts";
import { kept, type PlainDate } from "#core/quantities/index.ts";
import { URGENCIES } from "#core/release/index.ts";
import { CopyRows } from "../copy.ts";
import type { Tx } from "../pool.ts";
import { type Scope, scopeCondition, theirsOf } from "./unit-facts.ts";

/** Puts these needs of a scope's units in the place of those that are stored. */
export async function replaceNeeds(
  tx: Tx,
  scope: Scope,
  records: Iterable<NeedRecord>,
  units: number,
): Promise<void> {
  await tx.query(`delete from need where ${theirsOf(scope)}`, scopeCondition(scope).values);
  await storeNeeds(tx, records, units);
}

/** Stores the needs of so many units. */
export const storeNeeds = (tx: Tx, records: Iterable<NeedRecord>, units: number): Promise<void> =>
  units < MANY ? insert(tx, [...records]) : copy(tx, records);

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

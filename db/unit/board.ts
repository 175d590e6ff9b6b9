// Reads the stored needs: what is due today is due_from <= today, an index scan for each thing that can be done.

import { z } from "zod";
import { ACTIONS, mayBeAway, NEED_CAUSES, NEED_KINDS, reasonShape, type Target } from "#core/needs/index.ts";
import { groupBy, type PlainDate, plainDate } from "#core/quantities/index.ts";
import { ask, askAtOnce, countRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";
import { targetsSince } from "./needs.ts";

/** Units with something due on the day $1, counted up to a thousand or so: beyond that the plate says "999+". */
export const UNITS_DUE = `select count(distinct unit_id)::int n from (
       select n.unit_id from need n join unit u on u.club_id = n.club_id and u.id = n.unit_id and u.shelved_at is null
       where n.due_from <= $1 and (n.due_to is null or n.due_to > $1) limit 5000) open`;

export async function unitsDue(tx: Tx, today: PlainDate): Promise<number> {
  const { rows } = await ask(tx, countRow, UNITS_DUE, [today]);
  return only(rows).n;
}

/** As the table holds it: targets are encoded. */
const encodedNeed = z.object({
  unit_id: z.string(),
  kind: z.enum(NEED_KINDS),
  component_id: z.string(),
  component: z.string(),
  due_from: plainDate,
  due_to: plainDate.nullable(),
  held_from: plainDate.nullable(),
  cause: z.enum(NEED_CAUSES),
  urgency: z.literal([0, 1, 2]),
  action: z.enum(ACTIONS),
  targets: z.string(),
  because: z.array(reasonShape),
});
/** `targets`: the one that counts today, and those still to come. */
type Decoded<Row> = Omit<Row, "targets"> & { targets: Target[] };
export type StoredNeed = Decoded<z.output<typeof encodedNeed>>;

const decoded = <Row extends { targets: string }>(rows: readonly Row[], today: PlainDate): Decoded<Row>[] =>
  // In place: a wall has hundreds.
  rows.map(
    (row) => Object.assign(row, { targets: targetsSince(row.targets, today) }) as unknown as Decoded<Row>,
  );

const NEED = `select n.unit_id, n.kind, n.component_id, c.name component, n.due_from, n.due_to, n.held_from, n.cause,
    n.urgency, n.action, n.targets, n.because
  from need n join component c on c.club_id = n.club_id and c.id = n.component_id`;

/** The needs of one unit that are open or held on a day, worst first. */
export async function needsOfUnit(tx: Tx, unit: string, today: PlainDate): Promise<StoredNeed[]> {
  const { rows } = await ask(
    tx,
    encodedNeed,
    `${NEED} where n.unit_id = $1 and coalesce(n.held_from, n.due_from) <= $2 and (n.due_to is null or n.due_to > $2)
     order by n.urgency desc, n.due_from`,
    [unit, today],
  );
  return decoded(rows, today);
}

const wallNeed = encodedNeed.pick({
  unit_id: true,
  component_id: true,
  due_from: true,
  cause: true,
  urgency: true,
  kind: true,
  action: true,
  targets: true,
});
export type WallNeed = Decoded<z.output<typeof wallNeed>>;

/** All open needs of the club on a day, without their reasons: for the wall. */
export async function openNeeds(tx: Tx, today: PlainDate): Promise<WallNeed[]> {
  const rows = await askAtOnce(
    tx,
    wallNeed,
    `select unit_id::text, kind, component_id::text, due_from, cause, urgency, action, targets from need
     where due_from <= $1 and (due_to is null or due_to > $1) order by urgency desc, due_from`,
    [today],
  );
  return decoded(rows, today);
}

export type BoardFilter = {
  readonly place?: string | undefined;
  readonly model?: string | undefined;
  readonly group?: string | undefined;
  readonly person?: string | undefined;
  readonly urgency?: 0 | 1 | 2 | undefined;
};

export const BOARD_SORTS = ["urgency", "since", "tag", "model", "place"] as const;
export type BoardSort = (typeof BOARD_SORTS)[number];

const ORDER: Record<BoardSort, string> = {
  urgency: "n.urgency desc, n.due_from, n.unit_id, n.component_id, n.kind",
  since: "n.due_from, n.unit_id, n.component_id, n.kind",
  tag: "u.tag collate natural_order, n.due_from",
  model: "m.name collate natural_order, u.tag collate natural_order",
  place: "p.position, p.name, u.slot",
};

const SORT_JOIN: Partial<Record<BoardSort, string>> = {
  model: "join model m on m.club_id = u.club_id and m.id = u.model_id",
  place: "left join place p on p.club_id = u.club_id and p.id = u.place_id",
};

/** What can be done, in the order of the board, and last what is on hold. */
export const BOARD_GROUPS = [...ACTIONS, "held"] as const;
export type BoardGroup = (typeof BOARD_GROUPS)[number];

/** Without its reasons, which are asked for when somebody opens them: a board has hundreds. */
const boardRow = encodedNeed.omit({ held_from: true, because: true }).extend({
  board: z.enum(BOARD_GROUPS),
  /** The reading that the reasons speak of. */
  raw: z.string().nullable(),
  tag: z.string(),
  model_id: z.string(),
  place_id: z.string().nullable(),
  holder_id: z.string().nullable(),
});
export type BoardRow = Omit<Decoded<z.output<typeof boardRow>>, "board">;

/**
 * Groups of the board, each its first `limit` needs by the index need_board (need_held for what is on hold), all in one
 * statement. Names of models, places and holders are left to `boardNames`, which the page's filters ask for anyway.
 */
export async function boardGroups(
  tx: Tx,
  groups: readonly BoardGroup[],
  today: PlainDate,
  filter: BoardFilter,
  sort: BoardSort,
  limit: number,
): Promise<Map<BoardGroup, BoardRow[]>> {
  const values: unknown[] = [today];
  const conditions: string[] = [];
  const add = (column: string, value: unknown) => {
    if (value === undefined) return;
    values.push(value);
    conditions.push(`and ${column} = $${values.length}`);
  };
  add("n.urgency", filter.urgency);
  add("u.place_id", filter.place);
  add("u.model_id", filter.model);
  add("u.group_id", filter.group);
  add("k.person_id", filter.person);
  const rowsOf = (group: BoardGroup) =>
    `select '${group}' board, n.unit_id, n.kind, n.component_id, c.name component, n.due_from, n.due_to, n.cause, n.urgency, n.action,
       n.targets, ${RAW} raw, u.tag, u.model_id, u.place_id, ${asksWho(group) ? "k.person_id" : "null::bigint"} holder_id
     from need n
     join unit u on u.club_id = n.club_id and u.id = n.unit_id and u.shelved_at is null
     join component c on c.club_id = n.club_id and c.id = n.component_id
     ${SORT_JOIN[sort] ?? ""}
     ${asksWho(group) || filter.person !== undefined ? CUSTODY : ""}
     where (n.due_to is null or n.due_to > $1) and ${ofGroup(group)} ${conditions.join(" ")}
     order by ${ORDER[sort]} limit ${Math.trunc(limit)}`;
  // One after the other, as they are written: the door to the database does without parallel plans.
  const { rows } = await ask(
    tx,
    boardRow,
    groups.map((group) => `(${rowsOf(group)})`).join(" union all "),
    values,
  );
  const found = groupBy(rows, (row) => row.board);
  return new Map(groups.map((group) => [group, decoded(found.get(group) ?? [], today)]));
}

const ofGroup = (group: BoardGroup): string =>
  group === "held" ? "n.held_from <= $1 and n.due_from > $1" : `n.due_from <= $1 and n.action = '${group}'`;

const RAW = `jsonb_path_query_first(n.because, '$[*] ? (@.kind == "reading").raw') #>> '{}'`;

const CUSTODY = "left join custody k on k.club_id = u.club_id and k.unit_id = u.id and k.back_on is null";

/** Where nobody can have the radio, nobody is asked who has it. */
const asksWho = (group: BoardGroup): boolean => group === "held" || mayBeAway(group);

/** One group alone. */
export const boardGroup = async (
  tx: Tx,
  group: BoardGroup,
  today: PlainDate,
  filter: BoardFilter,
  sort: BoardSort,
  limit: number,
): Promise<BoardRow[]> => (await boardGroups(tx, [group], today, filter, sort, limit)).get(group) ?? [];

const boardName = z.object({
  kind: z.enum(["place", "model", "group", "person"]),
  id: z.string(),
  name: z.string(),
  shelved: z.boolean(),
});
export type BoardName = Readonly<z.output<typeof boardName>>;

/** The names of all places, models, groups and people: for the board's rows, and those not shelved for its filters. */
export async function boardNames(tx: Tx): Promise<BoardName[]> {
  return askAtOnce(
    tx,
    boardName,
    `select 'place' kind, id::text, name, shelved_at is not null shelved from place
     union all select 'model', id::text, name, shelved_at is not null from model
     union all select 'group', id::text, name, shelved_at is not null from unit_group
     union all select 'person', id::text, name, shelved_at is not null from person order by kind, name`,
    [],
  );
}

/** The versions of releases, by id: to name what needs speak of. */
export async function releaseNames(tx: Tx, ids: readonly string[]): Promise<Record<string, string>> {
  const { rows } = await ask(
    tx,
    z.object({ id: z.string(), version: z.string() }),
    "select id, version from release where id = any($1::bigint[])",
    [ids],
  );
  return Object.fromEntries(rows.map((row) => [row.id, row.version]));
}

// The append-only account: written in the transaction of the change it tells of.

import { z } from "zod";
import { GUARDED_ENTRIES, type LogEntry, logQuery, may, type Role } from "#core/club/index.ts";
import { plainDate } from "#core/quantities/index.ts";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

export type About = { readonly unit?: string | undefined; readonly model?: string | undefined };

/** The person is the one the transaction was opened for; the instant is the database's. */
export const appendLog = (tx: Tx, entry: LogEntry, about: About = {}): Promise<void> =>
  appendAll(tx, [{ entry, ...about }]);

/** Several entries in their order, by one statement however many they are. */
export async function appendAll(
  tx: Tx,
  entries: readonly (About & { readonly entry: LogEntry })[],
): Promise<void> {
  if (entries.length === 0) return;
  const rows = entries.map(({ entry: { kind, ...detail }, unit = null, model = null }) => ({
    kind,
    unit,
    model,
    detail,
  }));
  await tx.query(
    `insert into log (club_id, person_id, kind, unit_id, model_id, detail)
     select current_club(), nullif(current_setting('mossy.person', true), '0')::bigint, e.kind, e.unit, e.model, e.detail
     from rows from (jsonb_to_recordset($1::jsonb) as (kind text, unit bigint, model bigint, detail jsonb)) with ordinality
       e(kind, unit, model, detail, place) order by e.place`,
    [JSON.stringify(rows)],
  );
}

export const logRow = z.object({
  id: z.string(),
  at: z.date(),
  /** The day it was; mostly that on which it was written. */
  on_day: plainDate,
  kind: z.string(),
  detail: z.record(z.string(), z.unknown()),
  person: z.string().nullable(),
  person_id: z.string().nullable(),
  tag: z.string().nullable(),
  unit_id: z.string().nullable(),
  model: z.string().nullable(),
  model_id: z.string().nullable(),
});
export type LogRow = z.output<typeof logRow>;

export type LogFilter = {
  readonly unit?: string | undefined;
  readonly person?: string | undefined;
  readonly kind?: string | undefined;
  /** By the day it was. */
  readonly from?: string | undefined;
  readonly to?: string | undefined;
  /** Words that all are in it, as they are typed. */
  readonly words?: string | undefined;
  /** In the order in which it was written down; else by the day it was. */
  readonly asWritten?: boolean;
  /** Entries before this one, for the next page. */
  readonly before?: string | undefined;
};

/**
 * The newest entries that match, `limit` at most, as far as whoever reads may see them. Days are the club's. Words of which nothing can be found
 * match nothing.
 */
export async function readLog(tx: Tx, filter: LogFilter, limit: number, role: Role): Promise<LogRow[]> {
  const conditions: string[] = [];
  const values: unknown[] = [];
  const add = (condition: (place: string) => string, value: unknown) => {
    if (value === undefined) return;
    values.push(value);
    conditions.push(condition(`$${values.length}`));
  };
  const order = filter.asWritten ? ["at", "id"] : ["on_day", "at", "id"];
  add((p) => `l.kind <> all(${p}::text[])`, may(role, "see-unlocking") ? undefined : GUARDED_ENTRIES);
  add((p) => `l.unit_id = ${p}`, filter.unit);
  add((p) => `l.person_id = ${p}`, filter.person);
  add((p) => `l.kind = ${p}`, filter.kind);
  add((p) => `l.on_day >= ${p}::date`, filter.from);
  add((p) => `l.on_day <= ${p}::date`, filter.to);
  add(
    (p) => `l.words @@ to_tsquery('simple', ${p})`,
    filter.words === undefined ? undefined : logQuery(filter.words),
  );
  add(
    (p) =>
      `(${order.map((one) => `l.${one}`).join(", ")}) < (select ${order.join(", ")} from log where id = ${p})`,
    filter.before,
  );
  values.push(limit);
  const { rows } = await ask(
    tx,
    logRow,
    `select l.id, l.at, l.on_day, l.kind, l.detail, l.person_id, p.name person, l.unit_id, u.tag, l.model_id, m.name model
     from log l
     left join person p on p.club_id = l.club_id and p.id = l.person_id
     left join unit u on u.club_id = l.club_id and u.id = l.unit_id
     left join model m on m.club_id = l.club_id and m.id = l.model_id
     ${conditions.length > 0 ? `where ${conditions.join(" and ")}` : ""}
     order by ${order.map((one) => `l.${one} desc`).join(", ")} limit $${values.length}`,
    values,
  );
  return rows;
}

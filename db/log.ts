// The append-only account: written in the transaction of the change it tells of.

import { z } from "zod";
import type { LogEntry } from "#core/club/log.ts";
import { ask } from "./ask.ts";
import type { Tx } from "./pool.ts";

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
  readonly from?: string | undefined;
  readonly to?: string | undefined;
  /** Entries before this one, for the next page. */
  readonly before?: string | undefined;
};

/** The newest entries that match, `limit` at most. Days are the club's. */
export async function readLog(tx: Tx, filter: LogFilter, limit: number): Promise<LogRow[]> {
  const conditions: string[] = [];
  const values: unknown[] = [];
  const add = (condition: (place: string) => string, value: unknown) => {
    if (value === undefined) return;
    values.push(value);
    conditions.push(condition(`$${values.length}`));
  };
  const zone = "(select time_zone from club)";
  add((p) => `l.unit_id = ${p}`, filter.unit);
  add((p) => `l.person_id = ${p}`, filter.person);
  add((p) => `l.kind = ${p}`, filter.kind);
  add((p) => `l.at >= (${p}::date)::timestamp at time zone ${zone}`, filter.from);
  add((p) => `l.at < (${p}::date + 1)::timestamp at time zone ${zone}`, filter.to);
  add((p) => `(l.at, l.id) < (select at, id from log where id = ${p})`, filter.before);
  values.push(limit);
  const { rows } = await ask(
    tx,
    logRow,
    `select l.id, l.at, l.kind, l.detail, l.person_id, p.name person, l.unit_id, u.tag, l.model_id, m.name model
     from log l
     left join person p on p.club_id = l.club_id and p.id = l.person_id
     left join unit u on u.club_id = l.club_id and u.id = l.unit_id
     left join model m on m.club_id = l.club_id and m.id = l.model_id
     ${conditions.length > 0 ? `where ${conditions.join(" and ")}` : ""}
     order by l.at desc, l.id desc limit $${values.length}`,
    values,
  );
  return rows;
}

// What a club holds at a moment, for the property over all acts.
import { recompute } from "#acts/needs/recompute.ts";
import type { Tx } from "#db/pool.ts";

/** Not records of the club: what is worked out from them, what is told of them, and what was done. */
const BESIDE = ["need", "log", "act_done", "work", "carrying", "carrying_count"];

type Summed = { readonly writes: number; readonly rows: string };
/** By transaction and club: what each table held when it was looked at last, and how often it had been written to by then. */
const summed = new WeakMap<Tx, Map<string, Summed>>();

/**
 * What the club of the transaction holds: each table's rows, by name, as one short text. Only tables that this transaction has written to since are
 * looked at again; what a savepoint took back counts as written, so that it is looked at, too.
 */
export async function holdings(
  tx: Tx,
  of: string,
  beside: readonly string[] = BESIDE,
): Promise<Record<string, string>> {
  const had = summed.get(tx) ?? new Map<string, Summed>();
  summed.set(tx, had);
  const { rows: tables } = await tx.query<{ name: string; writes: number }>(
    `select c.relname::text "name", (s.n_tup_ins + s.n_tup_upd + s.n_tup_del)::int writes
     from pg_class c join pg_policy p on p.polrelid = c.oid and p.polname = 'own_club'
     join pg_stat_xact_user_tables s on s.relid = c.oid
     where c.relkind = 'r' and c.relname <> all($1::text[])
       and has_table_privilege('mossy_app', c.oid, 'select') order by 1`,
    [beside],
  );
  const stale = tables.filter(({ name, writes }) => had.get(`${of} ${name}`)?.writes !== writes);
  const all = stale.map(
    ({ name }) =>
      // Not by their texts: some rows hold thousands of channels.
      `select '${name}' "name", count(*) || ' ' || coalesce(sum(hash_record_extended(t, 7)::numeric), 0) "rows" from "${name}" t`,
  );
  if (all.length > 0) {
    const found = await tx.query<{ name: string; rows: string }>(all.join(" union all "));
    for (const { name, rows } of found.rows)
      had.set(`${of} ${name}`, { rows, writes: stale.find((one) => one.name === name)?.writes ?? 0 });
  }
  return Object.fromEntries(tables.map(({ name }) => [name, had.get(`${of} ${name}`)?.rows ?? ""]));
}

/** All needs that are stored, but for the numbers that they go by. */
export async function storedNeeds(tx: Tx): Promise<string[]> {
  const { rows } = await tx.query<{ need: Record<string, unknown> }>("select to_jsonb(n) need from need n");
  return rows.map(({ need: { id, ...rest } }) => JSON.stringify(rest)).sort();
}

/** The needs of the whole club, worked out anew; what is stored stays as it is. */
export async function needsFromScratch(tx: Tx): Promise<string[]> {
  await tx.query("savepoint scratch");
  await recompute(tx, { of: "club" });
  const needs = await storedNeeds(tx);
  await tx.query("rollback to savepoint scratch");
  return needs;
}

export const logLength = async (tx: Tx): Promise<number> =>
  (await tx.query<{ n: number }>("select count(*)::int n from log")).rows[0]?.n ?? 0;

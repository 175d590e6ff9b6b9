// Statements about how sheets are read: what their heads meant before, and the words that mean nothing.

import { z } from "zod";
import { type Meaning, toMeaning } from "#core/import/index.ts";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

export type SheetHabits = {
  readonly heads: ReadonlyMap<string, Meaning>;
  /** Undefined: the usual ones. */
  readonly nothing: readonly string[] | undefined;
};

/** What the club has said of heads before, by `headKey`; of those that are asked about. */
export async function sheetHabits(tx: Tx, heads: readonly string[]): Promise<SheetHabits> {
  const { rows } = await ask(
    tx,
    z.object({ head: z.string(), meaning: z.string() }),
    "select head, meaning from sheet_head where head = any($1::text[])",
    [heads],
  );
  const club = await ask(
    tx,
    z.object({ sheet_nothing: z.array(z.string()).nullable() }),
    "select sheet_nothing from club where id = current_club()",
  );
  return {
    heads: new Map(
      rows.flatMap(({ head, meaning }) => {
        const known = toMeaning(meaning);
        return known ? [[head, known] as const] : [];
      }),
    ),
    nothing: club.rows[0]?.sheet_nothing ?? undefined,
  };
}

export async function rememberSheet(
  tx: Tx,
  heads: readonly (readonly [head: string, meaning: Meaning])[],
  nothing: readonly string[],
): Promise<void> {
  const each = new Map(heads.filter(([head]) => head !== ""));
  await tx.query(
    `insert into sheet_head (club_id, head, meaning)
     select current_club(), h, m from unnest($1::text[], $2::text[]) u(h, m) order by h
     on conflict (club_id, head) do update set meaning = excluded.meaning, used_at = now()`,
    [[...each.keys()], [...each.values()]],
  );
  await tx.query(
    "update club set sheet_nothing = $1 where id = current_club() and sheet_nothing is distinct from $1",
    [nothing],
  );
}

// Statements about which acts have been done: each once by its key, for as long as a form may still arrive again.

import { z } from "zod";
import { ask } from "./ask.ts";
import type { Tx } from "./pool.ts";

/** A form that comes back after this is a new one. */
const KEPT_DAYS = 30;

/**
 * Claims a key in the caller's transaction. Undefined: it is new, and nobody else does it meanwhile; else what was answered then.
 */
export async function claimAct(tx: Tx, act: string, key: string): Promise<{ answer: unknown } | undefined> {
  const { rowCount } = await tx.query(
    "insert into act_done (club_id, key, act) values (current_club(), $1, $2) on conflict do nothing",
    [key, act],
  );
  if (rowCount === 1) return undefined;
  const { rows } = await ask(
    tx,
    z.object({ answer: z.unknown() }),
    "select answer from act_done where key = $1",
    [key],
  );
  return { answer: rows[0]?.answer };
}

/** Keeps what was answered; one act in sixteen, by its key, forgets what is too old. */
export async function keepAnswer(tx: Tx, key: string, answer: unknown): Promise<void> {
  await tx.query("update act_done set answer = $2 where key = $1", [key, JSON.stringify(answer ?? null)]);
  if (!key.startsWith("0")) return;
  await tx.query("delete from act_done where at < now() - make_interval(days => $1)", [KEPT_DAYS]);
}

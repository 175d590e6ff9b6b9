// Statements about work that outlasts its transaction: what is to be done, and how far it is.
import { z } from "zod";
import { ask } from "../ask.ts";
import { announce } from "../live.ts";
import { type Tx, withoutClub } from "../pool.ts";
import { type Job, jobShape } from "../queue.ts";
import { type ByModel, loadByModel, type Scope, scopeShape } from "./unit-facts.ts";

/** Notes that the needs of a scope's units are to be worked out; answers its job. */
export async function addWork(tx: Tx, scope: Scope, why: string, total: number): Promise<Job[]> {
  const { rows } = await ask(
    tx,
    jobShape,
    `insert into work (club_id, scope, why, total, started_by)
     values (current_club(), $1, $2, $3, current_setting('mossy.person')::bigint)
     returning club_id club, started_by person, id work`,
    [JSON.stringify(scope), why, total],
  );
  return rows;
}

export type Part = {
  readonly work: string;
  /** The last unit of the part before it. */
  readonly after: ByModel;
  readonly units: readonly ByModel[];
  /** Nothing is left after it. */
  readonly last: boolean;
};

/** What a job has still to do, by model, behind the last unit done; nothing if it is finished. */
export async function workLeft(
  tx: Tx,
  id: string,
): Promise<{ after: ByModel; units: readonly ByModel[] } | undefined> {
  const { rows } = await ask(
    tx,
    z.object({ scope: scopeShape, last_model: z.string(), last_unit: z.string() }),
    "select scope, last_model, last_unit from work where id = $1 and finished_at is null",
    [id],
  );
  const work = rows[0];
  if (!work) return undefined;
  const after = { model: work.last_model, id: work.last_unit };
  return { after, units: await loadByModel(tx, work.scope, after) };
}

/** Notes how far a job has come. False: another server works on it and has come further. */
export async function moveOn(tx: Tx, { work, after, units, last }: Part): Promise<boolean> {
  const to = units.at(-1) ?? after;
  const { rowCount } = await tx.query(
    `update work set done = done + $2, last_model = $3, last_unit = $4, finished_at = case when $5 then now() end
     where id = $1 and finished_at is null and last_model = $6 and last_unit = $7`,
    [work, units.length, to.model, to.id, last, after.model, after.id],
  );
  if (rowCount === 0) return false;
  await announce(tx, ["work", "need"]);
  return true;
}

export const openWorkRow = z.object({ why: z.string(), done: z.number(), total: z.number() });
export type OpenWork = z.output<typeof openWorkRow>;

/** What is being worked out just now. */
export const OPEN_WORK = "select why, done, total from work where finished_at is null order by id";

export async function openWork(tx: Tx): Promise<OpenWork[]> {
  const { rows } = await ask(tx, openWorkRow, OPEN_WORK);
  return rows;
}

/** The jobs that a killed server left unfinished. */
export const unfinishedWork = (then: (tx: Tx, jobs: readonly Job[]) => Promise<void>): Promise<void> =>
  withoutClub(async (tx) => {
    const { rows } = await ask(
      tx,
      jobShape,
      "select club_id club, person_id person, id work from unfinished_work()",
    );
    await then(tx, rows);
  });

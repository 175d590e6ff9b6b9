// Needs brought up to date after a change that touches many units: at once if they are few, else as a job with progress.
import { loadUnitIds, type Scope, scopeSize } from "./facts.ts";
import { recompute } from "./needs.ts";
import { type Actor, type Tx, withClub, withoutClub } from "./pool.ts";
import { type Job, send, takeJobs, type Worker } from "./queue.ts";

/** So many units are done in the transaction of the change itself; it takes less than a second. */
export const AT_ONCE = 2500;
const PART = 1000;

/** Brings the needs of a scope's units up to date, in the caller's transaction or by a job. Answers how many units. */
export async function bringUpToDate(tx: Tx, scope: Scope, why: string, atOnce = AT_ONCE): Promise<number> {
  const total = await scopeSize(tx, scope);
  if (total <= atOnce) return recompute(tx, scope);
  const { rows } = await tx.query<Job>(
    `insert into work (club_id, scope, why, total, started_by)
     values (current_club(), $1, $2, $3, current_setting('mossy.person')::bigint)
     returning club_id club, started_by person, id work`,
    [JSON.stringify(scope), why, total],
  );
  for (const job of rows) await send(tx, job);
  return total;
}

type Part = { readonly left: boolean };

/** Does one job to its end, in parts of a thousand units; each part is a transaction, so what is done stays done. */
export async function doWork(job: Job, part = PART): Promise<void> {
  const actor: Actor = { club: job.club, person: job.person };
  let left = true;
  while (left) ({ left } = await withClub(actor, (tx) => doPart(tx, job.work, part)));
}

async function doPart(tx: Tx, id: string, part: number): Promise<Part> {
  const { rows } = await tx.query<{ scope: Scope; last_unit: string }>(
    "select scope, last_unit from work where id = $1 and finished_at is null for update",
    [id],
  );
  const work = rows[0];
  if (!work) return { left: false };
  const ids = await loadUnitIds(tx, work.scope, work.last_unit, part);
  if (ids.length > 0) await recompute(tx, { of: "units", ids });
  const left = ids.length === part;
  await tx.query(
    `update work set done = done + $2, last_unit = $3, finished_at = case when $4 then null else now() end where id = $1`,
    [id, ids.length, ids.at(-1) ?? work.last_unit, left],
  );
  return { left };
}

export type OpenWork = { readonly why: string; readonly done: number; readonly total: number };

/** What is being worked out just now. */
export async function openWork(tx: Tx): Promise<OpenWork[]> {
  const { rows } = await tx.query<OpenWork>(
    "select why, done, total from work where finished_at is null order by id",
  );
  return rows;
}

/** Takes jobs from the queue until stopped, first those that a killed server left unfinished. */
export async function startWorking(url: string): Promise<Worker> {
  await withoutClub(async (tx) => {
    const { rows } = await tx.query<Job>(
      "select club_id club, person_id person, id work from unfinished_work()",
    );
    for (const job of rows) await send(tx, job);
  });
  return takeJobs(url, doWork);
}

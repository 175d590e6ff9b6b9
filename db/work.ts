// Needs brought up to date after a change that touches many units: at once if they are few, else as a job with progress.
import { type ByModel, loadByModel, type Scope, scopeSize } from "./facts.ts";
import { recompute } from "./needs.ts";
import { type Actor, type Tx, withClub, withoutClub } from "./pool.ts";
import { type Job, send, takeJobs, type Worker } from "./queue.ts";

/** So many units are done in the transaction of the change itself; it takes less than a second. */
export const AT_ONCE = 2500;
const PART = 2000;

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

/**
 * Does one job to its end, in parts of some thousand units; each part is a transaction, so what is done stays done.
 */
export async function doWork(job: Job, part = PART): Promise<void> {
  const actor: Actor = { club: job.club, person: job.person };
  for (;;) {
    const left = await withClub(actor, async (tx) => {
      const next = await nextUnits(tx, job.work, part);
      if (!next) return false;
      await recompute(tx, { of: "units", ids: next.units.map((unit) => unit.id) });
      await moveOn(tx, job.work, next, next.units.length === part);
      return true;
    });
    if (!left) return;
  }
}

type Next = { readonly after: ByModel; readonly units: readonly ByModel[] };

/** The units that come next; nothing if the work is finished. */
async function nextUnits(tx: Tx, id: string, limit: number): Promise<Next | undefined> {
  const { rows } = await tx.query<{ scope: Scope; last_model: string; last_unit: string }>(
    "select scope, last_model, last_unit from work where id = $1 and finished_at is null for update",
    [id],
  );
  const work = rows[0];
  if (!work) return undefined;
  const after = { model: work.last_model, id: work.last_unit };
  return { after, units: await loadByModel(tx, work.scope, after, limit) };
}

async function moveOn(tx: Tx, id: string, { after, units }: Next, left: boolean): Promise<void> {
  const last = units.at(-1) ?? after;
  await tx.query(
    `update work set done = done + $2, last_model = $3, last_unit = $4, finished_at = case when $5 then null else now() end
     where id = $1`,
    [id, units.length, last.model, last.id, left],
  );
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

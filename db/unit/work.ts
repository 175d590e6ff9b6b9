// Needs brought up to date after a change that touches many units: at once if they are few, else as a job with progress.

import { z } from "zod";
import { ask } from "../ask.ts";
import { announce } from "../live.ts";
import { type Actor, type Tx, withClub, withoutClub } from "../pool.ts";
import { type Job, jobShape, send, takeJobs, type Worker } from "../queue.ts";
import { recompute } from "./needs.ts";
import { type ByModel, loadByModel, type Scope, scopeShape, scopeSize } from "./unit-facts.ts";

/** So many units are done in the transaction of the change itself; it takes less than a second. */
export const AT_ONCE = 2500;
const PART = 2000;

/** Brings the needs of a scope's units up to date, in the caller's transaction or by a job. Answers how many units. */
export async function bringUpToDate(tx: Tx, scope: Scope, why: string, atOnce = AT_ONCE): Promise<number> {
  // Of units that are named there are no more than that: they need not be counted.
  if (scope.of === "units" && scope.ids.length <= atOnce) return recompute(tx, scope);
  const total = await scopeSize(tx, scope);
  if (total <= atOnce) return recompute(tx, scope);
  const { rows } = await ask(
    tx,
    jobShape,
    `insert into work (club_id, scope, why, total, started_by)
     values (current_club(), $1, $2, $3, current_setting('mossy.person')::bigint)
     returning club_id club, started_by person, id work`,
    [JSON.stringify(scope), why, total],
  );
  for (const job of rows) await send(tx, job);
  await announce(tx, ["work"]);
  return total;
}

/**
 * Does one job to its end, in parts of some thousand units; each part is a transaction, so what is done stays done. Two
 * parts are under way at once: while PostgreSQL stores one, the next is worked out. They are saved in their order, and a
 * part begins when the one before it has all its locks: so none waits for a lock while another waits for it out here.
 */
export async function doWork(job: Job, part = PART): Promise<void> {
  const actor: Actor = { club: job.club, person: job.person };
  const work = await withClub(actor, (tx) => workLeft(tx, job.work), "work");
  if (!work) return;
  let before: Promise<void> = Promise.resolve();
  const underWay = new Set<Promise<void>>();
  try {
    for (let at = 0; at === 0 || at < work.units.length; at += part) {
      const units = work.units.slice(at, at + part);
      const after = work.units[at - 1] ?? work.after;
      const last = at + part >= work.units.length;
      const own = startPart(actor, { work: job.work, after, units, last }, before);
      underWay.add(own.saved);
      await Promise.race([own.locked, own.saved]);
      await before;
      underWay.delete(before);
      before = own.saved;
    }
    await before;
  } catch (error) {
    if (!(error instanceof TakenOver)) throw error;
  } finally {
    await Promise.allSettled(underWay);
  }
}

type Part = {
  readonly work: string;
  /** The last unit of the part before it. */
  readonly after: ByModel;
  readonly units: readonly ByModel[];
  /** Nothing is left after it. */
  readonly last: boolean;
};

/** Another server works on the same job and has come further. */
class TakenOver extends Error {}

/** Begins a part; it is saved after its turn has come. */
function startPart(
  actor: Actor,
  part: Part,
  turn: Promise<void>,
): { locked: Promise<void>; saved: Promise<void> } {
  let hasLocks = () => {};
  const locked = new Promise<void>((resolve) => {
    hasLocks = resolve;
  });
  const saved = withClub(
    actor,
    async (tx) => {
      // Undone for the sake of another and begun again, it could wait for that one while the next part waits for it.
      await tx.query("set local lock_timeout = '20s'");
      await recompute(tx, { of: "units", ids: part.units.map((unit) => unit.id) }, hasLocks);
      await turn;
      await moveOn(tx, part);
    },
    "work",
  );
  return { locked, saved };
}

/** What a job has still to do, by model, behind the last unit done; nothing if it is finished. */
async function workLeft(
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

async function moveOn(tx: Tx, { work, after, units, last }: Part): Promise<void> {
  const to = units.at(-1) ?? after;
  const { rowCount } = await tx.query(
    `update work set done = done + $2, last_model = $3, last_unit = $4, finished_at = case when $5 then now() end
     where id = $1 and finished_at is null and last_model = $6 and last_unit = $7`,
    [work, units.length, to.model, to.id, last, after.model, after.id],
  );
  if (rowCount === 0) throw new TakenOver();
  await announce(tx, ["work", "need"]);
}

export const openWorkRow = z.object({ why: z.string(), done: z.number(), total: z.number() });
export type OpenWork = z.output<typeof openWorkRow>;

/** What is being worked out just now. */
export const OPEN_WORK = "select why, done, total from work where finished_at is null order by id";

export async function openWork(tx: Tx): Promise<OpenWork[]> {
  const { rows } = await ask(tx, openWorkRow, OPEN_WORK);
  return rows;
}

/** Takes jobs from the queue until stopped, first those that a killed server left unfinished. */
export async function startWorking(url: string): Promise<Worker> {
  await withoutClub(async (tx) => {
    const { rows } = await ask(
      tx,
      jobShape,
      "select club_id club, person_id person, id work from unfinished_work()",
    );
    for (const job of rows) await send(tx, job);
  });
  return takeJobs(url, doWork);
}

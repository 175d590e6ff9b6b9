// Needs of many units worked out in the background, in parts, with progress.
import { recompute } from "#acts/needs/recompute.ts";
import { type Actor, withClub } from "#db/pool.ts";
import { type Job, send } from "#db/queue.ts";
import { moveOn, type Part, unfinishedWork, workLeft } from "#db/unit/index.ts";
import { takeJobs, type Worker } from "./queue.ts";

const PART = 2000;

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
      if (!(await moveOn(tx, part))) throw new TakenOver();
    },
    "work",
  );
  return { locked, saved };
}

/** Takes jobs from the queue until stopped, first those that a killed server left unfinished. */
export async function startWorking(url: string): Promise<Worker> {
  await unfinishedWork(async (tx, jobs) => {
    for (const job of jobs) await send(tx, job);
  });
  return takeJobs(url, doWork);
}

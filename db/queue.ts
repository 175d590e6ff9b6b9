// The queue of work that outlasts its transaction: pg-boss in a schema of its own, in the same database. Jobs hold
// ids only; what is to be done stands in the table `work`, under row-level security like everything else.
import PgBoss from "pg-boss";
import { z } from "zod";
import { complainOf } from "./complain.ts";
import type { Tx } from "./pool.ts";

export const QUEUE = "needs";
const SCHEMA = "pgboss";

export const jobShape = z.object({ club: z.string(), person: z.string(), work: z.string() });
export type Job = z.infer<typeof jobShape>;

/** Makes or updates the queue's tables, as their owner, and lets the application's role use them. */
export async function makeQueue(ownerUrl: string): Promise<void> {
  const boss = new PgBoss({
    connectionString: ownerUrl,
    schema: SCHEMA,
    supervise: false,
    schedule: false,
    max: 1,
  });
  boss.on("error", () => {});
  await boss.start();
  try {
    await boss.createQueue(QUEUE, { name: QUEUE, retryLimit: 5, retryDelay: 5 });
    await boss.getDb().executeSql(
      `grant usage on schema ${SCHEMA} to mossy_app;
       grant select, insert, update, delete on all tables in schema ${SCHEMA} to mossy_app`,
      [],
    );
  } finally {
    await boss.stop({ graceful: false });
  }
}

// Only its sentence for sending is used: the transaction's own connection carries it.
let sender: PgBoss | undefined;

/** Puts a job into the queue in the caller's transaction: it is there if, and only if, its cause is. */
export async function send(tx: Pick<Tx, "query">, job: Job): Promise<void> {
  sender ??= new PgBoss({ connectionString: "postgres://unused", schema: SCHEMA });
  await sender.send(QUEUE, job, { db: { executeSql: (text, values) => tx.query(text, values) } });
}

export type Worker = { readonly stop: () => Promise<void> };

/** Takes jobs as they come, one at a time. A database that is away is waited for. */
export async function takeJobs(url: string, act: (job: Job) => Promise<void>): Promise<Worker> {
  const boss = new PgBoss({
    connectionString: url,
    schema: SCHEMA,
    migrate: false,
    schedule: false,
    max: 2,
    application_name: "mossy-cabinet queue",
  });
  // What goes wrong with one look is tried again at the next; a job that failed is kept by the queue and retried.
  boss.on("error", complainOf("The queue of work"));
  const complain = complainOf("A job failed and will be tried again");
  await boss.start();
  await boss.work(QUEUE, { pollingIntervalSeconds: 1 }, async (jobs) => {
    for (const job of jobs)
      await act(jobShape.parse(job.data)).catch((error: Error) => {
        complain(error);
        throw error;
      });
  });
  return { stop: () => boss.stop({ graceful: false }) };
}

// The queue of work that outlasts its transaction: pg-boss in a schema of its own. Jobs hold ids only; what is to be done stands in `work`, under row-level security.
import PgBoss from "pg-boss";
import { z } from "zod";
import type { Tx } from "./pool.ts";

export const QUEUE = "needs";
export const SCHEMA = "pgboss";

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

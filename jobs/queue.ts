// The worker's end of the queue: takes jobs and has them done.
import PgBoss from "pg-boss";
import { complainOf } from "#db/complain.ts";
import { type Job, jobShape, QUEUE, SCHEMA } from "#db/queue.ts";

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

// Runs at the bench and what happened in them.
import { z } from "zod";
import { happening, type RunEvent, type SentEvent } from "#core/run/event.ts";
import { planShape, type RunPlan } from "#core/run/plan.ts";
import { ask, idRow } from "./ask.ts";
import type { Tx } from "./pool.ts";

const runRow = z.object({
  id: z.string(),
  unit_id: z.string(),
  tag: z.string(),
  title: z.string(),
  plan: planShape,
  begun_by: z.string(),
  begun_at: z.date(),
  ended_at: z.date().nullable(),
});
export type RunRow = z.output<typeof runRow>;

const RUN = `select r.id, r.unit_id, u.tag, r.title, r.plan, p.name begun_by, r.begun_at, r.ended_at
  from run r join unit u on u.club_id = r.club_id and u.id = r.unit_id
  join person p on p.club_id = r.club_id and p.id = r.begun_by`;

export async function addRun(
  tx: Tx,
  run: { readonly unit: string; readonly title: string; readonly plan: RunPlan; readonly by: string },
): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    "insert into run (club_id, unit_id, title, plan, begun_by) values (current_club(), $1, $2, $3, $4) returning id",
    [run.unit, run.title, JSON.stringify(run.plan), run.by],
  );
  return rows[0]?.id ?? "";
}

export async function runById(tx: Tx, id: string): Promise<RunRow | undefined> {
  const { rows } = await ask(tx, runRow, `${RUN} where r.id = $1`, [id]);
  return rows[0];
}

/** From here to the end of the transaction nobody else moves the run. */
export const lockRun = (tx: Tx, id: string) =>
  tx.query("select from run where id = $1 for no key update", [id]);

/** The runs that go on, the last one first. */
export async function openRuns(tx: Tx): Promise<RunRow[]> {
  const { rows } = await ask(
    tx,
    runRow,
    `${RUN} where r.ended_at is null order by r.begun_at desc, r.id desc`,
  );
  return rows;
}

const eventRow = z.object({
  run_id: z.string(),
  id: z.string(),
  number: z.number(),
  at: z.date(),
  by: z.string(),
  what: happening,
});

/** What happened in some runs, by run, in its order. `by` is a person's id. */
export async function eventsOf(tx: Tx, runs: readonly string[]): Promise<Map<string, RunEvent[]>> {
  const { rows } = await ask(
    tx,
    eventRow,
    `select run_id, id, number, at, person_id "by", what from run_event
     where run_id = any($1::bigint[]) order by run_id, number`,
    [runs],
  );
  const found = new Map<string, RunEvent[]>(runs.map((id) => [id, []]));
  for (const { run_id, at, ...event } of rows) found.get(run_id)?.push({ ...event, at: at.toISOString() });
  return found;
}

export const addEvent = (tx: Tx, run: string, event: SentEvent, by: string) =>
  tx.query(
    "insert into run_event (club_id, run_id, number, id, person_id, what) values (current_club(), $1, $2, $3, $4, $5)",
    [run, event.number, event.id, by, JSON.stringify(event.what)],
  );

export const endRun = (tx: Tx, id: string) => tx.query("update run set ended_at = now() where id = $1", [id]);

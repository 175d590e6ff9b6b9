// Runs at the bench and what happened in them.
import { z } from "zod";
import { happening, planShape, type RunEvent, type RunPlan, type SentEvent } from "#core/run/index.ts";
import { ask, idRow } from "../ask.ts";
import { only } from "../only.ts";
import type { Tx } from "../pool.ts";

const runRow = z.object({
  id: z.string(),
  unit_id: z.string(),
  tag: z.string(),
  title: z.string(),
  plan: planShape,
  errand: z.record(z.string(), z.unknown()).nullable(),
  begun_by: z.string(),
  held_by: z.string(),
  held_by_id: z.string(),
  heard_at: z.date(),
  begun_at: z.date(),
  ended_at: z.date().nullable(),
});
export type RunRow = z.output<typeof runRow>;

const RUN = `select r.id, r.unit_id, u.tag, r.title, r.plan, r.errand, p.name begun_by, h.name held_by, r.held_by held_by_id,
    r.heard_at, r.begun_at, r.ended_at
  from run r join unit u on u.club_id = r.club_id and u.id = r.unit_id
  join person p on p.club_id = r.club_id and p.id = r.begun_by
  join person h on h.club_id = r.club_id and h.id = r.held_by`;

export async function addRun(
  tx: Tx,
  run: {
    readonly unit: string;
    readonly title: string;
    readonly plan: RunPlan;
    readonly by: string;
    readonly errand?: object;
  },
): Promise<string> {
  const { rows } = await ask(
    tx,
    idRow,
    "insert into run (club_id, unit_id, title, plan, begun_by, held_by, errand) values (current_club(), $1, $2, $3, $4, $4, $5) returning id",
    [run.unit, run.title, JSON.stringify(run.plan), run.by, run.errand ? JSON.stringify(run.errand) : null],
  );
  return only(rows).id;
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

/** The run is over: what it held is free again. */
export async function endRun(tx: Tx, id: string): Promise<void> {
  await tx.query("update run set ended_at = now() where id = $1", [id]);
  await tx.query("update run_thing set released_at = now() where run_id = $1 and released_at is null", [id]);
}

/** A sign of life from its bench. */
export const hearFrom = (tx: Tx, id: string) =>
  tx.query("update run set heard_at = now() where id = $1", [id]);

/** From now on somebody else has it. */
export const holdRun = (tx: Tx, id: string, by: string) =>
  tx.query("update run set held_by = $2, heard_at = now() where id = $1", [id, by]);

export const THING_KINDS = ["lead", "computer", "adapter", "tool", "gear", "antenna"] as const;
export type Thing = {
  readonly kind: (typeof THING_KINDS)[number];
  readonly id: string;
  readonly name: string;
};

/** Notes what a run is to work with. */
export async function addThings(tx: Tx, run: string, things: readonly Thing[]): Promise<void> {
  await tx.query(
    `insert into run_thing (club_id, run_id, kind, thing_id, name)
     select current_club(), $1, * from unnest($2::text[], $3::bigint[], $4::text[])`,
    [run, things.map((t) => t.kind), things.map((t) => t.id), things.map((t) => t.name)],
  );
}

/** Takes what a run works with, from now on. Throws what `isDuplicate(error, "run_thing_once")` knows if another has it. */
export const takeThings = (tx: Tx, run: string) =>
  tx.query("update run_thing set taken_at = now(), released_at = null where run_id = $1", [run]);

const takenRow = z.object({
  run_id: z.string(),
  tag: z.string(),
  kind: z.enum(THING_KINDS),
  id: z.string(),
  name: z.string(),
  by: z.string(),
  /** Its bench has said nothing for as long as the club has set. */
  silent: z.boolean(),
});
export type Taken = z.output<typeof takenRow>;

/** What runs hold now, or what one has worked with. */
export async function thingsTaken(tx: Tx, run?: string): Promise<Taken[]> {
  const { rows } = await ask(
    tx,
    takenRow,
    `select t.run_id, u.tag, t.kind, t.thing_id id, t.name, p.name "by",
       r.heard_at < now() - make_interval(mins => c.bench_silence) silent
     from run_thing t join run r on r.club_id = t.club_id and r.id = t.run_id
     join unit u on u.club_id = r.club_id and u.id = r.unit_id
     join person p on p.club_id = r.club_id and p.id = r.held_by join club c on c.id = r.club_id
     where ${run === undefined ? "t.taken_at is not null and t.released_at is null" : "t.run_id = $1"} order by t.run_id, t.kind, t.name`,
    run === undefined ? [] : [run],
  );
  return rows;
}

/** A thing is taken from the run that holds it. */
export const releaseThing = (tx: Tx, { run_id, kind, id }: Pick<Taken, "run_id" | "kind" | "id">) =>
  tx.query(
    "update run_thing set released_at = now() where run_id = $1 and kind = $2 and thing_id = $3 and released_at is null",
    [run_id, kind, id],
  );

/** Whether the bench of a run has been silent for so long that others may take over. */
export async function isSilent(tx: Tx, id: string): Promise<boolean> {
  const { rows } = await ask(
    tx,
    z.object({ silent: z.boolean() }),
    `select r.heard_at < now() - make_interval(mins => c.bench_silence) silent
     from run r join club c on c.id = r.club_id where r.id = $1`,
    [id],
  );
  return rows[0]?.silent === true;
}

/** The runs of a unit that are over, the last one first; so many of them. */
export async function runsOfUnit(tx: Tx, unit: string, most: number): Promise<RunRow[]> {
  const { rows } = await ask(
    tx,
    runRow,
    `${RUN} where r.unit_id = $1 order by r.begun_at desc, r.id desc limit $2`,
    [unit, most],
  );
  return rows;
}

/** The last runs of a model that are over, on other radios and this one; `simulated`: a simulated radio stood in. */
export async function runsOfModel(
  tx: Tx,
  model: string,
  most: number,
): Promise<{ readonly id: string; readonly plan: RunPlan; readonly simulated: boolean }[]> {
  const { rows } = await ask(
    tx,
    z.object({ id: z.string(), plan: planShape, simulated: z.boolean() }),
    `select r.id, r.plan, exists (select from simulated_radio s where s.club_id = r.club_id and s.unit_id = r.unit_id) simulated
     from run r join unit u on u.club_id = r.club_id and u.id = r.unit_id
     where u.model_id = $1 and r.ended_at is not null order by r.ended_at desc, r.id desc limit $2`,
    [model, most],
  );
  return rows;
}

/** The last runs that wrote into real radios and came to their end, with the kinds of leads that they went by. */
export async function runsThatWrote(
  tx: Tx,
  most: number,
): Promise<{ readonly id: string; readonly plan: RunPlan; readonly leads: readonly string[] }[]> {
  const { rows } = await ask(
    tx,
    z.object({ id: z.string(), plan: planShape, leads: z.array(z.string()) }),
    `select r.id, r.plan, array(select distinct l.kind from run_thing t join lead l on l.club_id = t.club_id and l.id = t.thing_id
         where t.club_id = r.club_id and t.run_id = r.id and t.kind = 'lead') leads
     from run r where r.ended_at is not null and r.plan ->> 'purpose' in ('restore', 'program')
       and not exists (select from simulated_radio s where s.club_id = r.club_id and s.unit_id = r.unit_id)
     order by r.ended_at desc, r.id desc limit $1`,
    [most],
  );
  return rows;
}

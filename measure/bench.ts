// The bench: a step's answer to the next step, with eight benches at once; a change on another's screen; fifty benches that lose nothing; and
// the fold of a long run.
import { execFile } from "node:child_process";
import { fileURLToPath } from "node:url";
import { promisify } from "node:util";
import pg from "pg";
import { foldRun, type Happening, type RunEvent, type RunPlan } from "#core/run/index.ts";
import { serveFresh } from "../e2e/serve.ts";
import { answerAt } from "./bench-answer.ts";
import type { BenchTask } from "./bench-asker.ts";
import { best, type Measured, ms, ratio, sorts } from "./clock.ts";
import { ask, signInKeeper } from "./pages.ts";

const EVENTS = 2000;
const BENCHES = 8;
const MANY = 50;
const ANSWERS = 30;
const STEPS = 44;
const LONG_MS = 600_000;
const EVERY_MS = 5000;

export async function measureBench(): Promise<Measured[]> {
  const here = await benches();
  const own = here.runs.slice(0, BENCHES);
  // Once before it counts, as on any server that has been asked before.
  await here.press(own, { answers: 2 });
  const times = await here.press(own, { answers: ANSWERS });
  const live = await measureLive(here.served.address, here.cookie, own[0] ?? "", () =>
    here.pressOnce(own[0] ?? ""),
  );
  const [base = 0] = await ask({
    pages: [{ url: `${here.served.address}/sign-in`, headers: {} }],
    atOnce: BENCHES,
    rounds: 40,
  });
  const before = await here.stands();
  const began = performance.now();
  const given = await here.press(here.runs, { answers: ANSWERS });
  const lasted = performance.now() - began;
  const after = await here.stands();
  await here.stop();
  return [
    ratio(
      `a step's answer to the whole next page, ${BENCHES} benches at once, each as fast as it can, 95 of 100, against as many sign-in pages at once`,
      percentile(times, 0.95),
      base,
      2.5,
    ),
    await sorts("a change at the bench, told on another's channel", live, 50),
    {
      what: `${MANY} benches, ${ANSWERS} answers each, as fast as they come: answers lost, claims lost`,
      value: `${before.events + given.length - after.events} of ${given.length}, ${MANY - after.claims} of ${MANY} (in ${ms(lasted)})`,
      asked: "none",
      ok: before.events + given.length === after.events && after.claims === MANY,
    },
    await sorts(`the fold of a run of ${EVENTS} events`, await foldLong(), 0.5),
  ];
}

/** Only when it is asked for by name: it takes as long as it says. */
export async function measureBenchLong(): Promise<Measured[]> {
  const here = await benches();
  const before = await here.stands();
  const times = await here.press(here.runs, { forMs: LONG_MS, everyMs: EVERY_MS });
  const after = await here.stands();
  await here.stop();
  return [
    {
      what: `${MANY} benches for ${LONG_MS / 60_000} minutes, an answer every ${EVERY_MS / 1000} s each: answers lost, claims lost`,
      value: `${before.events + times.length - after.events} of ${times.length}, ${MANY - after.claims} of ${MANY}`,
      asked: "none",
      ok: before.events + times.length === after.events && after.claims === MANY,
    },
    await sorts(
      `a step's answer to the whole next page, ${MANY} benches at that pace, 95 of 100`,
      percentile(times, 0.95),
      15,
    ),
  ];
}

const percentile = (times: readonly number[], part: number): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length * part)] ?? Number.NaN;

/** A server with many runs that go on, each with something in use, and benches that press. */
async function benches() {
  const served = await serveFresh("demo");
  const cookie = await signInKeeper(served.address);
  const owner = new pg.Client({ connectionString: served.ownerUrl });
  await owner.connect();
  await owner.query("select set_config('mossy.club', (select id::text from club limit 1), false)");
  const runs = await layRuns(owner, MANY);
  const numbers = new Map(runs.map((run) => [run, 1]));
  return {
    served,
    cookie,
    runs,
    press: async (which: readonly string[], pace: BenchTask["pace"]): Promise<number[]> => {
      const task: BenchTask = {
        address: served.address,
        cookie,
        pace,
        runs: which.map((id) => ({ id, number: numbers.get(id) ?? 1 })),
      };
      const { stdout } = await promisify(execFile)(process.execPath, [
        ...["--import", "tsx", fileURLToPath(new URL("bench-asker.ts", import.meta.url))],
        JSON.stringify(task),
      ]);
      if ("answers" in pace) for (const id of which) numbers.set(id, (numbers.get(id) ?? 1) + pace.answers);
      return JSON.parse(stdout);
    },
    pressOnce: async (run: string) => {
      const number = numbers.get(run) ?? 1;
      await answerAt({ address: served.address, cookie }, run, number);
      numbers.set(run, number + 1);
    },
    stands: async () => {
      const { rows } = await owner.query<{ events: string; claims: string }>(
        `select (select count(*) from run_event) events,
           (select count(*) from run_thing where run_id = any($1::bigint[]) and taken_at is not null and released_at is null) claims`,
        [runs],
      );
      return { events: Number(rows[0]?.events), claims: Number(rows[0]?.claims) };
    },
    stop: async () => {
      await owner.end();
      await served.stop();
    },
  };
}

const step = { kind: "open", wanted: "count", minutes: 1 } as const;

function foldLong(): Promise<number> {
  const steps = Array.from({ length: 150 }, () => step);
  const plan: RunPlan = { purpose: "procedure", stages: [{ name: "do", title: "Long", steps }] };
  const kinds: Happening[] = [
    { kind: "seen" },
    { kind: "odd", symptom: "dark" },
    { kind: "cured", cause: "flat", cure: "charged" },
    { kind: "went-back", to: 0 },
  ];
  const events = Array.from({ length: EVENTS }, (_, i): RunEvent => {
    const what = i === 0 ? ({ kind: "started" } as const) : (kinds[i % kinds.length] ?? { kind: "seen" });
    return { id: `event ${i}`, number: i + 1, at: new Date(i * 1000).toISOString(), by: "1", what };
  });
  return best(20, () => foldRun(plan, events));
}

/** Runs that go on, each on a radio of its own. */
async function layRuns(owner: pg.Client, count: number): Promise<string[]> {
  // As long as an update over a stepping stone is.
  const steps = Array.from({ length: STEPS }, () => step);
  const plan = { purpose: "procedure", stages: [{ name: "do", title: "Count", steps }] };
  const { rows } = await owner.query<{ id: string }>(
    `insert into run (club_id, unit_id, title, plan, begun_by, held_by)
     select u.club_id, u.id, 'Count', $1, p.id, p.id from unit u join lateral
       (select id from person p where p.club_id = u.club_id order by id limit 1) p on true
     where u.shelved_at is null and not exists (select from run r where r.club_id = u.club_id and r.unit_id = u.id and r.ended_at is null)
     order by u.id limit $2 returning id`,
    [JSON.stringify(plan), count],
  );
  await owner.query(
    `insert into run_event (club_id, run_id, number, id, person_id, what)
     select club_id, id, 1, 'begun for it', begun_by, '{"kind":"started"}' from run where id = any($1::bigint[])`,
    [rows.map(({ id }) => id)],
  );
  await owner.query(
    `insert into run_thing (club_id, run_id, kind, thing_id, name, taken_at)
     select club_id, id, 'gear', 1000000 + id, 'Load', now() from run where id = any($1::bigint[])`,
    [rows.map(({ id }) => id)],
  );
  return rows.map(({ id }) => id);
}

/** From the press at one bench until another's open channel tells of it. */
async function measureLive(
  address: string,
  cookie: string,
  run: string,
  press: () => Promise<unknown>,
): Promise<number> {
  const leaving = new AbortController();
  const stream = await fetch(`${address}/live`, { headers: { cookie }, signal: leaving.signal });
  const reader = stream.body?.getReader();
  if (stream.status !== 200 || !reader) throw new Error(`the channel answered ${stream.status}`);
  const heard = async () => {
    const decoder = new TextDecoder();
    for (let text = ""; ; ) {
      const { value, done } = await reader.read();
      if (done) throw new Error("the channel ended");
      text += decoder.decode(value, { stream: true });
      if (text.includes(`run:${run}`)) return performance.now();
    }
  };
  const told = heard();
  const started = performance.now();
  await press();
  const took = (await told) - started;
  leaving.abort();
  return took;
}

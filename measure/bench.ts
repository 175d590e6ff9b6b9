// The bench: a step's answer to the next step, with eight benches at once; a change on another's screen; fifty benches that lose nothing; and
// the fold of a long run.
import pg from "pg";
import type { Happening, RunEvent } from "#core/run/event.ts";
import { foldRun } from "#core/run/fold.ts";
import type { RunPlan } from "#core/run/plan.ts";
import { serveFresh } from "../e2e/serve.ts";
import { best, type Measured, ms, under } from "./clock.ts";
import { signInKeeper } from "./pages.ts";

const EVENTS = 2000;
const BENCHES = 8;
const MANY = 50;
const ANSWERS = 30;
const STEPS = 44;

export async function measureBench(): Promise<Measured[]> {
  const served = await serveFresh("demo");
  const cookie = await signInKeeper(served.address);
  const owner = new pg.Client({ connectionString: served.ownerUrl });
  await owner.connect();
  await owner.query("select set_config('mossy.club', (select id::text from club limit 1), false)");
  const runs = await layRuns(owner, MANY);
  const answer = answering(served.address, cookie);
  const own = runs.slice(0, BENCHES);
  // Once before it counts, as on any server that has been asked before.
  await Promise.all(own.map((run) => answer(run, 2)));
  const times = (await Promise.all(own.map((run) => answer(run, ANSWERS)))).flat().sort((a, b) => a - b);
  const p95 = times[Math.floor(times.length * 0.95)] ?? Number.NaN;
  const live = await measureLive(served.address, cookie, own[0] ?? "", answer);
  const before = await countEvents(owner);
  const began = performance.now();
  await Promise.all(runs.map((run) => answer(run, ANSWERS)));
  const lasted = performance.now() - began;
  const lost = before + MANY * ANSWERS - (await countEvents(owner));
  await owner.end();
  await served.stop();
  return [
    under(`a step's answer to the whole next page, ${BENCHES} benches at once, 95 of 100`, p95, 150),
    under("a change at the bench, told on another's channel", live, 500),
    {
      what: `${MANY} benches, ${ANSWERS} answers each, as fast as they come: answers lost`,
      value: `${lost} of ${MANY * ANSWERS} (in ${ms(lasted)})`,
      asked: "none",
      ok: lost === 0,
    },
    under(`the fold of a run of ${EVENTS} events`, await foldLong(), 5),
  ];
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
  return rows.map(({ id }) => id);
}

const countEvents = async (owner: pg.Client): Promise<number> =>
  Number((await owner.query("select count(*) n from run_event")).rows[0]?.n);

/** Presses the answer of step after step of one run, and reads the page that comes; how long each took. */
function answering(address: string, cookie: string) {
  const numbers = new Map<string, number>();
  return async (run: string, times: number): Promise<number[]> => {
    const took: number[] = [];
    for (let i = 0; i < times; i++) {
      const number = numbers.get(run) ?? 1;
      // One step on, and back again.
      const [intent, place] = number % 2 === 1 ? ["seen", 0] : ["back", 1];
      const body = new URLSearchParams({
        ...{ intent, number: String(number), place: String(place), last: "no" },
        key: crypto.randomUUID(),
      });
      const started = performance.now();
      const answer = await fetch(`${address}/bench/${run}`, {
        method: "POST",
        headers: { Origin: address, cookie, "Content-Type": "application/x-www-form-urlencoded" },
        body,
      });
      const page = await answer.text();
      took.push(performance.now() - started);
      if (answer.status !== 200 || !page.includes(`Step <!-- -->${2 - place}<!-- -->`))
        throw new Error(`run ${run} answered ${answer.status}`);
      numbers.set(run, number + 1);
    }
    return took;
  };
}

/** From the press at one bench until another's open channel tells of it. */
async function measureLive(
  address: string,
  cookie: string,
  run: string,
  answer: (run: string, times: number) => Promise<number[]>,
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
  await answer(run, 1);
  const took = (await told) - started;
  leaving.abort();
  return took;
}

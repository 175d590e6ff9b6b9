// A run at the bench: moved by what is sent, once, in order, by nobody who was not quick enough; and what it comes to.
import { afterAll, beforeAll, expect, it } from "vitest";
import { foldRun, type Happening, stepsOf } from "#core/run/index.ts";
import { readLog } from "#db/club/index.ts";
import type { Tx } from "#db/pool.ts";
import { eventsOf, openRuns, runById } from "#db/run/index.ts";
import { unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { performIn } from "../define.ts";
import { answerRun, MOST_OF_A_RUN } from "./answer-run.ts";
import { beginRun } from "./begin-run.ts";
import { takeOverRun } from "./take-over-run.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const begin = async (tx: Tx, tag = "W-03") => {
  const unit = await unitByTag(tx, tag);
  const { rows } = await tx.query<{ id: string; name: string }>(
    "select id, name from component where model_id = $1 order by position limit 1",
    [unit?.model_id],
  );
  const done = await performIn(tx, beginRun, club.who, {
    input: { unit: unit?.id, for: { component: rows[0]?.id } },
    key: crypto.randomUUID(),
  });
  return { done, part: rows[0]?.name ?? "", unit: unit?.id ?? "" };
};
const begun = async (tx: Tx) => {
  const { done, ...rest } = await begin(tx);
  if (!done.ok) throw new Error(done.problem.kind);
  return { run: done.value.answer.run, ...rest };
};
const send = (tx: Tx, run: string, events: readonly { id: string; number: number; what: Happening }[]) =>
  performIn(tx, answerRun, club.who, { input: { run, events }, key: crypto.randomUUID() });
const event = (number: number, what: Happening, id = `event no. ${number}`) => ({ id, number, what });
const stands = async (tx: Tx, run: string) => {
  const row = await runById(tx, run);
  if (!row) throw new Error("the run is there");
  return { row, ...foldRun(row.plan, (await eventsOf(tx, [run])).get(run) ?? []) };
};
const seen: Happening = { kind: "seen" };

it("which hardware it has is asked where nobody has noted it, and noted", () =>
  club.trial(async (tx) => {
    const unit = await unitByTag(tx, "W-03");
    await tx.query(
      `insert into hardware_revision (club_id, model_id, name, how_to_tell)
       values (current_club(), $1, 'round', 'a round knob'), (current_club(), $1, 'square', '')`,
      [unit?.model_id],
    );
    const done = await performIn(tx, beginRun, club.who, {
      input: { unit: unit?.id, for: { update: {} } },
      key: crypto.randomUUID(),
    });
    if (!done.ok) throw new Error(JSON.stringify(done.problem));
    const { run } = done.value.answer;
    const steps = stepsOf((await stands(tx, run)).plan);
    const at = steps.findIndex(({ step }) => step.kind === "gate" && step.gate === "hardware");
    const before = steps.slice(0, at).map(
      ({ step }): Happening =>
        // What is said of another gate notes no hardware.
        step.kind === "gate" ? { kind: "held", gate: step.gate, charge: 90, revision: "square" } : seen,
    );
    await send(
      tx,
      run,
      [{ kind: "started" } as const, ...before].map((what, i) => event(i + 1, what)),
    );
    const noted = async () => (await unitByTag(tx, "W-03"))?.hardware_revision;
    const answer = (number: number, revision?: string) =>
      send(tx, run, [event(number, { kind: "held", gate: "hardware", ...(revision && { revision }) })]);
    expect(await answer(at + 2)).toMatchObject({ value: { answer: { place: at, unfit: ["gate-fails"] } } });
    expect(await answer(at + 3, "oval")).toMatchObject({ value: { answer: { unfit: ["gate-fails"] } } });
    expect(await noted()).toBeNull();
    expect(await answer(at + 4, "round")).toMatchObject({ value: { answer: { place: at + 1, unfit: [] } } });
    expect(await noted()).toBe("round");
    expect((await readLog(tx, { unit: unit?.id ?? "" }, 1, "keeper"))[0]).toMatchObject({
      kind: "unit-changed",
    });
  }));

it("goes from its first step to a reading that is in, and is told of at its ends", () =>
  club.trial(async (tx) => {
    const { run, part, unit } = await begun(tx);
    const { row } = await stands(tx, run);
    const steps = row.plan.stages.flatMap((stage) => stage.steps).length;
    const walk = Array.from({ length: steps - 1 }, (_, i) => event(i + 2, seen));
    expect(await send(tx, run, [event(1, { kind: "started" }), ...walk])).toMatchObject({
      ok: true,
      value: { answer: { phase: "going", place: steps - 1, unfit: [] }, told: 0 },
    });
    const read: Happening = { kind: "reading", component: part, raw: "1.14" };
    const last = [event(steps + 1, read), event(steps + 2, seen), event(steps + 3, { kind: "finished" })];
    expect(await send(tx, run, last)).toMatchObject({
      ok: true,
      value: { answer: { phase: "finished" }, told: 2 },
    });
    const { rows } = await tx.query<{ raw: string; source: string }>(
      "select raw, source from reading where unit_id = $1 order by id desc limit 1",
      [unit],
    );
    expect(rows).toEqual([{ raw: "1.14", source: "screen" }]);
    expect((await readLog(tx, { unit }, 3, "keeper")).map((entry) => entry.kind)).toEqual([
      "run-ended",
      "reading",
      "run-begun",
    ]);
    expect((await openRuns(tx)).map((one) => one.id)).not.toContain(run);
    // After its end it takes nothing more; what was sent before is only sent again.
    expect(await send(tx, run, [event(steps + 4, read)])).toMatchObject({ problem: { kind: "over" } });
    expect(await send(tx, run, last)).toMatchObject({ ok: true, value: { told: 0 } });
    expect((await eventsOf(tx, [run])).get(run)).toHaveLength(steps + 3);
  }));

it("takes far more than any real run has, and then no more", () =>
  club.trial(async (tx) => {
    const { run } = await begun(tx);
    await send(tx, run, [event(1, { kind: "started" })]);
    await tx.query(
      `insert into run_event (club_id, run_id, number, id, person_id, what)
       select current_club(), $1, n, 'event no. ' || n, $2, '{"kind": "paused"}' from generate_series(2, $3::int) n`,
      [run, club.who.person, MOST_OF_A_RUN - 1],
    );
    expect(await send(tx, run, [event(MOST_OF_A_RUN, { kind: "resumed" })])).toMatchObject({ ok: true });
    expect(await send(tx, run, [event(MOST_OF_A_RUN + 1, { kind: "paused" })])).toMatchObject({
      problem: { kind: "too-long" },
    });
  }));

it("is answered from the bench that has it: another takes it over first, and then the first one cannot", () =>
  club.trial(async (tx) => {
    const { run } = await begun(tx);
    const { rows } = await tx.query<{ id: string }>(
      "select id from person where id <> $1 and role = 'bench' limit 1",
      [club.who.person],
    );
    const other = { ...club.who, person: rows[0]?.id ?? "", role: "bench" as const };
    const as = (who: typeof other | typeof club.who, events: Parameters<typeof send>[2]) =>
      performIn(tx, answerRun, who, { input: { run, events }, key: crypto.randomUUID() });
    const take = (input: object) =>
      performIn(tx, takeOverRun, other, { input: { run, ...input }, key: crypto.randomUUID() });
    expect(await as(club.who, [event(1, { kind: "started" })])).toMatchObject({ ok: true });
    expect(await as(other, [event(2, seen)])).toMatchObject({ problem: { kind: "held" } });
    expect((await stands(tx, run)).number).toBe(1);
    expect(await take({})).toMatchObject({ problem: { kind: "not-silent" } });
    expect(await take({ sure: true })).toMatchObject({ ok: true, value: { told: 1 } });
    expect(await as(other, [event(2, seen)])).toMatchObject({ ok: true });
    expect(await as(club.who, [event(3, seen)])).toMatchObject({ problem: { kind: "held" } });
  }));

it("that was lined up is begun by whoever has the time, and is at their bench then", () =>
  club.trial(async (tx) => {
    const { run } = await begun(tx);
    const { rows } = await tx.query<{ id: string }>(
      "select id from person where id <> $1 and role = 'bench' limit 1",
      [club.who.person],
    );
    const other = { ...club.who, person: rows[0]?.id ?? "", role: "bench" as const };
    const input = { run, events: [event(1, { kind: "started" })] };
    expect(await performIn(tx, answerRun, other, { input, key: crypto.randomUUID() })).toMatchObject({
      ok: true,
    });
    expect((await stands(tx, run)).row.held_by_id).toBe(other.person);
  }));

it("what was sent before is there once; whoever knows less is told so, and nothing of theirs is taken in", () =>
  club.trial(async (tx) => {
    const { run } = await begun(tx);
    const first = [event(1, { kind: "started" }), event(2, seen)];
    await send(tx, run, first);
    expect(await send(tx, run, [...first, event(3, { kind: "odd", symptom: "dark" })])).toMatchObject({
      ok: true,
    });
    expect(await stands(tx, run)).toMatchObject({ number: 3, place: 1, odd: "dark", unfit: [] });
    const late = [event(3, { kind: "paused" }, "another one"), event(4, { kind: "resumed" }, "and another")];
    expect(await send(tx, run, late)).toEqual({ ok: false, problem: { kind: "meanwhile", number: 3 } });
    // Half of it fits its number, the other half does not: none is taken in.
    const half = [event(4, { kind: "paused" }, "the fourth"), event(9, { kind: "resumed" }, "the ninth")];
    expect(await send(tx, run, half)).toEqual({ ok: false, problem: { kind: "meanwhile", number: 4 } });
    expect(await stands(tx, run)).toMatchObject({ number: 3, phase: "going" });
  }));

it("one radio is in one run at a time; stopped with a reason, it is free again", () =>
  club.trial(async (tx) => {
    const { run, unit } = await begun(tx);
    expect((await begin(tx)).done).toEqual({ ok: false, problem: { kind: "busy" } });
    expect((await begin(tx, "H-02")).done).toMatchObject({ ok: true });
    await send(tx, run, [event(1, { kind: "stopped", reason: "it is late" })]);
    const [entry] = await readLog(tx, { unit }, 1, "keeper");
    expect(entry).toMatchObject({ kind: "run-ended", detail: { why: "it is late" } });
    expect((await begin(tx)).done).toMatchObject({ ok: true });
  }));

it("a draft, or a procedure for another radio, is not gone through", () =>
  club.trial(async (tx) => {
    const unit = await unitByTag(tx, "W-03");
    const { rows } = await tx.query<{ own: string; other: string }>(
      `select (select id from procedure where model_id = $1 and not draft order by id limit 1) own,
         (select id from procedure where model_id <> $1 order by id limit 1) other`,
      [unit?.model_id],
    );
    const by = (procedure: string | undefined) =>
      performIn(tx, beginRun, club.who, {
        input: { unit: unit?.id, for: { procedure } },
        key: crypto.randomUUID(),
      });
    expect(await by(rows[0]?.other)).toEqual({ ok: false, problem: { kind: "no-procedure" } });
    await tx.query("update procedure set effect = 'erase' where id = $1", [rows[0]?.own]);
    expect(await by(rows[0]?.own)).toEqual({ ok: false, problem: { kind: "needs-gates" } });
    await tx.query("update procedure set draft = true where id = $1", [rows[0]?.own]);
    expect(await by(rows[0]?.own)).toEqual({ ok: false, problem: { kind: "other-radio" } });
  }));

// What a run on a real radio comes to: readings, tries of the chain, facts confirmed; and what is refused on its way.
import { createHash } from "node:crypto";
import { afterAll, beforeAll, expect, it } from "vitest";
import { foldRun, type Happening, nextStep, stepsOf } from "#core/run/index.ts";
import { readLog } from "#db/club/index.ts";
import { modesOf, unitModes } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { eventsOf, runById, thingsTaken } from "#db/run/index.ts";
import { measurementsOf, readingsOf, simulatedState, unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { performIn, type Who } from "../define.ts";
import { planFor } from "../errands/plan.ts";
import { answerRun } from "./answer-run.ts";
import { beginAnew } from "./begin-anew.ts";
import { beginRun } from "./begin-run.ts";
import { keepBackup } from "./keep-backup.ts";
import { keepFilePart } from "./keep-file-part.ts";
import { takeOverRun } from "./take-over-run.ts";
import { workMachine } from "./work-machine.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const act = <Answer>(tx: Tx, one: Parameters<typeof performIn>[1], input: object, who: Who = club.who) =>
  performIn(tx, one as never, who, { input, key: crypto.randomUUID() }) as Promise<
    | { ok: true; value: { answer: Answer } }
    | { ok: false; problem: { kind: string; [more: string]: unknown } }
  >;
const begin = async (tx: Tx, tag: string, errand: object = { update: {} }) => {
  const unit = await unitByTag(tx, tag);
  const done = await act<{ run: string }>(tx, beginRun as never, { unit: unit?.id, for: errand });
  return {
    done,
    unit: unit?.id ?? "",
    model: unit?.model_id ?? "",
    run: done.ok ? done.value.answer.run : "",
  };
};
const stands = async (tx: Tx, id: string) => {
  const row = await runById(tx, id);
  if (!row) throw new Error("the run is there");
  return foldRun(row.plan, (await eventsOf(tx, [id])).get(id) ?? []);
};
const send = async (
  tx: Tx,
  run: string,
  whats: readonly Happening[],
  more: object = {},
  who: Who = club.who,
) => {
  const { number } = await stands(tx, run);
  const events = whats.map((what, i) => ({ id: crypto.randomUUID(), number: number + i + 1, what }));
  return act<{ unfit: string[]; odd?: string }>(tx, answerRun as never, { run, events, ...more }, who);
};
/** Goes on by hand, as somebody does with a real radio, until a step is one of these or the run is over. */
async function until(tx: Tx, run: string, kind: string): Promise<void> {
  for (let i = 0; i < 200; i++) {
    const now = await stands(tx, run);
    const step = nextStep(now)?.step;
    if (!step || step.kind === kind || (step.kind === "gate" && step.gate === kind)) return;
    if (step.kind === "gate")
      await send(tx, run, [
        {
          kind: "held",
          gate: step.gate,
          charge: 90,
          ...(step.gate === "file" && step.sha256 !== undefined && { sha256: step.sha256 }),
        },
      ]);
    else if (step.kind === "read-back")
      await send(tx, run, [
        { kind: "reading", component: step.component, raw: step.version ?? "?" },
        { kind: "seen" },
      ]);
    else await send(tx, run, [{ kind: "seen" }]);
  }
}
const tries = async (tx: Tx) =>
  (await tx.query<{ worked: boolean; symptom: string }>("select worked, symptom from attempt order by id"))
    .rows;

it("a real radio: the chain's tries, the flash's own reading, and the procedures that held come of it by themselves", () =>
  club.trial(async (tx) => {
    const { run, unit } = await begin(tx, "S-05");
    const before = await tries(tx);
    await send(tx, run, [{ kind: "started" }]);
    expect((await thingsTaken(tx)).map(({ run_id }) => run_id)).toContain(run);
    await until(tx, run, "backup");
    await send(tx, run, [{ kind: "overrode", gate: "backup", reason: "it was cleared before" }]);
    await until(tx, run, "machine");
    expect(
      await act(tx, workMachine as never, {
        run,
        number: (await stands(tx, run)).number,
        event: crypto.randomUUID(),
      }),
    ).toMatchObject({
      ok: false,
      problem: { kind: "real" },
    });
    await send(tx, run, [{ kind: "machine-failed", symptom: "stopped at 40 %" }]);
    await send(tx, run, [{ kind: "cured", cause: "The plug is not pressed home", cure: "Pressed it home" }]);
    // Nobody knows in which mode it is now: it is brought into update mode again.
    const again = await stands(tx, run);
    expect(again.plan.stages[nextStep(again)?.stage ?? -1]?.name).toBe("enter");
    expect(again.odd).toBeUndefined();
    await until(tx, run, "never");
    expect((await tries(tx)).slice(before.length)).toEqual([
      // Read out, flashed in vain, flashed, written back, read once more.
      { worked: true, symptom: "" },
      { worked: false, symptom: "stopped at 40 %" },
      { worked: true, symptom: "" },
      { worked: true, symptom: "" },
      { worked: true, symptom: "" },
    ]);
    await send(tx, run, [{ kind: "finished" }]);
    const kept = (await readingsOf(tx, unit)).slice(0, 2).map(({ raw, source }) => `${raw} ${source}`);
    // Versions of this model are days, and the demo's days go along with today.
    const { rows: newest } = await tx.query<{ version: string }>(
      `select r.version from release r join component c on c.id = r.component_id join unit u on u.model_id = c.model_id
       where u.id = $1 and r.track = 'factory' and r.withdrawn_on is null and r.released_on <= $2
       order by r.released_on desc limit 1`,
      [unit, club.who.today],
    );
    expect(kept.sort()).toEqual([`${newest[0]?.version} flash`, `${newest[0]?.version} screen`]);
    const told = (await readLog(tx, {}, 30, "keeper")).map(({ kind, detail }) => [
      kind,
      JSON.stringify(detail),
    ]);
    const confirmed = told.filter(([kind]) => kind === "fact-confirmed").map(([, detail]) => detail);
    expect(confirmed.some((text) => text?.includes("Enter update mode"))).toBe(true);
    expect((await thingsTaken(tx)).map(({ run_id }) => run_id)).not.toContain(run);
  }));

it("what was read that should not be so is odd, and what was sent along with it in ignorance is not taken", () =>
  club.trial(async (tx) => {
    const { run } = await begin(tx, "H-01");
    await send(tx, run, [{ kind: "started" }]);
    // It erases nothing, and is read out all the same: any flash may fail half way.
    await until(tx, run, "backup");
    await send(tx, run, [{ kind: "overrode", gate: "backup", reason: "it was read out this morning" }]);
    await until(tx, run, "read-back");
    const said = await send(tx, run, [
      { kind: "reading", component: "main", raw: "main 2.1.4" },
      { kind: "seen" },
    ]);
    expect(said).toMatchObject({
      ok: true,
      value: { answer: { odd: "It shows 2.1.4, and should show 2.2.0 now." } },
    });
    expect(nextStep(await stands(tx, run))?.step.kind).toBe("read-back");
    expect(
      await send(tx, run, [{ kind: "cured", cause: "an old photo", cure: "looked again" }]),
    ).toMatchObject({ ok: true });
    expect(await send(tx, run, [{ kind: "reading", component: "main", raw: "   " }])).toMatchObject({
      ok: false,
    });
  }));

it("nobody says that a file was kept; only a keeper goes on without a backup", () =>
  club.trial(async (tx) => {
    const { run, unit } = await begin(tx, "W-03");
    await send(tx, run, [{ kind: "started" }]);
    const lie: Happening = { kind: "file-kept", sha256: "a".repeat(64), role: "backup" };
    expect(await send(tx, run, [lie])).toMatchObject({ ok: false, problem: { kind: "not-sent" } });
    await until(tx, run, "backup");
    const without: Happening = { kind: "overrode", gate: "backup", reason: "it is empty anyway" };
    const bench: Who = { ...club.who, role: "bench" };
    expect(await send(tx, run, [without], {}, bench)).toMatchObject({
      ok: false,
      problem: { kind: "not-yours" },
    });
    expect(await send(tx, run, [{ kind: "held", gate: "backup" }])).toMatchObject({
      value: { answer: { unfit: ["gate-fails"] } },
    });
    // A file that was read out of it passes; one that is empty, or whose bytes did not arrive, does not.
    const content = new Uint8Array(2_000_000).fill(5);
    const sha256 = createHash("sha256").update(content).digest("hex");
    const keep = (more: object) =>
      act(tx, keepBackup as never, {
        unit,
        run,
        sha256,
        size: content.length,
        name: "w3.plug",
        confirmed: false,
        ...more,
      });
    // The others of its model are far smaller.
    expect(await keep({})).toMatchObject({
      problem: { kind: "doubts", doubts: [{ kind: "size", usual: 12_400 }] },
    });
    expect(await keep({ size: 0 })).toMatchObject({
      ok: false,
      problem: { kind: "doubts", doubts: [{ kind: "empty" }] },
    });
    expect(await keep({ size: 5 * 1024 ** 3 })).toMatchObject({ ok: false });
    const sure = { confirmed: true };
    expect(await keep(sure)).toMatchObject({ ok: false, problem: { kind: "not-whole" } });
    for (const [number, at] of [0, 1_048_576].entries())
      await act(tx, keepFilePart as never, { sha256, number, content: content.slice(at, at + 1_048_576) });
    expect(await keep(sure)).toMatchObject({ ok: true });
    expect(await send(tx, run, [{ kind: "held", gate: "backup" }])).toMatchObject({
      value: { answer: { unfit: [] } },
    });
  }));

it("brought into another mode it is noted, and proved once the test frequencies fit no other; a simulated radio obeys", () =>
  club.trial(async (tx) => {
    const model = (await unitByTag(tx, "W-15"))?.model_id ?? "";
    const modes = await modesOf(tx, model);
    const asSold = modes.find(({ name }) => name === "as sold");
    const needs = async () =>
      (await tx.query("select from need where unit_id = $1 and kind = 'mode'", [unit])).rowCount;
    const { run, unit } = await begin(tx, "W-15", { mode: { mode: asSold?.id } });
    expect(await needs()).toBe(1);
    expect((await thingsTaken(tx, run)).map(({ name }) => name)).toContain("DL-1");
    await send(tx, run, [{ kind: "started" }]);
    await until(tx, run, "probe");
    expect((await unitModes(tx, unit))[0]).toMatchObject({ mode: "as sold", how: "set", run_id: run });
    expect(await simulatedState(tx, unit)).toMatchObject({ mode: asSold?.id });
    expect(await needs()).toBe(0);
    // Saying that it was seen is no answer to whether it transmits.
    expect(await send(tx, run, [{ kind: "seen" }])).toMatchObject({
      value: { answer: { unfit: ["wrong-step"] } },
    });
    const step = nextStep(await stands(tx, run))?.step;
    if (step?.kind !== "probe") throw new Error("there is a test frequency");
    const { transmits } = step;
    expect(await send(tx, run, [{ kind: "probed", transmits: !transmits }])).toMatchObject({
      value: { answer: { odd: expect.stringContaining("this mode should") } },
    });
    await send(tx, run, [{ kind: "cured", cause: "The knob stood wrong", cure: "Set it again" }]);
    await send(tx, run, [{ kind: "probed", transmits }]);
    const [proof] = await unitModes(tx, unit);
    expect(proof).toMatchObject({ mode: "as sold", how: "proved", seen: [{ transmits }] });
    await until(tx, run, "never");
    expect((await stands(tx, run)).place).toBe(stepsOf((await stands(tx, run)).plan).length);
  }));

it("a mode that erases is behind a backup; one that is not of its model is refused", () =>
  club.trial(async (tx) => {
    const unit = await unitByTag(tx, "H-01");
    const modes = await modesOf(tx, unit?.model_id ?? "");
    const wide = modes.find(({ name }) => name === "wide");
    const { run } = await begin(tx, "H-01", { mode: { mode: wide?.id } });
    const { plan } = await stands(tx, run);
    expect(plan.stages.map(({ name }) => name)).toContain("back-up");
    expect(stepsOf(plan).find(({ step }) => step.kind === "switched")?.step).toMatchObject({
      mode: "wide",
      erases: true,
      beyond: true,
    });
    expect((await begin(tx, "W-15", { mode: { mode: wide?.id } })).done).toMatchObject({
      ok: false,
      problem: { kind: "no-mode" },
    });
  }));

it("what another bench holds is waited for; a silent one is relieved of it, and of its run", () =>
  club.trial(async (tx) => {
    const first = await begin(tx, "W-04", { backup: {} });
    const second = await begin(tx, "W-05", { backup: {} });
    expect(await begin(tx, "W-05")).toMatchObject({ done: { ok: false } });
    await send(tx, first.run, [{ kind: "started" }]);
    const start = (more: object = {}) => send(tx, second.run, [{ kind: "started" }], more);
    expect(await start()).toMatchObject({ ok: false, problem: { kind: "taken", silent: false } });
    expect(await start({ takeOver: true })).toMatchObject({ ok: false, problem: { kind: "taken" } });
    const { rows } = await tx.query<{ id: string }>(
      "select id from person where id <> $1 order by id limit 1",
      [club.who.person],
    );
    const other: Who = { ...club.who, person: rows[0]?.id ?? "" };
    expect(await act(tx, takeOverRun as never, { run: first.run }, other)).toMatchObject({
      ok: false,
      problem: { kind: "not-silent" },
    });
    await tx.query("update run set heard_at = now() - interval '31 minutes' where id = $1", [first.run]);
    expect(await start()).toMatchObject({ ok: false, problem: { kind: "taken", silent: true } });
    expect(await start({ takeOver: true })).toMatchObject({ ok: true });
    const held = (await thingsTaken(tx)).filter(({ kind }) => kind !== "tool");
    expect(new Set(held.map(({ kind, id }) => `${kind} ${id}`)).size).toBe(held.length);
    expect(await act(tx, takeOverRun as never, { run: first.run }, other)).toMatchObject({ ok: true });
    expect((await runById(tx, first.run))?.held_by_id).toBe(other.person);
  }));

it("where a step transmits, a load that no other bench holds comes with it, and stays the same for its own run", () =>
  club.trial(async (tx) => {
    await tx.query(
      `update procedure set steps = steps || '[{"kind":"key-up","what":"into the load"}]'::jsonb where purpose = 'read-version'`,
    );
    await tx.query(
      `insert into gear (club_id, tag, kind, what, rating, condition) values
       (current_club(), 'DL-0', 'dummy load', 'cracked', '50 W', 'broken'),
       (current_club(), 'DL-00', 'dummy load', 'too small', '1 W', 'sound'),
       (current_club(), 'DL-2', 'dummy load', 'small', '5 W', 'sound')`,
    );
    const loadOf = async (run: string) =>
      (await thingsTaken(tx, run)).flatMap(({ kind, name }) => (kind === "gear" ? [name] : []));
    const component = async (tag: string) =>
      (
        await tx.query<{ id: string }>(
          "select c.id from component c join unit u on u.model_id = c.model_id where u.tag = $1 order by c.id",
          [tag],
        )
      ).rows[0]?.id ?? "";
    const runs: string[] = [];
    for (const [tag, load] of [
      ["W-01", "DL-1"],
      ["W-02", "DL-2"],
    ] as const) {
      const { run, unit } = await begin(tx, tag, { component: await component(tag) });
      expect(await loadOf(run)).toEqual([load]);
      expect(await send(tx, run, [{ kind: "started" }])).toMatchObject({ ok: true });
      const again = await planFor(tx, unit, { component: await component(tag) }, club.who.today);
      expect(
        again.ok && again.value.things.flatMap(({ kind, name }) => (kind === "gear" ? [name] : [])),
      ).toEqual([load]);
      runs.push(run);
    }
    // With both in use a third may be lined up, and waits.
    const third = await begin(tx, "W-04", { component: await component("W-04") });
    expect(await send(tx, third.run, [{ kind: "started" }])).toMatchObject({
      ok: false,
      problem: { kind: "taken" },
    });
    await send(tx, runs[0] ?? "", [{ kind: "stopped", reason: "enough" }]);
    expect(await send(tx, third.run, [{ kind: "started" }])).toMatchObject({ ok: true });
  }));

it("a run keeps what it began with, though the release is withdrawn and the radio lent meanwhile", () =>
  club.trial(async (tx) => {
    const { run, unit } = await begin(tx, "H-01");
    await send(tx, run, [{ kind: "started" }]);
    const steps = (await stands(tx, run)).plan;
    await tx.query(
      "update release set withdrawn_on = current_date, withdrawn_why = 'it loses tones' where version = '2.2.0'",
    );
    await tx.query(
      "insert into custody (club_id, unit_id, person_id, out_on) values (current_club(), $1, $2, current_date)",
      [unit, club.who.person],
    );
    expect((await stands(tx, run)).plan).toEqual(steps);
    expect(await send(tx, run, [{ kind: "held", gate: "power", supply: true }])).toMatchObject({
      ok: true,
      value: { answer: { unfit: [] } },
    });
  }));

it("begun anew, the old run is over and the new one goes by another chain, or by what the dossier says now", () =>
  club.trial(async (tx) => {
    const first = await begin(tx, "W-03");
    const planned = await planFor(tx, first.unit, { update: {} }, club.who.today);
    if (!planned.ok) throw new Error(planned.problem.kind);
    const [best, other] = planned.value.ways;
    expect(other).toBeDefined();
    const gone = await act<{ run: string }>(tx, beginAnew as never, { run: first.run, chain: other?.key });
    if (!gone.ok) throw new Error(gone.problem.kind);
    const { run } = gone.value.answer;
    expect((await stands(tx, first.run)).phase).toBe("stopped");
    const names = (await thingsTaken(tx, run)).map(({ name }) => name);
    expect(names.sort()).toEqual(other?.what.split(", ").sort());
    expect(names.sort()).not.toEqual(best?.what.split(", ").sort());
    expect(await act(tx, beginAnew as never, { run: first.run })).toMatchObject({
      ok: false,
      problem: { kind: "over" },
    });

    // The dossier is edited meanwhile: what has begun stays as it was, what is begun anew follows it.
    await send(tx, run, [{ kind: "started" }]);
    await tx.query(
      "update procedure set steps = steps || $1::jsonb where purpose = 'update-mode' and model_id = $2",
      [JSON.stringify([{ kind: "note", what: "mind the lamp" }]), first.model],
    );
    const has = async (id: string) => JSON.stringify((await runById(tx, id))?.plan).includes("mind the lamp");
    expect(await has(run)).toBe(false);
    const anew = await act<{ run: string }>(tx, beginAnew as never, { run });
    expect(anew.ok && (await has(anew.value.answer.run))).toBe(true);
  }));

it("begun anew to another release, or at once to one; never to one that is withdrawn or not for it", () =>
  club.trial(async (tx) => {
    const first = await begin(tx, "W-03");
    const planned = await planFor(tx, first.unit, { update: {} }, club.who.today);
    const goals = planned.ok ? planned.value.goals : undefined;
    expect(goals?.map(({ what }) => what)).toEqual([
      "main 1.10, factory",
      "main 1.08, factory",
      "main 1.06, factory",
      "main 1.02, factory",
    ]);
    const goesOn = async (run: string) =>
      (await stands(tx, run)).plan.stages.flatMap(({ steps }) =>
        steps.flatMap((step) => (step.kind === "machine" && step.work === "flash" ? [step.version] : [])),
      );
    expect(await goesOn(first.run)).toEqual(["1.10", "1.14"]);
    const release = async (version: string) =>
      (
        await tx.query<{ id: string }>(
          "select r.id from release r join component c on c.id = r.component_id where c.model_id = $1 and r.version = $2",
          [first.model, version],
        )
      ).rows[0]?.id ?? "";
    const anew = async (run: string, version: string) =>
      act<{ run: string }>(tx, beginAnew as never, { run, to: await release(version) });
    for (const version of ["1.12", "reedling-3", "1.15-beta2"])
      expect(await anew(first.run, version)).toMatchObject({ ok: false, problem: { kind: "no-release" } });
    expect(await anew(first.run, "1.08")).toMatchObject({ ok: false, problem: { kind: "nothing-due" } });
    await tx.query("update release set conditions = conditions || $1::jsonb where version = '1.06'", [
      JSON.stringify({ from: [{ atLeast: "9.99" }] }),
    ]);
    expect(await anew(first.run, "1.06")).toMatchObject({ ok: false, problem: { kind: "no-way" } });
    expect((await stands(tx, first.run)).phase).toBe("ready");
    const spared = await anew(first.run, "1.10");
    if (!spared.ok) throw new Error(spared.problem.kind);
    expect(await goesOn(spared.value.answer.run)).toEqual(["1.10"]);
    const other = await begin(tx, "W-04", { update: { to: await release("1.10") } });
    expect(await goesOn(other.run)).toEqual(["1.10"]);
    expect((await runById(tx, other.run))?.title).toBe("Take main back to 1.10");
  }));

it("what a meter showed at the bench is a measurement, with what it may be off by; where the group asks, after a flash", () =>
  club.trial(async (tx) => {
    const { run, unit } = await begin(tx, "W-13", { measure: {} });
    const steps = (await stands(tx, run)).plan.stages.flatMap((stage) => stage.steps.map(({ kind }) => kind));
    expect(steps).toEqual(["gather", "measure", "put-away"]);
    await send(tx, run, [{ kind: "started" }, { kind: "seen" }]);
    expect(await send(tx, run, [{ kind: "measured", watts: 0 }])).toMatchObject({ ok: false });
    const much = { kind: "measured" as const, watts: 4400 };
    expect(await send(tx, run, [much])).toMatchObject({ ok: false, problem: { kind: "unlikely", rated: 5 } });
    expect((await measurementsOf(tx, unit)).map(({ value }) => value)).not.toContain(4400);
    await send(tx, run, [{ kind: "measured", watts: 4.4, meter: "MW-1" }]);
    expect((await measurementsOf(tx, unit))[0]).toMatchObject({
      kind: "power",
      value: 4.4,
      meter: "MW-1",
      error: "10 % of full scale",
      full_scale: 200,
    });
    await send(tx, run, [{ kind: "seen" }, { kind: "finished" }]);
    // What is no meter of the kit is one that nobody knows.
    const other = await begin(tx, "W-14", { measure: {} });
    await send(tx, other.run, [
      { kind: "started" },
      { kind: "seen" },
      { kind: "measured", watts: 4, meter: "DL-1" },
    ]);
    expect((await measurementsOf(tx, other.unit))[0]).toMatchObject({ value: 4, meter: "", error: "" });
    const measures = async (tag: string, errand: object) => {
      const planned = await planFor(
        tx,
        (await unitByTag(tx, tag))?.id ?? "",
        errand as never,
        club.who.today,
      );
      if (!planned.ok) throw new Error(planned.problem.kind);
      return planned.value.plan.stages.some(({ name }) => name === "measure");
    };
    expect(await measures("W-03", { update: {} })).toBe(false);
    await tx.query(
      `update unit_group set policy = policy || '{"measure": {"afterFlash": true}}' where id = (select group_id from unit where tag = 'W-03')`,
    );
    expect(await measures("W-03", { update: {} })).toBe(true);
  }));

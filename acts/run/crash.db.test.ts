// A whole update on a simulated radio while its server dies before saving or before answering, and answers come twice, late or out of order: nothing is lost, nothing is done twice.
import fc from "fast-check";
import { afterAll, beforeAll, expect, it, vi } from "vitest";
import { cases } from "#core/quantities/testing.ts";
import { foldRun, type Happening, nextStep } from "#core/run/index.ts";
import type { Tx } from "#db/pool.ts";
import { backupsOf, eventsOf, runById } from "#db/run/index.ts";
import { putSimulated, readingsOf, unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { performIn } from "../define.ts";
import { simulatedRadio } from "../unit/simulated.ts";
import { answerRun } from "./answer-run.ts";
import { beginRun } from "./begin-run.ts";
import { workMachine } from "./work-machine.ts";

vi.setConfig({ testTimeout: 240_000 });
let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const stands = async (tx: Tx, id: string) => {
  const row = await runById(tx, id);
  if (!row) throw new Error("the run is there");
  const events = (await eventsOf(tx, [id])).get(id) ?? [];
  return { row, events, run: foldRun(row.plan, events) };
};
const begin = async (tx: Tx) => {
  const unit = await unitByTag(tx, "W-03");
  const begun = await performIn(tx, beginRun, club.who, {
    input: { unit: unit?.id, for: { update: {} } },
    key: crypto.randomUUID(),
  });
  if (!begun.ok) throw new Error(begun.problem.kind);
  return { unit: unit?.id ?? "", run: begun.value.answer.run };
};
/** What a person at the bench presses next, and a machine does; undefined at the end. */
async function nextPress(tx: Tx, id: string): Promise<((inTx: Tx) => Promise<unknown>) | undefined> {
  const { run } = await stands(tx, id);
  const step = nextStep(run)?.step;
  const number = run.number;
  const key = crypto.randomUUID();
  const send = (...what: Happening[]) => {
    const events = what.map((one, i) => ({ id: `${key} ${i}`, number: number + i + 1, what: one }));
    return (inTx: Tx) => performIn(inTx, answerRun, club.who, { input: { run: id, events }, key });
  };
  if (run.phase === "ready") return send({ kind: "started" });
  if (run.phase !== "going" || !step) return undefined;
  if (step.kind === "gate")
    return send({
      kind: "held" as const,
      gate: step.gate,
      ...(step.gate === "power" && { charge: 90 }),
      ...(step.gate === "file" && step.sha256 !== undefined && { sha256: step.sha256 }),
    });
  if (step.kind === "machine")
    return (inTx) => performIn(inTx, workMachine, club.who, { input: { run: id, number, event: key }, key });
  const isLast = run.place === run.plan.stages.flatMap(({ steps }) => steps).length - 1;
  const onward: Happening[] = isLast ? [{ kind: "seen" }, { kind: "finished" }] : [{ kind: "seen" }];
  if (step.kind !== "read-back") return send(...onward);
  return send({ kind: "reading", component: step.component, raw: step.version ?? "" }, ...onward);
}
/** The simulated radio's clock runs on to the end of what it is doing. */
async function letWork(tx: Tx, unit: string): Promise<void> {
  const radio = await simulatedRadio(tx, unit);
  if (radio?.work) await putSimulated(tx, unit, { ...radio, work: { ...radio.work, begun: 0, lasts: 1 } });
}
const cameTo = async (tx: Tx, unit: string, id: string) => {
  const { run, events } = await stands(tx, id);
  return {
    phase: run.phase,
    kinds: events.map(({ what }) => what.kind),
    unfit: run.unfit.length,
    readings: (await readingsOf(tx, unit)).map(({ raw, source }) => `${raw} ${source}`),
    backups: (await backupsOf(tx, unit, 9)).length,
    radio: await simulatedRadio(tx, unit).then(
      (radio) => radio && { runs: radio.runs, content: radio.content },
    ),
  };
};

async function wholeRun(tx: Tx, press: (act: (inTx: Tx) => Promise<unknown>) => Promise<void>) {
  const { unit, run } = await begin(tx);
  for (let i = 0; i < 200; i++) {
    await letWork(tx, unit);
    const act = await nextPress(tx, run);
    if (!act) break;
    await press(act);
  }
  return cameTo(tx, unit, run);
}

it("the server dies at every single event, before it has saved and before it has answered: the run goes on where it was", async () => {
  let smooth: unknown;
  await club.trial(async (tx) => {
    smooth = await wholeRun(tx, async (act) => {
      await act(tx);
    });
  });
  // The demo has two of it.
  expect(smooth).toMatchObject({ phase: "finished", unfit: 0, backups: 3 });
  await club.trial(async (tx) => {
    const crashed = await wholeRun(tx, async (act) => {
      // It dies before it has saved: all of it is gone.
      await tx.query("savepoint crash");
      await act(tx);
      await tx.query("rollback to savepoint crash");
      // The person presses again; it is saved, and the answer is lost; the page sends the same again.
      await act(tx);
      await act(tx);
    });
    expect(crashed).toEqual(smooth);
  });
});

it("what a device sends twice, in pieces and late is taken once and in order; what came out of order changes nothing", async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(fc.nat({ max: 8 }), { minLength: 1, maxLength: 14 }), async (order) =>
      club.trial(async (tx) => {
        const unit = await unitByTag(tx, "W-04");
        const { rows } = await tx.query<{ id: string }>(
          "select id from procedure where model_id = $1 and purpose = 'update-mode'",
          [unit?.model_id],
        );
        const begun = await performIn(tx, beginRun, club.who, {
          input: { unit: unit?.id, for: { procedure: rows[0]?.id } },
          key: crypto.randomUUID(),
        });
        if (!begun.ok) throw new Error(begun.problem.kind);
        const { run } = begun.value.answer;
        const whats: Happening[] = [
          { kind: "started" },
          { kind: "seen" },
          { kind: "odd", symptom: "dark" },
          { kind: "cured", cause: "flat", cure: "charged" },
          { kind: "paused" },
          { kind: "resumed" },
          { kind: "seen" },
          { kind: "seen" },
          { kind: "finished" },
        ];
        const events = whats.map((what, i) => ({ id: `event no. ${i}`, number: i + 1, what }));
        // By hand: the next one that is due moves it on; one that is there already changes nothing; one too early is refused.
        let due = 0;
        for (const i of order) {
          const sent = await performIn(tx, answerRun, club.who, {
            input: { run, events: [events[i]] },
            key: crypto.randomUUID(),
          });
          if (i === due) due++;
          else if (i > due) expect(sent).toMatchObject({ ok: false, problem: { kind: "meanwhile" } });
          if (i < due) expect(sent).toMatchObject({ ok: true });
        }
        const { events: kept } = await stands(tx, run);
        expect(kept.map(({ id }) => id)).toEqual(events.slice(0, due).map(({ id }) => id));
      }),
    ),
    { numRuns: cases(10) },
  );
});

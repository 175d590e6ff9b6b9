// Machine work on a simulated radio: it is begun, and looked at later. How far it is follows from the clock, so that it goes on while
// nobody looks, and while the server is not there.
import { createHash } from "node:crypto";
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { ERASES } from "#core/release/index.ts";
import {
  applyEvent,
  foldRun,
  lastFile,
  nextStep,
  type Run,
  type RunStep,
  type SentEvent,
} from "#core/run/index.ts";
import type { Tx } from "#db/pool.ts";
import {
  addBackup,
  addEvent,
  eventsOf,
  fileSize,
  hearFrom,
  keepFile,
  lockRun,
  type RunRow,
  runById,
} from "#db/run/index.ts";
import { loadSituation, putSimulated } from "#db/unit/index.ts";
import type { Radio } from "#simulators/radio/radio.ts";
import { beginWork, type Errand, ownBytes, SYMPTOM, settle, workAt } from "#simulators/radio/work.ts";
import { readInto } from "../codeplug/codeplug-file.ts";
import { defineAct, type Who } from "../define.ts";
import { id } from "../shapes.ts";
import { heldByOther } from "../unit/held-by.ts";
import { kindOf, simulatedRadio } from "../unit/simulated.ts";
import type { Outcome } from "./run-happened.ts";
import { outcomeOf } from "./run-outcome.ts";

/** A simulated radio is so many times as quick as a real one. */
export const SPEED = 60;

/**
 * Begins what the machine has to do at this step, or, where it is begun, looks how far it is: done, the run goes on; stopped, it says what is
 * odd. Answers how far it is, and the instant at which something will have come of it. `number`: how many events the sender knows of.
 * Problems: `no-run`; `meanwhile`; `real`, if no simulated radio stands in; `held`; `no-machine`, if that is not what the step asks for.
 */
export const workMachine = defineAct({
  name: "work-machine",
  input: z.object({
    run: id,
    number: z.number().int().min(0).max(100_000),
    event: z.string().min(8).max(60),
  }),
  may: "work-at-bench",
  untold: "each step stands in the run itself; what it comes to is told",
  run: async (tx, { run: runId, number, event }, who) => {
    await lockRun(tx, runId);
    const row = await runById(tx, runId);
    if (!row) return bad({ kind: "no-run" as const });
    const held = heldByOther(row, who);
    if (held) return bad(held);
    const radio = await simulatedRadio(tx, row.unit_id, true);
    const situation = await loadSituation(tx, row.unit_id, who.today);
    if (!radio || !situation) return bad({ kind: "real" as const });
    const run = foldRun(row.plan, (await eventsOf(tx, [runId])).get(runId) ?? []);
    if (run.number !== number) return bad({ kind: "meanwhile" as const, number: run.number });
    const step = nextStep(run)?.step;
    if (step?.kind !== "machine" || run.odd !== undefined || run.phase !== "going")
      return bad({ kind: "no-machine" as const });
    const outcome: Outcome = { log: [], touches: [], topics: [`run:${runId}`] };
    const happened = { row, run, who, outcome, event };
    await hearFrom(tx, runId);
    if (run.machineSince === undefined) {
      const kind = await kindOf(tx, situation, row.tag, radio);
      const begun = beginWork(kind, radio, errandOf(step, run), Date.now(), (step.minutes * 60_000) / SPEED);
      await putSimulated(tx, row.unit_id, begun);
      await append(tx, happened, [{ kind: "progress", part: 0 }]);
      return good({ answer: { part: 0, until: workAt(begun, Date.now())?.until ?? null }, ...outcome });
    }
    const now = Date.now();
    const standing = workAt(radio, now);
    if (standing?.state === "working")
      return good({ answer: { part: standing.part, until: standing.until }, log: [], topics: [] });
    const after = settle(radio, now);
    await putSimulated(tx, row.unit_id, after);
    // A radio that was turned off meanwhile has nothing under way any more.
    if (standing === undefined || standing.state === "stopped") {
      const symptom = standing?.fault ? SYMPTOM[standing.fault] : SYMPTOM["no-answer"];
      await append(tx, happened, [
        ...(standing ? [{ kind: "progress" as const, part: standing.part }] : []),
        { kind: "machine-failed", symptom },
      ]);
    } else {
      const kept =
        step.work === "read" ? await keepRead(tx, row, after, step.again === true, who, outcome) : [];
      await append(tx, happened, [...kept, { kind: "seen" }]);
    }
    return good({ answer: { part: 1, until: null }, ...outcome });
  },
});

function errandOf(step: Extract<RunStep, { kind: "machine" }>, run: Run): Errand {
  if (step.work === "flash")
    return {
      kind: "flash",
      component: step.component ?? "main",
      version: step.version ?? "",
      erases: step.erases ? (ERASES[1] ?? "settings") : "nothing",
    };
  if (step.work === "read") return { kind: "read" };
  const sha256 = step.sha256 ?? lastFile(run, "backup");
  return { kind: "write", content: sha256 === undefined ? { kind: "blank" } : { kind: "file", sha256 } };
}

/** What was read out of it is kept as a backup; `again`: it is only compared with what was written. */
async function keepRead(
  tx: Tx,
  row: RunRow,
  radio: Radio,
  again: boolean,
  who: Who,
  outcome: Outcome,
): Promise<SentEvent["what"][]> {
  const bytes = ownBytes(radio, row.tag);
  const own = createHash("sha256").update(bytes).digest("hex");
  const written = radio.content.kind === "file" ? radio.content.sha256 : undefined;
  const had = written === undefined ? undefined : await fileSize(tx, written);
  const sha256 = written !== undefined && had !== undefined ? written : own;
  const size = had ?? bytes.length;
  if (again) return [{ kind: "file-kept", sha256, role: "read-again" }];
  if (sha256 === own) await keepFile(tx, own, bytes);
  const name = `${row.tag} ${who.today}.plug`.slice(0, 200);
  const backup = await addBackup(tx, { unit: row.unit_id, sha256, name, run: row.id, by: who.person });
  await readInto(tx, { unit: row.unit_id, backup, sha256, name }, who.person, row.id);
  outcome.touches.push({
    scope: { of: "units" as const, ids: [row.unit_id] },
    why: `a backup of ${row.tag}`,
  });
  outcome.log.push({ entry: { kind: "backup-kept" as const, what: name, size }, unit: row.unit_id });
  return [{ kind: "file-kept", sha256, role: "backup" }];
}

type Happened = {
  readonly row: RunRow;
  readonly run: Run;
  readonly who: Who;
  readonly outcome: Outcome;
  readonly event: string;
};

/** Adds what happened to the run, with all that it comes to. */
async function append(
  tx: Tx,
  { row, run, who, outcome, event: id }: Happened,
  whats: readonly SentEvent["what"][],
): Promise<void> {
  let at = run;
  for (const [i, what] of whats.entries()) {
    const event = { id: `${id} ${i}`, number: at.number + 1, what };
    await addEvent(tx, row.id, event, who.person);
    const taken = applyEvent(at, { ...event, at: new Date().toISOString(), by: who.person });
    if (taken.kind !== "applied") continue;
    await outcomeOf(tx, { row, before: at, run: taken.run, event, who }, outcome);
    at = taken.run;
  }
  // With the last step a run is finished: nobody has to say so besides.
  if (at.phase === "going" && nextStep(at) === undefined)
    await append(tx, { row, run: at, who, outcome, event: `${id} end` }, [{ kind: "finished" }]);
}

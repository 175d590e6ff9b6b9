// What an event of a run comes to beyond the run: readings, the log, tries, what a simulated radio does.

import { bad, good, type Result } from "#core/quantities/index.ts";
import {
  applyEvent,
  hidesWords,
  nextStep,
  placeAgain,
  type Run,
  type SentEvent,
  stepsOf,
} from "#core/run/index.ts";
import { newestReading, placeReading, previewReading } from "#core/unit/index.ts";
import { addConfirmation, proceduresOf } from "#db/model/index.ts";
import { oneAtATime, type Tx } from "#db/pool.ts";
import { addEvent, endRun, type RunRow, releaseThing, takeThings, thingsTaken } from "#db/run/index.ts";
import { addReading, loadSituation } from "#db/unit/index.ts";
import { pluggedNow, pluggedProved, unplugged } from "../codeplug/codeplug-file.ts";
import type { Who } from "../define.ts";
import { simulatedRadio } from "../unit/simulated.ts";
import { chargeSeen, erasedNow, pairedNow, pairingFailed, writtenNow } from "./run-bluetooth.ts";
import { doneToRadio, mendRadio, noteAttempt } from "./run-evidence.ts";
import type { Happened, Outcome } from "./run-happened.ts";
import { hardwareSeen, noteMeasured, noteUnitMode, proveMode } from "./run-radio.ts";

export type OutcomeProblem =
  | { readonly kind: "no-component" }
  | { readonly kind: "unclear" }
  /** It shows so much more than the radio is rated for that it is asked about first. */
  | { readonly kind: "unlikely"; readonly rated: number }
  | { readonly kind: "taken"; readonly what: string; readonly by: string; readonly silent: boolean };

/** Does what the event comes to; the run after it, which what was read may have made odd. */
export async function outcomeOf(
  tx: Tx,
  happened: Happened,
  outcome: Outcome,
): Promise<Result<Run, OutcomeProblem>> {
  const { row, before, run, event } = happened;
  const { what } = event;
  switch (what.kind) {
    case "started":
      return takeKit(tx, happened, outcome);
    case "reading":
      return takeReading(tx, happened, what, outcome);
    case "seen": {
      await doneToRadio(tx, happened);
      const done = nextStep(before)?.step;
      if (done?.kind === "machine") {
        await machineDone(tx, happened, done, outcome);
        if (done.work === "flash" && done.erases) {
          await erasedNow(tx, happened, outcome);
          await unplugged(tx, happened, outcome);
        }
        if (done.work === "write") {
          await writtenNow(tx, happened, outcome);
          await pluggedNow(tx, happened, outcome);
        }
      }
      if (done?.kind === "switched") {
        await noteUnitMode(tx, happened, done, "set", outcome);
        if (done.erases) {
          await erasedNow(tx, happened, outcome);
          await unplugged(tx, happened, outcome);
        }
      }
      if (done?.kind === "paired") await pairedNow(tx, happened, done.device, outcome);
      return good(run);
    }
    case "held":
      await chargeSeen(tx, happened, what.charge, outcome);
      await pluggedProved(tx, happened, outcome);
      if (what.gate === "hardware") await hardwareSeen(tx, happened, what.revision, outcome);
      return good(run);
    case "probed":
      await proveMode(tx, happened, outcome);
      return good(run);
    case "measured":
      return noteMeasured(tx, happened, what, outcome);
    case "machine-failed":
      await noteAttempt(tx, happened, false, hidesWords(row.plan) ? "" : what.symptom, outcome);
      return good(run);
    case "cured": {
      await mendRadio(tx, row.unit_id, what.cause);
      const to = before.oddAt.at(-1) === before.place ? placeAgain(before.plan, before.place) : undefined;
      return good(
        to === undefined ? run : await follow(tx, row, run, event, { kind: "went-back", to }, happened.who),
      );
    }
    case "finished":
    case "stopped": {
      await endRun(tx, row.id);
      if (what.kind === "finished") await confirmProcedures(tx, happened, outcome);
      if (what.kind === "stopped") await pairingFailed(tx, happened, what.reason, outcome);
      const why = what.kind === "stopped" && !hidesWords(row.plan) ? { why: what.reason } : {};
      outcome.log.push({ entry: { kind: "run-ended" as const, what: row.title, ...why }, unit: row.unit_id });
      outcome.topics.push("run");
      return good(run);
    }
    case "went-back":
    case "odd":
    case "overrode":
    case "progress":
    case "file-kept":
    case "noted":
    case "paused":
    case "resumed":
      return good(run);
  }
}

/** What the run works with is its own from now on; what a silent bench holds is taken from it, if that is asked for. */
async function takeKit(
  tx: Tx,
  { row, run, takeOver }: Happened,
  outcome: Outcome,
): Promise<Result<Run, OutcomeProblem>> {
  // Two who begin at once: the second one looks when the first is through, and is told who has it.
  await oneAtATime(tx, "what benches have taken");
  const own = await thingsTaken(tx, row.id);
  const wanted = new Set(own.filter((t) => t.kind !== "tool").map((t) => `${t.kind} ${t.id}`));
  const held = (await thingsTaken(tx)).filter(
    (thing) => thing.run_id !== row.id && wanted.has(`${thing.kind} ${thing.id}`),
  );
  const stuck = held.find((thing) => !(takeOver && thing.silent));
  if (stuck) return bad({ kind: "taken", what: stuck.name, by: stuck.by, silent: stuck.silent });
  for (const thing of held) await releaseThing(tx, thing);
  await takeThings(tx, row.id);
  outcome.topics.push("run", ...held.map((thing) => `run:${thing.run_id}`));
  return good(run);
}

/** The reading is in. Where it is not what should be there now, that is odd until somebody says why. */
async function takeReading(
  tx: Tx,
  { row, run, event, who, before }: Happened,
  what: Extract<SentEvent["what"], { kind: "reading" }>,
  outcome: Outcome,
): Promise<Result<Run, OutcomeProblem>> {
  const situation = await loadSituation(tx, row.unit_id, who.today);
  const part = [...(situation?.catalogue.values() ?? [])].find(
    ({ component }) => component.name === what.component,
  );
  if (!situation || !part) return bad({ kind: "no-component" });
  const { name } = part.component;
  // As it is read everywhere: "main 1.14" and "1.14" are the same.
  const isNamed = what.raw.toLowerCase().startsWith(`${name.toLowerCase()} `);
  const preview = previewReading(situation, isNamed ? what.raw : `${name} ${what.raw}`);
  if (!preview.ok) return bad({ kind: "unclear" });
  const { component, raw } = preview.value;
  await addReading(tx, {
    unit: row.unit_id,
    component,
    raw,
    source: "screen",
    by: who.person,
    note: undefined,
    on: undefined,
  });
  outcome.log.push({
    entry: { kind: "reading" as const, component: name, raw, source: "screen" },
    unit: row.unit_id,
  });
  outcome.touches.push({
    scope: { of: "units" as const, ids: [row.unit_id] },
    why: `${row.tag} read at the bench`,
  });
  const step = nextStep(before)?.step;
  const should = step?.kind === "read-back" && step.component === name ? step.version : undefined;
  if (should === undefined || samePlace(part, raw, should)) return good(run);
  const odd = { kind: "odd" as const, symptom: `It shows ${raw}, and should show ${should} now.` };
  return good(await follow(tx, row, run, event, odd, who));
}

const samePlace = (part: Parameters<typeof placeReading>[0], raw: string, should: string): boolean => {
  const [a, b] = [placeReading(part, raw), placeReading(part, should)];
  return a.ok && b.ok
    ? (a.value.release ?? a.value.cleaned) === (b.value.release ?? b.value.cleaned)
    : raw === should;
};

/** An event that follows from another by itself. */
async function follow(
  tx: Tx,
  row: RunRow,
  run: Run,
  after: SentEvent,
  what: SentEvent["what"],
  who: Who,
): Promise<Run> {
  const event = { id: `${after.id.slice(0, 56)} then`, number: run.number + 1, what };
  await addEvent(tx, row.id, event, who.person);
  const taken = applyEvent(run, { ...event, at: new Date().toISOString(), by: who.person });
  return taken.kind === "meanwhile" ? run : taken.run;
}

/** A flash that went through writes a reading of its own: it says what was put in, until somebody has looked. */
async function machineDone(
  tx: Tx,
  happened: Happened,
  step: {
    readonly work: string;
    readonly component?: string | undefined;
    readonly version?: string | undefined;
  },
  outcome: Outcome,
): Promise<void> {
  const { row, who } = happened;
  await noteAttempt(tx, happened, true, "", outcome);
  if (step.work !== "flash" || step.component === undefined || step.version === undefined) return;
  const situation = await loadSituation(tx, row.unit_id, who.today);
  const part = [...(situation?.catalogue.values() ?? [])].find((p) => p.component.name === step.component);
  if (!part) return;
  await addReading(tx, {
    unit: row.unit_id,
    component: part.component.id,
    raw: step.version,
    source: "flash",
    by: who.person,
    note: undefined,
    on: undefined,
  });
  const entry = { kind: "reading" as const, component: step.component, raw: step.version, source: "flash" };
  outcome.log.push({ entry, unit: row.unit_id });
  outcome.touches.push({
    scope: { of: "units" as const, ids: [row.unit_id] },
    why: `${row.tag} flashed at the bench`,
  });
}

/** Procedures that were gone through to their end hold on what the radio runs. A simulated radio confirms nothing: it was made from them. */
async function confirmProcedures(tx: Tx, { row, run, who }: Happened, outcome: Outcome): Promise<void> {
  if (await simulatedRadio(tx, row.unit_id)) return;
  const odd = new Set(run.oddAt);
  const titles = new Map<string, boolean>();
  for (const { step, place } of stepsOf(run.plan))
    if (step.kind === "do" && step.of !== undefined)
      titles.set(step.of, (titles.get(step.of) ?? true) && !odd.has(place));
  const situation = await loadSituation(tx, row.unit_id, who.today);
  const [main] = situation?.catalogue.keys() ?? [];
  const firmware = situation && main ? newestReading(situation.unit, main)?.raw : undefined;
  if (!situation || firmware === undefined) return;
  const model = situation.unit.model;
  for (const { id, title, draft } of await proceduresOf(tx, model)) {
    if (draft || titles.get(title) !== true) continue;
    await addConfirmation(tx, { model, kind: "procedure", subject: id, firmware, by: who.person });
    outcome.log.push({ entry: { kind: "fact-confirmed" as const, what: title, firmware }, model });
  }
}

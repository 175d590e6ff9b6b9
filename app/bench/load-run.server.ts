// A run as its page shows it.
import type { PlainDate } from "#core/quantities/date.ts";
import { causesFor } from "#core/run/causes.ts";
import { estimate, historyOf } from "#core/run/estimate.ts";
import { foldRun, gateHolds, nextStep } from "#core/run/fold.ts";
import { stepsOf } from "#core/run/plan.ts";
import { needsOfUnit } from "#db/board.ts";
import { dossierHead, proceduresOf, quirksOf } from "#db/dossier.ts";
import { fileSize } from "#db/files.ts";
import type { Tx } from "#db/pool.ts";
import { eventsOf, isSilent, type RunRow, runsOfModel, thingsTaken } from "#db/runs.ts";
import { simulatedState } from "#db/simulated.ts";
import type { UnitRow } from "#db/units.ts";
import { radioShape } from "#simulators/radio/stored.ts";
import { workAt } from "#simulators/radio/work.ts";
import { besideStep } from "../shared/load-beside.server.ts";

/** From so many of the last runs of a model it is told how long its steps usually take. */
const MOST_BEFORE = 20;

async function historyOfModel(tx: Tx, model: string) {
  const before = await runsOfModel(tx, model, MOST_BEFORE);
  const events = await eventsOf(
    tx,
    before.map(({ id }) => id),
  );
  return historyOf(
    before.map(({ id, plan, simulated }) => ({ run: foldRun(plan, events.get(id) ?? []), simulated })),
  );
}

/** So many of the dossier's oddities are offered where something is odd. */
const MOST_QUIRKS = 20;

/** What the radio still needs, in a word, for whoever takes it off the bench. */
async function nextDue(tx: Tx, unit: string, today: PlainDate): Promise<string | undefined> {
  const open = (await needsOfUnit(tx, unit, today)).filter((need) => need.due_from <= today);
  const [first] = open;
  return (
    first && `its ${first.component} ${first.kind === "firmware" ? "is to be updated" : "is to be read"}`
  );
}

export async function shownRun(tx: Tx, row: RunRow, unit: UnitRow, today: PlainDate) {
  const events = (await eventsOf(tx, [row.id])).get(row.id) ?? [];
  const run = foldRun(row.plan, events);
  const steps = stepsOf(row.plan);
  const next = nextStep(run)?.step;
  const state = await simulatedState(tx, row.unit_id);
  const radio = state && radioShape.parse(state);
  const procedures = await proceduresOf(tx, unit.model_id);
  const work = radio && run.machineSince !== undefined ? workAt(radio, Date.now()) : undefined;
  const recover = procedures.find((p) => p.purpose === "recover" && !p.draft);
  const things = await thingsTaken(tx, row.id);
  const own = new Set(things.filter((t) => t.kind !== "tool").map((t) => `${t.kind} ${t.id}`));
  const inUse =
    run.phase === "ready"
      ? (await thingsTaken(tx)).filter((t) => t.run_id !== row.id && own.has(`${t.kind} ${t.id}`))
      : [];
  const history = await historyOfModel(tx, unit.model_id);
  const isFlash = next?.kind === "machine" && next.work === "flash";
  return {
    id: row.id,
    tag: row.tag,
    model: unit.model,
    title: row.title,
    purpose: row.plan.purpose,
    by: row.held_by,
    byId: row.held_by_id,
    silent: row.ended_at === null && (await isSilent(tx, row.id)),
    begunAt: row.begun_at.toISOString(),
    layout: (await dossierHead(tx, unit.model_id)).identity.layout,
    phase: run.phase,
    number: run.number,
    place: run.place,
    odd: run.odd,
    since: run.since,
    // What this step had taken before what is going on now began.
    took: [...run.took],
    steps: steps.map(({ step, stage }) => ({ step, stage, usual: estimate(step, history) })),
    stages: row.plan.stages.map(({ title }) => title),
    next,
    things: things.map(({ kind, name }) => ({ kind, name })),
    inUse: inUse.map(({ name, by, tag, silent }) => ({ name, by, tag, silent })),
    overridden: run.overridden,
    files: run.files,
    gate:
      next?.kind === "gate"
        ? {
            holds: gateHolds(run, next, {}),
            stored:
              next.gate === "file" &&
              next.sha256 !== undefined &&
              (await fileSize(tx, next.sha256)) !== undefined,
          }
        : undefined,
    radio: radio && { charge: radio.charge, signs: radio.signs, on: radio.on, faults: radio.faults },
    work,
    model_id: unit.model_id,
    beside: besideStep(next?.kind === "do" ? next.step : undefined, procedures),
    ...(run.odd !== undefined && {
      causes: causesFor(run.odd),
      quirks: (await quirksOf(tx, unit.model_id))
        .slice(0, MOST_QUIRKS)
        .map(({ symptom, cause, cure }) => ({ symptom, cause, cure })),
      recover:
        isFlash && recover ? { id: recover.id, title: recover.title, steps: recover.steps } : undefined,
    }),
    lent: unit.holder,
    readings: run.readings,
    notes: [...run.notes],
    odds: events.flatMap(({ what }) =>
      what.kind === "odd" || what.kind === "machine-failed"
        ? [what.symptom]
        : what.kind === "cured"
          ? [`${what.cause}: ${what.cure}`]
          : [],
    ),
    nextDue: row.ended_at === null ? undefined : await nextDue(tx, row.unit_id, today),
  };
}

export type Shown = Awaited<ReturnType<typeof shownRun>>;

// A run as its page shows it: what the server knows of it, and what was answered since on this device.
import { readProbes } from "#core/modes/index.ts";
import {
  causesFor,
  foldRun,
  gateHolds,
  nextStep,
  oddAt,
  type RunEvent,
  type SentEvent,
  stepsOf,
} from "#core/run/index.ts";
import type { LoadedRun } from "./run/load-run.server.ts";

/** An answer that could not be sent yet, with the instant at which it was given. */
export type Pending = SentEvent & { readonly at: string };

export function shownRun(loaded: LoadedRun, pending: readonly Pending[]) {
  const { plan, events, usual, besides, recover, quirks, obeys, probed, ...rest } = loaded;
  // What the server has taken in is not counted twice.
  const known = new Set(events.map(({ id }) => id));
  const late = pending.filter(({ id }) => !known.has(id)).map((event): RunEvent => ({ ...event, by: "" }));
  const all = [...events, ...late];
  const run = foldRun(plan, all);
  const next = nextStep(run)?.step;
  const isFlash = next?.kind === "machine" && next.work === "flash";
  return {
    ...rest,
    phase: run.phase,
    number: run.number,
    place: run.place,
    odd: run.odd,
    /** What was seen at the test frequencies fits these modes. */
    fits: run.probed.length > 0 ? readProbes(run.probed, probed).map(({ name }) => name) : undefined,
    since: run.since,
    // What this step had taken before what is going on now began.
    took: [...run.took],
    steps: stepsOf(plan).map(({ step, stage, place }) => ({
      step,
      stage,
      usual: usual[place] ?? { minutes: step.minutes, times: 0 },
    })),
    stages: plan.stages.map(({ title }) => title),
    next,
    overridden: run.overridden,
    files: run.files,
    gate:
      next?.kind === "gate"
        ? {
            holds: gateHolds(run, next, {}),
            stored: next.gate === "file" && next.sha256 !== undefined && rest.stored.includes(next.sha256),
          }
        : undefined,
    beside: besides.find(([place]) => place === run.place)?.[1] ?? [],
    obeys: obeys.find(([place]) => place === run.place)?.[1],
    causes: run.odd === undefined ? [] : causesFor(run.odd, oddAt(next)),
    quirks,
    recover: run.odd !== undefined && isFlash ? recover : undefined,
    readings: run.readings,
    notes: [...run.notes],
    odds: all.flatMap(({ what }) =>
      what.kind === "odd" || what.kind === "machine-failed"
        ? [what.symptom]
        : what.kind === "cured"
          ? [`${what.cause}: ${what.cure}`]
          : [],
    ),
    waiting: late.length,
  };
}

export type Shown = ReturnType<typeof shownRun>;

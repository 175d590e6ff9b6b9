// A run as it stands after its events. Total: no order of events makes it throw; what does not fit is kept and marked.
import { FIRM_GATES, type Gate, type Happening, type RunEvent } from "./event.ts";
import { isFinal, type PlacedStep, type RunPlan, type RunStep, stepsOf } from "./plan.ts";

export type RunPhase = "ready" | "going" | "paused" | "stopped" | "finished";

/** Why an event does not fit what was going on when it came. */
export type Unfit =
  | "not-going"
  | "not-paused"
  | "not-started"
  | "over"
  | "nothing-odd"
  | "something-odd"
  | "no-such-step"
  | "not-back"
  | "final"
  | "wrong-step"
  | "firm-gate"
  /** A gate is not passed by saying so. */
  | "gate"
  | "gate-fails"
  | "not-done";

export type Run = {
  readonly plan: RunPlan;
  readonly phase: RunPhase;
  /** The place of the step that is next; as many as there are steps once all are done. */
  readonly place: number;
  /** So many events have been taken in. */
  readonly number: number;
  /** What is odd now, if anything. */
  readonly odd?: string;
  /** How far the machine is in this step. */
  readonly part: number;
  /** The instant at which the machine has begun this step. */
  readonly machineSince?: string;
  readonly overridden: readonly Gate[];
  readonly readings: readonly { readonly component: string; readonly raw: string }[];
  readonly files: readonly { readonly sha256: string; readonly role: "backup" | "restore" }[];
  /** The places of steps at which something was odd. */
  readonly oddAt: readonly number[];
  /** What was noted at steps for which nothing is written, by their place. */
  readonly notes: ReadonlyMap<number, string>;
  /** Milliseconds that each step has taken, by its place, without pauses. */
  readonly took: ReadonlyMap<number, number>;
  /** When what is going on now began: the instant up to which `took` counts. */
  readonly since?: string;
  readonly unfit: readonly { readonly id: string; readonly why: Unfit }[];
};

export const begin = (plan: RunPlan): Run => ({
  plan,
  phase: "ready",
  place: 0,
  number: 0,
  part: 0,
  overridden: [],
  readings: [],
  files: [],
  oddAt: [],
  notes: new Map(),
  took: new Map(),
  unfit: [],
});

export type Taken =
  | { readonly kind: "applied"; readonly run: Run }
  /** It is kept, and changes nothing. */
  | { readonly kind: "unfit"; readonly run: Run; readonly why: Unfit }
  /** Others were quicker: so many events are there. It is not kept. */
  | { readonly kind: "meanwhile"; readonly number: number };

/** The step that is next; undefined once all are done. */
export const nextStep = (run: Run): PlacedStep | undefined => stepsOf(run.plan)[run.place];

/** Takes in one event. That the same id comes once only is for whoever keeps the events. */
export function applyEvent(run: Run, event: RunEvent): Taken {
  if (event.number !== run.number + 1) return { kind: "meanwhile", number: run.number };
  const counted = { ...run, number: run.number + 1 };
  const why = unfit(run, event.what);
  if (why) return { kind: "unfit", why, run: { ...counted, unfit: [...run.unfit, { id: event.id, why }] } };
  const after = moved(timed(counted, event.at), event.what);
  return { kind: "applied", run: withMachine(after, run, event) };
}

/** Since when the machine works: from its first sign of progress to the end of its step, or to its failing. */
function withMachine(run: Run, before: Run, { what, at }: RunEvent): Run {
  const { machineSince: _, ...without } = run;
  if (what.kind === "progress") return { ...run, machineSince: before.machineSince ?? at };
  return run.place !== before.place || what.kind === "machine-failed" || what.kind === "went-back"
    ? without
    : run;
}

/** The run after all events that were kept, in their order. Those out of number are passed over. */
export const foldRun = (plan: RunPlan, events: readonly RunEvent[]): Run =>
  events.reduce<Run>((run, event) => {
    const taken = applyEvent(run, event);
    return taken.kind === "meanwhile" ? run : taken.run;
  }, begin(plan));

function unfit(run: Run, event: Happening): Unfit | undefined {
  if (run.phase === "stopped" || run.phase === "finished") return "over";
  if (event.kind === "started") return run.phase === "ready" ? undefined : "not-started";
  if (event.kind === "stopped") return undefined;
  if (event.kind === "resumed") return run.phase === "paused" ? undefined : "not-paused";
  if (run.phase !== "going") return "not-going";
  const next = nextStep(run);
  switch (event.kind) {
    case "paused":
      return undefined;
    case "seen":
      if (run.odd !== undefined) return "something-odd";
      if (next?.step.kind === "gate") return "gate";
      return next ? undefined : "no-such-step";
    case "held":
      if (run.odd !== undefined) return "something-odd";
      if (next?.step.kind !== "gate" || next.step.gate !== event.gate) return "wrong-step";
      return gateHolds(run, next.step, event) ? undefined : "gate-fails";
    case "odd":
      return run.odd !== undefined ? "something-odd" : next ? undefined : "no-such-step";
    case "cured":
      return run.odd === undefined ? "nothing-odd" : undefined;
    case "went-back":
      return cannotGoBack(run, event.to);
    case "overrode":
      if (FIRM_GATES.includes(event.gate)) return "firm-gate";
      if (run.odd !== undefined) return "something-odd";
      return next?.step.kind === "gate" && next.step.gate === event.gate ? undefined : "wrong-step";
    case "progress":
    case "machine-failed":
      if (run.odd !== undefined) return "something-odd";
      return next?.step.kind === "machine" ? undefined : "wrong-step";
    case "noted":
      if (run.odd !== undefined) return "something-odd";
      return next?.step.kind === "open" ? undefined : "wrong-step";
    case "reading":
    case "file-kept":
      return next ? undefined : "no-such-step";
    case "finished":
      return next ? "not-done" : undefined;
  }
}

/** Where no floor is given. */
export const POWER_FLOOR = 50;

/**
 * Whether a gate holds by what was looked at. Power: at or above the floor, or on a supply. Backup: a sound one of this radio was kept in this
 * run. File: its sum is that of the release; where nobody has noted that one, there is nothing to compare with and it holds. Hardware and
 * chain: unless they are known not to.
 */
export function gateHolds(
  run: Pick<Run, "files">,
  step: Extract<RunStep, { kind: "gate" }>,
  seen: {
    readonly charge?: number | undefined;
    readonly supply?: boolean | undefined;
    readonly sha256?: string | undefined;
  },
): boolean {
  switch (step.gate) {
    case "power":
      return seen.supply === true || (seen.charge ?? -1) >= (step.floor ?? POWER_FLOOR);
    case "backup":
      return run.files.some(({ role }) => role === "backup");
    case "file":
      return step.sha256 === undefined || seen.sha256 === step.sha256;
    case "hardware":
    case "chain":
      return step.bad !== true;
  }
}

/** Back only to a step that was done, and past nothing that has changed the radio for good. */
function cannotGoBack(run: Run, to: number): Unfit | undefined {
  if (to >= run.place) return "not-back";
  const passed = stepsOf(run.plan).slice(to, run.place);
  return passed.some(({ step }) => isFinal(step)) ? "final" : undefined;
}

/** What has passed since the last event counts for the step that was going on. A clock that went back counts nothing. */
function timed(run: Run, at: string): Run {
  if (run.phase !== "going" || run.since === undefined) return { ...run, since: at };
  const passed = Math.max(0, Date.parse(at) - Date.parse(run.since));
  const took = new Map(run.took).set(run.place, (run.took.get(run.place) ?? 0) + passed);
  return { ...run, since: at, took };
}

function moved(run: Run, event: Happening): Run {
  const { odd, ...calm } = run;
  const onward = { place: run.place + 1, part: 0 };
  switch (event.kind) {
    case "started":
    case "resumed":
      return { ...run, phase: "going" };
    case "paused":
      return { ...run, phase: "paused" };
    case "stopped":
      return { ...run, phase: "stopped" };
    case "finished":
      return { ...run, phase: "finished" };
    case "seen":
    case "held":
      return { ...run, ...onward };
    case "odd":
    case "machine-failed":
      return { ...run, odd: event.symptom, oddAt: [...run.oddAt, run.place], part: 0 };
    case "cured":
      return { ...calm, part: 0 };
    case "went-back":
      return { ...calm, place: event.to, part: 0 };
    case "overrode":
      return { ...run, ...onward, overridden: [...run.overridden, event.gate] };
    case "noted":
      return { ...run, ...onward, notes: new Map(run.notes).set(run.place, event.text) };
    case "progress":
      return { ...run, part: Math.max(run.part, event.part) };
    case "reading":
      return { ...run, readings: [...run.readings, { component: event.component, raw: event.raw }] };
    case "file-kept":
      return { ...run, files: [...run.files, { sha256: event.sha256, role: event.role }] };
  }
}

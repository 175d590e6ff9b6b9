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
  readonly files: readonly { readonly sha256: string; readonly role: "backup" | "read-again" }[];
  /** What was seen at test frequencies, in hertz: the last time at each. */
  readonly probed: readonly { readonly frequency: number; readonly transmits: boolean }[];
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
  probed: [],
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
  const own: Own = { took: new Map(run.took), unfit: [...run.unfit], oddAt: [...run.oddAt] };
  return take({ ...run, ...own }, event, own);
}

/** What grows with a run. It belongs to whoever folds: copied for each event, a long run would take the square of its length. */
type Own = {
  readonly took: Map<number, number>;
  readonly unfit: { readonly id: string; readonly why: Unfit }[];
  readonly oddAt: number[];
};

/** The same; `own` is that of the run, and grows. */
function take(run: Run, event: RunEvent, own: Own): Taken {
  if (event.number !== run.number + 1) return { kind: "meanwhile", number: run.number };
  const why = unfit(run, event.what);
  if (why) {
    own.unfit.push({ id: event.id, why });
    return { kind: "unfit", why, run: { ...run, number: event.number } };
  }
  const step = event.what.kind === "probed" ? nextStep(run)?.step : undefined;
  const isOdd =
    step?.kind === "probe" && event.what.kind === "probed" && step.transmits !== event.what.transmits;
  if (isOdd || event.what.kind === "odd" || event.what.kind === "machine-failed") own.oddAt.push(run.place);
  countTime(run, event.at, own.took);
  const after = moved({ ...run, number: event.number, since: event.at }, event.what);
  return { kind: "applied", run: withMachine(after, run, event) };
}

/** Since when the machine works: from its first sign of progress to the end of its step, or to its failing. */
function withMachine(run: Run, before: Run, { what, at }: RunEvent): Run {
  if (what.kind === "progress") return { ...run, machineSince: before.machineSince ?? at };
  if (run.machineSince === undefined) return run;
  const { machineSince: _, ...without } = run;
  return run.place !== before.place || what.kind === "machine-failed" || what.kind === "went-back"
    ? without
    : run;
}

/** The run after all events that were kept, in their order. Those out of number are passed over. */
export function foldRun(plan: RunPlan, events: readonly RunEvent[]): Run {
  const own: Own = { took: new Map(), unfit: [], oddAt: [] };
  return events.reduce<Run>(
    (run, event) => {
      const taken = take(run, event, own);
      return taken.kind === "meanwhile" ? run : taken.run;
    },
    { ...begin(plan), ...own },
  );
}

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
      if (next?.step.kind === "probe") return "wrong-step";
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
    case "probed":
      if (run.odd !== undefined) return "something-odd";
      return next?.step.kind === "probe" ? undefined : "wrong-step";
    case "measured":
      if (run.odd !== undefined) return "something-odd";
      return next?.step.kind === "measure" ? undefined : "wrong-step";
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
 * run. File: its sum is that of the release; where nobody has noted that one, there is nothing to compare with and it holds. Same: what was
 * read again is what was written, which is the run's own backup where nothing else is named. Hardware: where nobody has noted its revision, it is said
 * which it has, and what is planned is for that one. Chain and base: unless they are known not to.
 */
export function gateHolds(
  run: Pick<Run, "files">,
  step: Extract<RunStep, { kind: "gate" }>,
  seen: {
    readonly charge?: number | undefined;
    readonly supply?: boolean | undefined;
    readonly sha256?: string | undefined;
    readonly revision?: string | undefined;
  },
): boolean {
  switch (step.gate) {
    case "power":
      return seen.supply === true || (seen.charge ?? -1) >= (step.floor ?? POWER_FLOOR);
    case "backup":
      return run.files.some(({ role }) => role === "backup");
    case "file":
      return step.sha256 === undefined || seen.sha256 === step.sha256;
    case "same": {
      const written = step.sha256 ?? lastFile(run, "backup");
      return written === undefined || (seen.sha256 ?? lastFile(run, "read-again")) === written;
    }
    case "hardware":
      return step.revisions
        ? step.revisions.some(({ name, fits }) => fits && name === seen.revision)
        : step.bad !== true;
    case "chain":
    case "base":
      return step.bad !== true;
  }
}

/** The sum of what was last kept, or read again, in a run. */
export const lastFile = (run: Pick<Run, "files">, role: Run["files"][number]["role"]): string | undefined =>
  run.files.findLast((file) => file.role === role)?.sha256;

/** Back only to a step that was done, and past nothing that has changed the radio for good. */
function cannotGoBack(run: Run, to: number): Unfit | undefined {
  if (to >= run.place) return "not-back";
  const passed = stepsOf(run.plan).slice(to, run.place);
  return passed.some(({ step }) => isFinal(step)) ? "final" : undefined;
}

/** What has passed since the last event counts for the step that was going on. A clock that went back counts nothing. */
function countTime(run: Run, at: string, took: Map<number, number>): void {
  if (run.phase !== "going" || run.since === undefined) return;
  const passed = Math.max(0, Date.parse(at) - Date.parse(run.since));
  took.set(run.place, (took.get(run.place) ?? 0) + passed);
}

/** With nothing odd any more. */
function calm(run: Run): Run {
  if (run.odd === undefined) return run;
  const { odd: _, ...rest } = run;
  return rest;
}

/** What a test frequency showed is kept; where it is not what the mode would show, that is odd, and it is asked again afterwards. */
function probed(run: Run, transmits: boolean): Run {
  const step = nextStep(run)?.step;
  if (step?.kind !== "probe") return run;
  const { frequency } = step;
  const all = [...run.probed.filter((one) => one.frequency !== frequency), { frequency, transmits }];
  if (transmits === step.transmits) return Object.assign(run, { place: run.place + 1, part: 0, probed: all });
  return Object.assign(run, { part: 0, probed: all, odd: transmits ? PROBE_ODD.sends : PROBE_ODD.silent });
}
export const PROBE_ODD = {
  sends: "It transmits where this mode should not.",
  silent: "It does not transmit where this mode should.",
} as const;

/** `run` is a fresh copy, and is written into: another one for each event would double what a long run takes. */
function moved(run: Run, event: Happening): Run {
  const onward = { place: run.place + 1, part: 0 };
  switch (event.kind) {
    case "started":
    case "resumed":
      return Object.assign(run, { phase: "going" });
    case "paused":
      return Object.assign(run, { phase: "paused" });
    case "stopped":
      return Object.assign(run, { phase: "stopped" });
    case "finished":
      return Object.assign(run, { phase: "finished" });
    case "seen":
    case "held":
    case "measured":
      return Object.assign(run, { ...onward });
    case "odd":
    case "machine-failed":
      return Object.assign(run, { odd: event.symptom, part: 0 });
    case "cured":
      return { ...calm(run), part: 0 };
    case "went-back":
      return { ...calm(run), place: event.to, part: 0 };
    case "overrode":
      return Object.assign(run, { ...onward, overridden: [...run.overridden, event.gate] });
    case "noted":
      return Object.assign(run, { ...onward, notes: new Map(run.notes).set(run.place, event.text) });
    case "probed":
      return probed(run, event.transmits);
    case "progress":
      return Object.assign(run, { part: Math.max(run.part, event.part) });
    case "reading":
      return Object.assign(run, {
        readings: [...run.readings, { component: event.component, raw: event.raw }],
      });
    case "file-kept":
      return Object.assign(run, { files: [...run.files, { sha256: event.sha256, role: event.role }] });
  }
}

// The plan of a run: stages of steps, whatever the run is for. Stored in these shapes; components by name and no ids, so that a club can move to another database.
import { z } from "zod";
import { stepShape } from "../dossier/index.ts";
import { hertz } from "../modes/index.ts";
import { kept } from "../quantities/index.ts";
import { GATES, type Happening } from "./event.ts";

export const RUN_PURPOSES = [
  "update",
  "read",
  "backup",
  "restore",
  "program",
  "mode",
  "measure",
  "pair",
  "procedure",
] as const;
export type RunPurpose = (typeof RUN_PURPOSES)[number];

export const STAGES = [
  "gather",
  "gates",
  "back-up",
  "enter",
  "probe",
  "measure",
  "flash",
  "boot",
  "read-back",
  "restore",
  "after",
  "pair",
  "proof",
  "settings",
  "put-away",
  "do",
] as const;
export type StageName = (typeof STAGES)[number];

const words = z.string().max(200);
/** What it usually takes, as the dossier declares it. */
const minutes = z.number().min(0).max(1000);

/** What one step asks for. */
export const runStepShape = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("gather"), what: words, minutes }),
  /** What must hold; the rest is what it is held against, as it was known when the run began. */
  z.object({
    kind: z.literal("gate"),
    gate: z.enum(GATES),
    /** Of the battery, in percent. */
    floor: z.number().min(0).max(100).optional(),
    /** Of the release's file, or of what was written back; absent: not known beforehand. */
    sha256: z.string().optional(),
    /** The release, or the hardware, or the chain, in words. */
    what: words.optional(),
    /** Whose battery it is, where not the radio's own: a programmer, a button. */
    device: words.optional(),
    /** The hardware revisions of its model, where nobody has noted which it has; `fits`: what is planned is for that one. */
    revisions: z
      .array(z.object({ name: words, tell: words, fits: z.boolean() }))
      .max(200)
      .optional(),
    /** Known to fail, or not to fit: it does not hold, whatever is looked at. */
    bad: z.boolean().optional(),
    minutes,
  }),
  /** A step of a written procedure; `of`: its title. `guarded`: it unlocks, and is not shown to everybody. */
  z.object({
    kind: z.literal("do"),
    step: stepShape,
    of: words.optional(),
    guarded: z.literal(true).optional(),
    minutes,
  }),
  /** Nobody has written down how: what is done is noted. */
  z.object({ kind: z.literal("open"), wanted: words, minutes }),
  z.object({
    kind: z.literal("machine"),
    work: z.enum(["flash", "read", "write"]),
    erases: z.boolean(),
    /** What a flash brings in: the component, by its name, and the version. */
    component: words.optional(),
    version: words.optional(),
    /** What is written: the sum of its bytes. */
    sha256: z.string().optional(),
    /** It is read once more after a write, to compare. */
    again: z.literal(true).optional(),
    /** The tool it is done with, and what is pressed in it. */
    tool: words.optional(),
    minutes,
  }),
  /** The version of a component is read and written down; `version`: what it should be. */
  z.object({ kind: z.literal("read-back"), component: words, version: words.optional(), minutes }),
  /** It is in another mode from now on; `beyond`: in it it transmits where its user may not. */
  z.object({
    kind: z.literal("switched"),
    mode: words,
    erases: z.boolean(),
    beyond: z.literal(true).optional(),
    minutes,
  }),
  /** It is asked to transmit, into a dummy load, and does or does not. In hertz; `outside`: where its user may not. */
  z.object({
    kind: z.literal("probe"),
    frequency: hertz,
    transmits: z.boolean(),
    outside: z.literal(true).optional(),
    minutes,
  }),
  /** Its power is measured, into a dummy load; `rated`: what it should give, in watts. It may be passed by: not every bench has a meter. */
  z.object({ kind: z.literal("measure"), rated: z.number().positive().optional(), minutes }),
  /** The menu for pairing, and the one that looks right and is not: what is seen in that one. */
  z.object({
    kind: z.literal("right-menu"),
    menu: words,
    wrong: words.optional(),
    wrongShows: z.string().max(300).optional(),
    minutes,
  }),
  /** A PIN is typed; in seconds, how long it holds. */
  z.object({ kind: z.literal("pin"), pin: words, seconds: z.number().int().positive().optional(), minutes }),
  /** It is paired with a device of ours, and that holds; `shows`: what the screen says then. */
  z.object({ kind: z.literal("paired"), device: words, shows: words.optional(), minutes }),
  z.object({ kind: z.literal("put-away"), what: words, minutes }),
]);
export type RunStep = Readonly<z.output<typeof runStepShape>>;

export const planShape = z.object({
  purpose: z.enum(RUN_PURPOSES),
  stages: z
    .array(
      z
        .object({ name: z.enum(STAGES), title: words, steps: z.array(runStepShape).max(200).readonly() })
        .readonly(),
    )
    .max(200)
    .readonly(),
});
export type RunPlan = Readonly<z.output<typeof planShape>>;
export type Stage = RunPlan["stages"][number];

export type PlacedStep = {
  /** Its place among all steps of the plan, from 0. */
  readonly place: number;
  readonly stage: number;
  readonly step: RunStep;
};

/** All steps of a plan, one after the other. */
export const stepsOf = (plan: RunPlan): readonly PlacedStep[] =>
  kept(known, plan, () => {
    let place = 0;
    return plan.stages.flatMap(({ steps }, stage) => steps.map((step) => ({ place: place++, stage, step })));
  });
// Asked for with every event of a run.
const known = new WeakMap<RunPlan, readonly PlacedStep[]>();

/** Whether a step changes the radio so that going back before it would not undo it. */
export const isFinal = (step: RunStep): boolean =>
  step.kind === "machine" ? step.work !== "read" : step.kind === "read-back" || step.kind === "switched";

/**
 * Where a run goes on once the cause of a failed flash is found: at the first step of the stage that brings the radio into the mode in which it
 * takes a flash, since nobody knows in which it is now; undefined where it goes on at the same step.
 */
export function placeAgain(plan: RunPlan, place: number): number | undefined {
  const steps = stepsOf(plan);
  const here = steps[place];
  if (here?.step.kind !== "machine" || here.step.work !== "flash") return undefined;
  const enter = plan.stages.findLastIndex(({ name }, i) => i < here.stage && name === "enter");
  const first = steps.find(({ stage }) => stage === enter)?.place;
  if (first === undefined || steps.slice(first, place).some(({ step }) => isFinal(step))) return undefined;
  return first;
}

/** Whether a plan says how a radio is unlocked. */
export const hasGuarded = (plan: RunPlan): boolean =>
  stepsOf(plan).some(({ step }) => step.kind === "do" && step.guarded === true);

/** A plan for those who may not see how a radio is unlocked: as many steps, with nothing of those in them. */
export const withoutGuarded = (plan: RunPlan): RunPlan => ({
  ...plan,
  stages: plan.stages.map((stage) => ({
    ...stage,
    steps: stage.steps.map((step) =>
      step.kind === "do" && step.guarded
        ? { ...step, step: { kind: "confirm" as const, what: "what unlocks it, shown to bench and keeper" } }
        : step,
    ),
  })),
});

const HIDDEN = "shown to bench and keeper";

/** Whether what people type in such a run may say how a radio is unlocked: it stays at the run, for those who may see it. */
export const hidesWords = (plan: RunPlan): boolean => plan.purpose === "mode" || hasGuarded(plan);

/** What was typed in such a run for those who may not see it: that something was, and nothing of it. */
export const withoutNotes = <E extends { readonly what: Happening }>(
  plan: RunPlan,
  events: readonly E[],
): readonly E[] =>
  hidesWords(plan) ? events.map((event) => ({ ...event, what: withoutWords(event.what) })) : events;

/** All that a person typed freely is hidden; a kind of event that carries more must say here what of it is. */
function withoutWords(what: Happening): Happening {
  switch (what.kind) {
    case "noted":
      return { ...what, text: HIDDEN };
    case "odd":
    case "machine-failed":
      return { ...what, symptom: HIDDEN };
    case "cured":
      return { ...what, cause: HIDDEN, cure: HIDDEN };
    case "overrode":
    case "stopped":
      return { ...what, reason: HIDDEN };
    case "started":
    case "seen":
    case "went-back":
    case "held":
    case "progress":
    case "reading":
    case "file-kept":
    case "probed":
    case "measured":
    case "paused":
    case "resumed":
    case "finished":
      return what;
  }
}

// What plans are put together from: gathering, gates, backing up, writing back.
import { isGuarded, type Step } from "../dossier/index.ts";
import { listed } from "../quantities/index.ts";
import type { RunPlan, RunStep, Stage, StageName } from "./plan.ts";
import { type KnownProcedure, type Moment, procedureFor } from "./procedure.ts";

/** What is taken in hand for a run: lead, adapters, computer, tool, in words. */
export type Gathered = readonly string[];

/** What the gates are held against. */
export type Guards = {
  /** The least charge before flashing, in percent; absent: the usual. */
  readonly floor?: number;
  /** The hardware revisions of its model, with how each is told. */
  readonly revisions?: readonly { readonly id: string; readonly name: string; readonly tell: string }[];
  /** The chain in words, and whether it is known to fail. */
  readonly chain?: { readonly what: string; readonly bad: boolean };
  /** What else has a battery on the way in, with the least charge that it should have, in percent. */
  readonly devices?: readonly { readonly tag: string; readonly floor: number }[];
  /** The sum of each release's file, by the release's id, where somebody has noted it. */
  readonly sums: ReadonlyMap<string, string>;
};

export type WorkFacts = Moment & {
  readonly procedures: readonly KnownProcedure[];
  readonly gather: Gathered;
  readonly guards: Guards;
};

/** A stage, unless there is nothing to do in it. */
export const stage = (name: StageName, title: string, steps: readonly RunStep[]): Stage[] =>
  steps.length > 0 ? [{ name, title, steps }] : [];

export type Machine = Extract<RunStep, { kind: "machine" }>;

const doing = (procedure: KnownProcedure, step: Step, minutes: number): RunStep => ({
  kind: "do",
  step,
  of: procedure.title,
  ...(isGuarded(procedure) && { guarded: true as const }),
  minutes,
});

/** A procedure's steps, its minutes spread over them; where none is written, one open step for what is done. */
export function written(procedure: KnownProcedure | undefined, wanted: string): RunStep[] {
  if (!procedure) return [{ kind: "open", wanted, minutes: 5 }];
  const minutes = procedure.minutes / procedure.steps.length;
  return procedure.steps.map((step) => doing(procedure, step, minutes));
}

/** The same around machine work: it takes the place of the step that calls for a tool; where there is none, it comes last. */
export function around(procedure: KnownProcedure | undefined, machine: Machine): RunStep[] {
  if (!procedure) return [machine];
  const at = procedure.steps.findIndex((step) => step.kind === "tool");
  const tool = procedure.steps[at];
  const done: Machine =
    tool?.kind === "tool"
      ? { ...machine, tool: tool.act === undefined ? tool.name : `${tool.name}: ${tool.act}` }
      : machine;
  const others = procedure.steps.length - (at < 0 ? 0 : 1);
  const minutes = Math.max(0, procedure.minutes - machine.minutes) / Math.max(1, others);
  const steps = procedure.steps.map((step) => doing(procedure, step, minutes));
  return at < 0 ? [...steps, done] : [...steps.slice(0, at), done, ...steps.slice(at + 1)];
}

/** What a computer reads from or writes into answers only while it is on: where nothing before says so, that is a step. */
export function turnedOn(steps: readonly RunStep[]): RunStep[] {
  const machine = steps.findIndex(({ kind }) => kind === "machine");
  const says = steps.slice(0, machine).some(({ kind, ...rest }) => {
    const step = kind === "do" && "step" in rest ? rest.step : undefined;
    return (step?.kind === "turn" && step.to === "on") || (step?.kind === "hold" && step.turn === "on");
  });
  return says ? [...steps] : [TURN_ON, ...steps];
}
const TURN_ON = { kind: "do", step: { kind: "turn", to: "on" }, minutes: 0 } as const;

const POWER = { kind: "gate", gate: "power", minutes: 1 } as const;
export const powerGate = ({ floor }: Guards): RunStep => (floor === undefined ? POWER : { ...POWER, floor });
/** A programmer that gives out half-way leaves a radio half written. */
export const deviceGates = ({ devices = [] }: Guards): RunStep[] =>
  devices.map(({ tag, floor }) => ({ ...POWER, device: tag.slice(0, 200), floor }));
export const chainGate = ({ chain }: Guards): RunStep => ({
  kind: "gate",
  gate: "chain",
  ...(chain && { what: chain.what.slice(0, 200), bad: chain.bad }),
  minutes: 1,
});
/**
 * That what is planned is for the hardware that it has. A revision that is noted says so by itself: nothing is asked. Where nobody has noted it, it is
 * asked for, `fits` saying for which what is planned is; where the dossier knows no revisions, somebody looks.
 */
export function hardwareGate(
  { revisions = [] }: Guards,
  noted: string | undefined,
  fits: (revision: string) => boolean,
): RunStep[] {
  const gate = { kind: "gate", gate: "hardware", minutes: 1 } as const;
  if (revisions.length === 0) return [gate];
  if (noted !== undefined) return [];
  const each = revisions.slice(0, 200).map(({ id, name, tell }) => ({
    name: name.slice(0, 200),
    tell: tell.slice(0, 200),
    fits: fits(id),
  }));
  return [{ ...gate, revisions: each }];
}

/** What is in it is read out, kept, and looked at. */
export const backingUp = (procedures: readonly KnownProcedure[], moment: Moment): Stage[] =>
  stage("back-up", "Back up", [
    ...turnedOn(
      around(procedureFor("back-up", procedures, moment), {
        kind: "machine",
        work: "read",
        erases: false,
        minutes: 2,
      }),
    ),
    { kind: "gate", gate: "backup", minutes: 1 },
  ]);

const PROVE = "it starts, and a channel of it works: listen; call only where you may";

/** A file is written into it, mostly one that was read from it; then it is read again and compared, and one channel is tried. `sha256`: of that file. */
export function writingBack(
  procedures: readonly KnownProcedure[],
  moment: Moment,
  sha256?: string,
  title = "Write back what was in it",
  prove = PROVE,
): Stage[] {
  const of = sha256 !== undefined && { sha256 };
  const write: Machine = { kind: "machine", work: "write", erases: true, ...of, minutes: 2 };
  const again: Machine = { kind: "machine", work: "read", erases: false, again: true, minutes: 2 };
  return [
    ...stage("restore", title, [
      ...turnedOn(around(procedureFor("restore", procedures, moment), write)),
      again,
      { kind: "gate", gate: "same", ...of, minutes: 1 },
    ]),
    ...stage("after", "Does it work?", [{ kind: "do", step: { kind: "confirm", what: prove }, minutes: 1 }]),
  ];
}

/** All of it in one step: nobody walks to the shelf three times. */
const inWords = (gather: Gathered): string => listed(gather, 20).slice(0, 200);
export const gathering = (gather: Gathered): RunStep[] =>
  gather.length === 0 ? [] : [{ kind: "gather", what: inWords(gather), minutes: gather.length }];
export const puttingAway = (gather: Gathered): RunStep[] =>
  gather.length === 0 ? [] : [{ kind: "put-away", what: inWords(gather), minutes: 1 }];

/** How often it transmits: with one at least it takes a dummy load. */
export const sendings = ({ stages }: RunPlan): number =>
  stages
    .flatMap(({ steps }) => steps)
    .filter(
      (step) =>
        step.kind === "probe" ||
        step.kind === "measure" ||
        (step.kind === "do" && step.step.kind === "key-up"),
    ).length;

/** The same plan, with one more thing got before, and put away after. */
export function withGathered(plan: RunPlan, what: string): RunPlan {
  const more = (name: "gather" | "put-away") => (one: Stage) =>
    one.name !== name
      ? one
      : {
          ...one,
          steps: one.steps.map((step) =>
            step.kind === name ? { ...step, what: `${step.what}, ${what}`.slice(0, 200) } : step,
          ),
        };
  const has = (name: StageName) => plan.stages.some((one) => one.name === name);
  return {
    ...plan,
    stages: [
      ...(has("gather") ? [] : stage("gather", "What is needed", gathering([what]))),
      ...plan.stages.map(more("gather")).map(more("put-away")),
      ...(has("put-away") ? [] : stage("put-away", "Put away", puttingAway([what]))),
    ],
  };
}

/** What its group wants measured; `rated`: in watts, where that is known. */
export type Measuring = { readonly rated?: number | undefined };

export const measuring = (measure: Measuring | undefined): Stage[] =>
  measure
    ? stage("measure", "How strong is it?", [
        { kind: "measure", ...(measure.rated !== undefined && { rated: measure.rated }), minutes: 3 },
      ])
    : [];

/** What was turned on, or off, in the step before is not turned so again. */
export function withoutTwice(stages: readonly Stage[]): Stage[] {
  let last: RunStep | undefined;
  return stages.flatMap(({ steps, ...rest }) => {
    const left = steps.filter((step) => {
      const isTwice = isTurn(step) && isTurn(last) && step.step.to === last.step.to;
      last = step;
      return !isTwice;
    });
    return left.length > 0 ? [{ ...rest, steps: left }] : [];
  });
}
type Turning = { readonly step: Extract<Step, { kind: "turn" }> };
const isTurn = (step: RunStep | undefined): step is RunStep & Turning =>
  step?.kind === "do" && step.step.kind === "turn";

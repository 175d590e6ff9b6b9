// Makes the plan of a run from what is known when it begins. A new kind of work adds a composer here and nothing else.
import type { Effect, Purpose } from "../dossier/procedure.ts";
import type { Step } from "../dossier/step.ts";
import { listed } from "../quantities/list.ts";
import type { Catalogue } from "../release/catalogue.ts";
import { ERASES, type Erases } from "../release/conditions.ts";
import type { Route, State } from "../route/route.ts";
import type { UnitFacts } from "../unit/unit.ts";
import { liesIn, type Range } from "../version/range.ts";
import type { RunPlan, RunStep, Stage, StageName } from "./plan.ts";

export type KnownProcedure = {
  readonly id: string;
  readonly purpose: Purpose;
  readonly effect: Effect;
  readonly title: string;
  readonly steps: readonly Step[];
  readonly minutes: number;
  readonly draft: boolean;
  /** The component, by id, and the versions for which it holds; absent: all. */
  readonly firmware?: { readonly component: string; readonly range: Range };
  /** Hardware revisions, by id, for which it holds; absent: all. */
  readonly hardwareRevisions?: readonly string[];
};

/** A unit at some point of its way: what each component runs then. */
export type Moment = {
  readonly unit: Pick<UnitFacts, "hardwareRevision">;
  readonly catalogue: Catalogue;
  readonly state: State;
};

/** Whether a procedure is for a unit at a moment: no draft, not for other hardware, not for other firmware; what is unknown speaks against nothing. */
export function holdsFor(
  procedure: Pick<KnownProcedure, "draft" | "firmware" | "hardwareRevisions">,
  { unit, catalogue, state }: Moment,
): boolean {
  const { firmware, hardwareRevisions } = procedure;
  const prepared = firmware && catalogue.get(firmware.component);
  const version = firmware && state.get(firmware.component);
  const isOtherFirmware = prepared && version && !liesIn(firmware.range, version, prepared.reader);
  const revision = unit.hardwareRevision;
  const isOtherHardware =
    hardwareRevisions !== undefined && revision !== undefined && !hardwareRevisions.includes(revision);
  return !procedure.draft && !isOtherFirmware && !isOtherHardware;
}

const NEEDS_GATES: readonly Purpose[] = ["flash", "recover", "restore", "factory-reset"];

/**
 * Whether a procedure may be gone through by itself: what flashes, erases, unlocks or changes a mode begins only behind its gates, as
 * part of a run that has them.
 */
export const needsGates = ({ purpose, effect }: Pick<KnownProcedure, "purpose" | "effect">): boolean =>
  effect !== "harmless" || NEEDS_GATES.includes(purpose);

/** The procedure for a purpose that holds at a moment: the first in the dossier's order. */
export const procedureFor = (
  purpose: Purpose,
  procedures: readonly KnownProcedure[],
  moment: Moment,
): KnownProcedure | undefined => procedures.find((one) => one.purpose === purpose && holdsFor(one, moment));

/** What is taken in hand for a run: lead, adapters, computer, tool, in words. */
export type Gathered = readonly string[];

/** What the gates are held against. */
export type Guards = {
  /** The least charge before flashing, in percent; absent: the usual. */
  readonly floor?: number;
  /** The hardware it has, in words; absent: nobody has noted it, or its model has but one. */
  readonly hardware?: string;
  /** The chain in words, and whether it is known to fail. */
  readonly chain?: { readonly what: string; readonly bad: boolean };
  /** The sum of each release's file, by the release's id, where somebody has noted it. */
  readonly sums: ReadonlyMap<string, string>;
};

export type WorkFacts = Moment & {
  readonly procedures: readonly KnownProcedure[];
  readonly gather: Gathered;
  readonly guards: Guards;
};
export type UpdateFacts = WorkFacts & { readonly route: Route };

const stage = (name: StageName, title: string, steps: readonly RunStep[]): Stage[] =>
  steps.length > 0 ? [{ name, title, steps }] : [];

type Machine = Extract<RunStep, { kind: "machine" }>;

/** A procedure's steps, its minutes spread over them; where none is written, one open step for what is done. */
function written(procedure: KnownProcedure | undefined, wanted: string): RunStep[] {
  if (!procedure) return [{ kind: "open", wanted, minutes: 5 }];
  const minutes = procedure.minutes / procedure.steps.length;
  return procedure.steps.map((step): RunStep => ({ kind: "do", step, of: procedure.title, minutes }));
}

/** The same around machine work: it takes the place of the step that calls for a tool; where there is none, it comes last. */
function around(procedure: KnownProcedure | undefined, machine: Machine): RunStep[] {
  if (!procedure) return [machine];
  const at = procedure.steps.findIndex((step) => step.kind === "tool");
  const tool = procedure.steps[at];
  const done: Machine =
    tool?.kind === "tool"
      ? { ...machine, tool: tool.act === undefined ? tool.name : `${tool.name}: ${tool.act}` }
      : machine;
  const others = procedure.steps.length - (at < 0 ? 0 : 1);
  const minutes = Math.max(0, procedure.minutes - machine.minutes) / Math.max(1, others);
  const steps = procedure.steps.map((step): RunStep => ({ kind: "do", step, of: procedure.title, minutes }));
  return at < 0 ? [...steps, done] : [...steps.slice(0, at), done, ...steps.slice(at + 1)];
}

const POWER = { kind: "gate", gate: "power", minutes: 1 } as const;
const powerGate = ({ floor }: Guards): RunStep => (floor === undefined ? POWER : { ...POWER, floor });
const chainGate = ({ chain }: Guards): RunStep => ({
  kind: "gate",
  gate: "chain",
  ...(chain && { what: chain.what.slice(0, 200), bad: chain.bad }),
  minutes: 1,
});
const hardwareGate = ({ hardware }: Guards): RunStep => ({
  kind: "gate",
  gate: "hardware",
  ...(hardware !== undefined && { what: hardware.slice(0, 200) }),
  minutes: 1,
});

/** What is in it is read out, kept, and looked at. */
const backingUp = (procedures: readonly KnownProcedure[], moment: Moment): Stage[] =>
  stage("back-up", "Back up", [
    ...around(procedureFor("back-up", procedures, moment), {
      kind: "machine",
      work: "read",
      erases: false,
      minutes: 2,
    }),
    { kind: "gate", gate: "backup", minutes: 1 },
  ]);

const PROVE = "it starts, and a channel of it works: listen; call only where you may";

/** A file is written into it that was read from it; then it is read again and compared, and one channel is tried. `sha256`: of that file. */
function writingBack(procedures: readonly KnownProcedure[], moment: Moment, sha256?: string): Stage[] {
  const of = sha256 !== undefined && { sha256 };
  const write: Machine = { kind: "machine", work: "write", erases: true, ...of, minutes: 2 };
  const again: Machine = { kind: "machine", work: "read", erases: false, again: true, minutes: 2 };
  return [
    ...stage("restore", "Write back what was in it", [
      ...around(procedureFor("restore", procedures, moment), write),
      again,
      { kind: "gate", gate: "same", ...of, minutes: 1 },
    ]),
    ...stage("after", "Does it work?", [{ kind: "do", step: { kind: "confirm", what: PROVE }, minutes: 1 }]),
  ];
}

/** All of it in one step: nobody walks to the shelf three times. */
const inWords = (gather: Gathered): string => listed(gather, 20).slice(0, 200);
const gathering = (gather: Gathered): RunStep[] =>
  gather.length === 0 ? [] : [{ kind: "gather", what: inWords(gather), minutes: gather.length }];
const puttingAway = (gather: Gathered): RunStep[] =>
  gather.length === 0 ? [] : [{ kind: "put-away", what: inWords(gather), minutes: 1 }];

/** Whether a step of it transmits: it takes a dummy load. */
export const transmits = ({ stages }: RunPlan): boolean =>
  stages.some(({ steps }) =>
    steps.some((step) => step.kind === "probe" || (step.kind === "do" && step.step.kind === "key-up")),
  );

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

/** What was turned on, or off, in the step before is not turned so again. */
function withoutTwice(stages: readonly Stage[]): Stage[] {
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

/** Any one procedure of a dossier, as it is written. */
export const composeProcedure = (procedure: KnownProcedure): RunPlan => ({
  purpose: "procedure",
  stages: stage("do", procedure.title, written(procedure, procedure.title)),
});

/** How the version of a component is read, and what is then written down. */
export function composeRead(
  facts: Moment & { readonly procedures: readonly KnownProcedure[]; readonly component: string },
): RunPlan {
  const { component, catalogue } = facts;
  const name = catalogue.get(component)?.component.name ?? "it";
  const how = procedureFor("read-version", facts.procedures, facts);
  return {
    purpose: "read",
    stages: [
      ...stage("do", `How ${name} shows its version`, written(how, "read its version")),
      ...stage("read-back", "What it shows", [{ kind: "read-back", component: name, minutes: 1 }]),
    ],
  };
}

/** What is in it is read out and kept. */
export const composeBackup = ({ procedures, gather, guards, ...moment }: WorkFacts): RunPlan => ({
  purpose: "backup",
  stages: [
    ...stage("gather", "What is needed", gathering(gather)),
    ...stage("gates", "Before it begins", [chainGate(guards)]),
    ...backingUp(procedures, moment),
    ...stage("put-away", "Put away", puttingAway(gather)),
  ],
});

/** A file that was read from this very radio is written into it; what is in it now is kept first. `sha256`: of that file. */
export const composeRestore = (
  { procedures, gather, guards, ...moment }: WorkFacts,
  sha256: string,
): RunPlan => ({
  purpose: "restore",
  stages: [
    ...stage("gather", "What is needed", gathering(gather)),
    ...stage("gates", "Before it begins", [powerGate(guards), chainGate(guards)]),
    ...backingUp(procedures, moment),
    ...writingBack(procedures, moment, sha256),
    ...stage("put-away", "Put away", puttingAway(gather)),
  ],
});

/** What is told of the mode that a radio is brought into. */
export type ModeFacts = {
  readonly name: string;
  readonly erases: Erases;
  /** The procedure that leads into it; else how it is set in a tool. */
  readonly enter?: KnownProcedure | undefined;
  readonly setting?: string | undefined;
  /** In it it transmits where its user may not. */
  readonly beyond: boolean;
  /** The test frequencies that tell it from the others, with what it does there. */
  readonly probes: readonly {
    readonly frequency: number;
    readonly transmits: boolean;
    readonly outside: boolean;
  }[];
};

/** A radio is brought into another mode: what that erases is backed up before and written back after; and it is proved that it is in it. */
export function composeMode(
  { procedures, gather, guards, ...moment }: WorkFacts,
  { name, erases, enter, setting, beyond, probes }: ModeFacts,
): RunPlan {
  const isErased = erases !== "nothing";
  const title = `Into the mode ${name}`;
  const how: RunStep[] =
    enter || setting === undefined
      ? written(enter, `bring it into the mode ${name}`)
      : [{ kind: "do", step: { kind: "confirm", what: setting }, minutes: 3 }];
  return {
    purpose: "mode",
    stages: [
      ...stage("gather", "What is needed", gathering(gather)),
      ...(isErased ? stage("gates", "Before it begins", [powerGate(guards), chainGate(guards)]) : []),
      ...(isErased ? backingUp(procedures, moment) : []),
      ...stage("enter", title, [
        ...how,
        {
          kind: "switched",
          mode: name,
          erases: isErased,
          ...(beyond && { beyond: true as const }),
          minutes: 0,
        },
      ]),
      ...stage(
        "probe",
        "Is it in that mode?",
        probes.map(({ outside, ...probe }) => ({
          ...{ kind: "probe" as const, ...probe, minutes: 1 },
          ...(outside && { outside: true as const }),
        })),
      ),
      ...(isErased ? writingBack(procedures, moment) : []),
      ...stage("put-away", "Put away", puttingAway(gather)),
    ],
  };
}

/** The most that a route erases on its way. */
const losesOn = ({ steps }: Route): Erases =>
  steps.reduce<Erases>(
    (most, { conditions: { erases } }) => (ERASES.indexOf(erases) > ERASES.indexOf(most) ? erases : most),
    "nothing",
  );

/**
 * All installs of a way, each with the procedures that hold for the firmware it meets at that point; a backup first and a restore after it
 * where anything on the way erases.
 */
export function composeUpdate(facts: UpdateFacts): RunPlan {
  const { route, procedures, catalogue, unit, guards } = facts;
  const isErased = losesOn(route) !== "nothing";
  const state = new Map(facts.state);
  const moment: Moment = { unit, catalogue, state };
  const stages = [
    ...stage("gather", "What is needed", gathering(facts.gather)),
    ...stage("gates", "Before it begins", [powerGate(guards), hardwareGate(guards), chainGate(guards)]),
    ...(isErased ? backingUp(procedures, moment) : []),
  ];
  for (const { component, release, conditions } of route.steps) {
    const prepared = catalogue.get(component);
    const version = prepared?.byId.get(release)?.version ?? "the release";
    const name = prepared?.component.name ?? "";
    const title = `${name} ${version}`.trim();
    const sha256 = guards.sums.get(release);
    const flash: Machine = {
      kind: "machine",
      work: "flash",
      erases: conditions.erases !== "nothing",
      component: name,
      version,
      ...(sha256 !== undefined && { sha256 }),
      minutes: conditions.minutes,
    };
    const flashing = around(procedureFor("flash", procedures, moment), flash);
    const done = flashing.findIndex((step) => step.kind === "machine") + 1;
    stages.push(
      ...stage(
        "enter",
        `Into update mode for ${title}`,
        written(procedureFor("update-mode", procedures, moment), "bring it into update mode"),
      ),
      ...stage("flash", `Flash ${title}`, [
        { kind: "gate", gate: "file", what: title, ...(sha256 !== undefined && { sha256 }), minutes: 1 },
        ...flashing.slice(0, done),
      ]),
      ...stage("boot", `It starts with ${version}`, flashing.slice(done)),
    );
    const installed = prepared?.reader.release(release);
    if (installed) state.set(component, installed);
    stages.push(
      ...stage("read-back", `Does it show ${version}?`, [
        ...written(procedureFor("read-version", procedures, moment), "read its version"),
        { kind: "read-back", component: name, version, minutes: 1 },
      ]),
    );
  }
  return {
    purpose: "update",
    stages: withoutTwice([
      ...stages,
      ...(isErased ? writingBack(procedures, moment) : []),
      ...stage("put-away", "Put away", puttingAway(facts.gather)),
    ]),
  };
}

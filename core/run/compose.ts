// Makes the plan of a run from what is known when it begins. A new kind of work adds a composer here and nothing else.
import { ERASES, type Erases } from "../release/conditions.ts";
import type { Route } from "../route/route.ts";
import {
  around,
  backingUp,
  chainGate,
  deviceGates,
  gathering,
  hardwareGate,
  type Machine,
  type Measuring,
  measuring,
  powerGate,
  puttingAway,
  stage,
  turnedOn,
  type WorkFacts,
  withoutTwice,
  writingBack,
  written,
} from "./blocks.ts";
import { type PairFacts, pairing } from "./pair.ts";
import type { RunPlan, RunStep, Stage } from "./plan.ts";
import { type KnownProcedure, type Moment, procedureFor } from "./procedure.ts";

export type UpdateFacts = WorkFacts & {
  readonly route: Route;
  /** Its group wants its power measured after a flash. */
  readonly measure?: Measuring | undefined;
  /** A keeper has said that its model needs no backup before a flash that erases nothing. */
  readonly backsUpOnlyErasing?: boolean;
  /** What it is paired with, which an erasing release makes it forget. */
  readonly pairs?: readonly PairFacts[];
};

/** Its power is measured; the dummy load for it comes with every plan that transmits. */
export const composeMeasure = (measure: Measuring): RunPlan => ({
  purpose: "measure",
  stages: measuring(measure),
});

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
    ...stage("gates", "Before it begins", [...deviceGates(guards), chainGate(guards)]),
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
    ...stage("gates", "Before it begins", [powerGate(guards), ...deviceGates(guards), chainGate(guards)]),
    ...backingUp(procedures, moment),
    ...writingBack(procedures, moment, sha256),
    ...stage("put-away", "Put away", puttingAway(gather)),
  ],
});

/**
 * A profile is written into a radio: read first, kept, written, read again and compared. `base`: in words, from which radio it was read;
 * `foreign`: from another than this one, so that it would replace what is in it.
 */
export const composeProgram = (
  { procedures, gather, guards, ...moment }: WorkFacts,
  profile: {
    readonly sha256: string;
    readonly base: string;
    readonly foreign: boolean;
    /** What is tried when it is in; absent: any channel. */
    readonly prove?: string | undefined;
    /** What is known to be wrong with it in this radio. */
    readonly warns?: readonly string[];
  },
): RunPlan => ({
  purpose: "program",
  stages: [
    ...stage("gather", "What is needed", gathering(gather)),
    ...stage("gates", "Before it begins", [
      { kind: "gate", gate: "base", what: profile.base.slice(0, 200), bad: profile.foreign, minutes: 1 },
      ...(profile.warns ?? []).map(
        (what): RunStep => ({
          ...{ kind: "do", step: { kind: "confirm", what: what.slice(0, 300) }, minutes: 1 },
        }),
      ),
      powerGate(guards),
      ...deviceGates(guards),
      chainGate(guards),
    ]),
    ...backingUp(procedures, moment),
    ...writingBack(procedures, moment, profile.sha256, "Write it in", profile.prove?.slice(0, 300)),
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
      : [
          {
            ...{ kind: "do", step: { kind: "confirm", what: setting } },
            // How it is set stands for the steps where there are none; whether it leads beyond is not always known.
            guarded: true,
            minutes: 3,
          },
        ];
  return {
    purpose: "mode",
    stages: [
      ...stage("gather", "What is needed", gathering(gather)),
      ...(isErased
        ? stage("gates", "Before it begins", [powerGate(guards), ...deviceGates(guards), chainGate(guards)])
        : []),
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
 * All installs of a way, each with the procedures that hold for the firmware it meets at that point; a backup first, and a restore after it
 * where anything on the way erases.
 */
export function composeUpdate(facts: UpdateFacts): RunPlan {
  const { route, catalogue, unit, guards } = facts;
  const isErased = losesOn(route) !== "nothing";
  // Any flash may fail half way, and then what was in it is gone.
  const isKept = isErased || facts.backsUpOnlyErasing !== true;
  const work = working(facts, unit, { isKept, isErased });
  // What is planned is for a revision where nothing of it would be another for that one.
  const isFor = (revision: string) =>
    route.steps.every(({ component, release }) => {
      const asked = catalogue.get(component)?.byId.get(release)?.hardwareRevisions;
      return asked === undefined || asked.includes(revision);
    }) &&
    JSON.stringify(working(facts, { ...unit, hardwareRevision: revision }, { isKept, isErased })) ===
      JSON.stringify(work);
  const stages = [
    ...stage("gather", "What is needed", gathering(facts.gather)),
    ...stage("gates", "Before it begins", [
      powerGate(guards),
      ...deviceGates(guards),
      ...hardwareGate(guards, unit.hardwareRevision, isFor),
      chainGate(guards),
    ]),
    ...work,
  ];
  return {
    purpose: "update",
    stages: withoutTwice([
      ...stages,
      ...(isErased ? (facts.pairs ?? []).flatMap(pairing) : []),
      ...measuring(facts.measure),
      ...stage("put-away", "Put away", puttingAway(facts.gather)),
    ]),
  };
}

/** From the backup over all installs of a way to the restore, for a unit as it is told; the procedures are those for what it runs at each point. */
function working(
  { route, procedures, catalogue, guards, ...facts }: UpdateFacts,
  unit: UpdateFacts["unit"],
  { isKept, isErased }: { readonly isKept: boolean; readonly isErased: boolean },
): Stage[] {
  const state = new Map(facts.state);
  const moment: Moment = { unit, catalogue, state };
  const stages: Stage[] = isKept ? backingUp(procedures, moment) : [];
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
    const entering = procedureFor("update-mode", procedures, moment);
    const how = around(procedureFor("flash", procedures, moment), flash);
    // Where a mode is entered for it, that has turned it on.
    const flashing = entering || how.length === 1 ? how : turnedOn(how);
    const done = flashing.findIndex((step) => step.kind === "machine") + 1;
    stages.push(
      ...stage("enter", `Into update mode for ${title}`, written(entering, "bring it into update mode")),
      ...stage("flash", `Flash ${title}`, [
        // With nothing to compare no file is asked for.
        sha256 === undefined
          ? {
              kind: "do",
              step: { kind: "confirm", what: `the file is that of ${title}; nobody has noted its sum` },
              minutes: 1,
            }
          : { kind: "gate", gate: "file", what: title, sha256, minutes: 1 },
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
  return isErased ? [...stages, ...writingBack(procedures, moment)] : stages;
}

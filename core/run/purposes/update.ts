// A radio is brought to other releases.
import { mustGet } from "../../quantities/index.ts";
import { ERASES, type Erases } from "../../release/index.ts";
import type { Route } from "../../route/index.ts";
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
} from "../blocks.ts";
import type { RunPlan, Stage } from "../plan.ts";
import { type Moment, procedureFor } from "../procedure.ts";
import { type PairFacts, pairing } from "./pair.ts";

export type UpdateFacts = WorkFacts & {
  readonly route: Route;
  /** Its group wants its power measured after a flash. */
  readonly measure?: Measuring | undefined;
  /** A keeper has said that its model needs no backup before a flash that erases nothing. */
  readonly backsUpOnlyErasing?: boolean;
  /** What it is paired with, which an erasing release makes it forget. */
  readonly pairs?: readonly PairFacts[];
};

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
    const prepared = mustGet(catalogue, component);
    const version = mustGet(prepared.byId, release).version;
    const { name } = prepared.component;
    const title = `${name} ${version}`;
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
    const installed = prepared.reader.release(release);
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

// With what a unit's way can be gone: for each install on it the chains that reach into the radio, and whether all of it
// stands ready, waits for kit, or has no route at all.

import { kept, Memo, type Result } from "../quantities/index.ts";
import type { Catalogue } from "../release/index.ts";
import { type Route, type RouteProblem, type Step, stateOfUnit, wayOf } from "../route/index.ts";
import { type Policy, type UnitFacts, withoutPin } from "../unit/index.ts";
import { liesIn, type Range, type Version } from "../version/index.ts";
import { type Chains, findChains, isReady, type PreparedKit, prepareKit } from "./chain/chain.ts";
import type { Job, Operation } from "./shapes.ts";
import type { AnyDay, KitSituation, Reachable } from "./situation.ts";

export type StepTooling = {
  readonly step: Step;
  /** What is to be done, with the firmware that it meets when its turn comes. */
  readonly job: Job;
  readonly chains: Chains;
  readonly ready: boolean;
};

export type Tooling =
  | { readonly kind: "ready" | "kit"; readonly steps: readonly StepTooling[] }
  /** `look-up`: it cannot be told whether there is a way; whoever keeps the catalogue should look at its conditions. */
  | { readonly kind: "no-route" | "look-up" };

/** Leads, computers and tools are noted: without any of them nothing stands ready. */
export const isKitKnown = ({ kit }: PreparedKit): boolean =>
  kit.leads.length > 0 && kit.computers.length > 0 && kit.tools.length > 0;

/** The chains of each install of a route; what an earlier install puts on, a later one meets. */
export function toolingOfRoute(
  result: Result<Route, RouteProblem>,
  { unit, catalogue, radio, kit }: AnyDay<KitSituation>,
): Tooling {
  if (!result.ok) return { kind: result.problem.kind === "no-route" ? "no-route" : "look-up" };
  const state = new Map(stateOfUnit(unit, catalogue));
  const steps = result.value.steps.map((step): StepTooling => {
    const { ways, tool } = step.conditions;
    const met = new Map(state);
    const job = { ...radio, operation: "flash" as const, ways, ...(tool && { tool }) };
    const chains = chainsFor(job, met, catalogue, kit);
    const installed = catalogue.get(step.component)?.reader.release(step.release);
    if (installed) state.set(step.component, installed);
    return { step, job: { ...job, meets: meeting(met, catalogue) }, chains, ready: isReady(chains) };
  });
  return { kind: steps.every((s) => s.ready) ? "ready" : "kit", steps };
}

/** The chains of a job on a radio that runs `state`; remembered as long as the kit stays. */
export function chainsFor(
  job: Omit<Job, "meets">,
  state: ReadonlyMap<string, Version>,
  catalogue: Catalogue,
  prepared: PreparedKit,
): Chains {
  const known = kept(remembered, prepared, () => new Memo<string, Chains>(MOST_KNOWN));
  // What it runs matters only where some tool knows the model over some firmware alone.
  const picky = prepared.kit.tools.some((t) => t.supports.some((s) => s.model === job.model && s.firmware));
  const runs = picky ? [...state].map(([component, version]) => `${component} ${version.cleaned}`) : [];
  const key = JSON.stringify([job.model, job.plugs, job.operation, job.ways, job.tool, runs]);
  return known.get(key, () => findChains({ ...job, meets: meeting(state, catalogue) }, prepared));
}
const remembered = new WeakMap<PreparedKit, Memo<string, Chains>>();

function meeting(state: ReadonlyMap<string, Version>, catalogue: Catalogue) {
  return (name: string, range: Range): boolean | undefined => {
    const part = [...catalogue.values()].find((p) => p.component.name.toLowerCase() === name.toLowerCase());
    const version = part && state.get(part.component.id);
    return part && version && liesIn(range, version, part.reader);
  };
}

/** What a model can be reached with, whatever a unit of it runs. */
export const chainsOfModel = (radio: Reachable, operation: Operation, prepared: PreparedKit): Chains =>
  chainsFor({ ...radio, operation, ways: [] }, new Map(), new Map(), prepared);

/** The kit as if there were this one computer only; remembered as long as the kit stays. */
export function withOnly(prepared: PreparedKit, computer: string): PreparedKit {
  const known = kept(alone, prepared, () => new Memo<string, PreparedKit>(MOST_KNOWN));
  return known.get(computer, () =>
    prepareKit({ ...prepared.kit, computers: prepared.kit.computers.filter(({ id }) => id === computer) }),
  );
}
const alone = new WeakMap<PreparedKit, Memo<string, PreparedKit>>();

/** What a unit can be reached with for an operation, by what it runs now. */
export const chainsOfUnit = (
  { unit, catalogue, radio, kit }: AnyDay<KitSituation>,
  operation: Operation,
): Chains => chainsFor({ ...radio, operation, ways: [] }, stateOfUnit(unit, catalogue), catalogue, kit);

/**
 * With what a unit's need for a release can be met. Units of one model that run the same, on the same hardware, under the
 * same policy share the answer, as long as the catalogue and the kit stay.
 */
export function toolingOfNeed(
  situation: AnyDay<KitSituation>,
  need: { readonly component: string; readonly release: string; readonly ends: boolean },
): Tooling {
  const { unit, radio, catalogue, policy, kit } = situation;
  const byCatalogue = kept(toolingKnown, kit, () => new WeakMap<Catalogue, Memo<string, Tooling>>());
  const known = kept(byCatalogue, catalogue, () => new Memo<string, Tooling>(MOST_KNOWN));
  const key = `${need.release}|${need.ends}|${textOf(policy)}|${radio.plugs.join()}|${standingText(unit, catalogue)}`;
  return known.get(key, () => {
    // What goes on after a pin has ended goes over what is admitted then.
    const then = !need.ends && hasEnd(policy) ? withoutPin(policy) : policy;
    const { result } = wayOf(unit, catalogue, then, new Map([[need.component, need.release]]));
    return toolingOfRoute(result, situation);
  });
}
/** Answers kept for a catalogue: more than any club asks for, so that the process does not grow without end. */
const MOST_KNOWN = 5000;
const toolingKnown = new WeakMap<PreparedKit, WeakMap<Catalogue, Memo<string, Tooling>>>();

const hasEnd = ({ rule }: Policy): boolean => rule.kind === "pinned" && rule.until !== undefined;

/** What a unit is and runs; asked for once for each of its needs. */
const standingText = (unit: UnitFacts, catalogue: Catalogue): string =>
  kept(standingTexts, unit, () => {
    const runs = [...stateOfUnit(unit, catalogue)].map(([id, v]) => `${id} ${v.release ?? v.cleaned}`);
    return [unit.hardwareRevision ?? "", unit.region ?? "", ...runs].join("|");
  });
const standingTexts = new WeakMap<UnitFacts, string>();

/** Policies are read anew with every request; what they say is what counts. */
const textOf = (policy: Policy): string => kept(policyTexts, policy, JSON.stringify);
const policyTexts = new WeakMap<Policy, string>();

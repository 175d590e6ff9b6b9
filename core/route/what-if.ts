// If a release became the target: which radios get there, how long it takes in all, and what they lose on the way.
import { type Catalogue, type Conditions, ERASES, type Erases } from "../release/index.ts";
import { newestReading, type Policy, policyOn, type Situation, type UnitFacts } from "../unit/index.ts";
import type { Stop } from "./route.ts";
import { wayOf } from "./way.ts";

type Tool = NonNullable<Conditions["tool"]>;

export type WhatIf = {
  /** They run it already. */
  readonly there: readonly string[];
  readonly reach: readonly {
    readonly unit: string;
    readonly installs: number;
    readonly minutes: number;
    readonly erases: Erases;
  }[];
  readonly stuck: readonly { readonly unit: string; readonly stops: readonly Stop[] }[];
  /** No route was found within the bound of the search, which is not to say that there is none. */
  readonly untold: readonly string[];
  readonly minutes: number;
  /** How many lose at least their settings. */
  readonly losing: number;
  /** How often each release is installed in all, most often first: the files to have at hand. */
  readonly installs: readonly {
    readonly component: string;
    readonly release: string;
    readonly times: number;
  }[];
  /** The software that installs ask for, and on how many radios. */
  readonly tools: readonly { readonly tool: Tool; readonly radios: number }[];
};

/** For units of a model, over its catalogue as it is or would be. Routes are worked out once for all units that run the same, on the same hardware, under the same policy. */
export function whatIf(
  situations: readonly Omit<Situation, "catalogue">[],
  catalogue: Catalogue,
  component: string,
  release: string,
): WhatIf {
  const goal = new Map([[component, release]]);
  const there: string[] = [];
  const reach: WhatIf["reach"][number][] = [];
  const stuck: WhatIf["stuck"][number][] = [];
  const untold: string[] = [];
  const installs = new Map<string, { component: string; release: string; times: number }>();
  const tools = new Map<string, { tool: Tool; radios: number }>();
  for (const { unit, policy, units } of alikeIn(situations, catalogue)) {
    const { result } = wayOf(unit, catalogue, policy, goal);
    if (!result.ok) {
      const { problem } = result;
      if (problem.kind === "no-route") for (const id of units) stuck.push({ unit: id, stops: problem.stops });
      else for (const id of units) untold.push(id);
      continue;
    }
    const { steps, minutes, erases } = result.value;
    for (const id of units) {
      if (steps.length === 0) there.push(id);
      else reach.push({ unit: id, installs: steps.length, minutes, erases });
    }
    for (const { component: of, release: on } of steps) {
      const known = installs.get(on) ?? { component: of, release: on, times: 0 };
      installs.set(on, { ...known, times: known.times + units.length });
    }
    const asked = new Map(
      steps.flatMap(({ conditions: { tool } }) => (tool ? [[JSON.stringify(tool), tool] as const] : [])),
    );
    for (const [key, tool] of asked)
      tools.set(key, { tool, radios: (tools.get(key)?.radios ?? 0) + units.length });
  }
  return {
    there,
    reach,
    stuck,
    untold,
    minutes: reach.reduce((sum, r) => sum + r.minutes, 0),
    losing: reach.filter((r) => ERASES.indexOf(r.erases) > 0).length,
    installs: [...installs.values()].sort((a, b) => b.times - a.times || (a.release < b.release ? -1 : 1)),
    tools: [...tools.values()].sort((a, b) => b.radios - a.radios || (a.tool.name < b.tool.name ? -1 : 1)),
  };
}

/** The units that show the same, on the same hardware, under the same policy: one of them stands for all. */
function alikeIn(situations: readonly Omit<Situation, "catalogue">[], catalogue: Catalogue) {
  const policies = new Map<Policy, number>();
  const found = new Map<string, { unit: UnitFacts; policy: Policy; units: string[] }>();
  for (const { unit, policy: anyDay, today } of situations) {
    const policy = policyOn(anyDay, today);
    if (!policies.has(policy)) policies.set(policy, policies.size);
    let key = `${policies.get(policy)}|${unit.hardwareRevision ?? ""}|${unit.region ?? ""}`;
    for (const component of catalogue.keys()) key += `\n${newestReading(unit, component)?.raw ?? ""}`;
    const alike = found.get(key);
    if (alike) alike.units.push(unit.id);
    else found.set(key, { unit, policy, units: [unit.id] });
  }
  return found.values();
}

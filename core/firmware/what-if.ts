// If a release became the target: which radios get there, how long it takes in all, and what they lose on the way.
import type { Catalogue } from "./catalogue.ts";
import { ERASES, type Erases } from "./conditions.ts";
import type { Policy } from "./policy.ts";
import type { Stop } from "./route.ts";
import type { UnitFacts } from "./unit.ts";
import { stateOfUnit, wayOf } from "./way.ts";

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
  readonly minutes: number;
  /** How many lose at least their settings. */
  readonly losing: number;
};

/** Routes are worked out once for all units that run the same, on the same hardware, under the same policy. */
export function whatIf(
  units: readonly UnitFacts[],
  policyOf: (unit: UnitFacts) => Policy,
  catalogue: Catalogue,
  component: string,
  release: string,
): WhatIf {
  const goal = new Map([[component, release]]);
  const known = new Map<string, ReturnType<typeof wayOf>>();
  const policies = new Map<Policy, number>();
  const there: string[] = [];
  const reach: WhatIf["reach"][number][] = [];
  const stuck: WhatIf["stuck"][number][] = [];
  for (const unit of units) {
    const policy = policyOf(unit);
    if (!policies.has(policy)) policies.set(policy, policies.size);
    const runs = [...stateOfUnit(unit, catalogue)].map(
      ([id, version]) => `${id} ${version.release ?? version.cleaned}`,
    );
    const key = [policies.get(policy), unit.hardwareRevision, unit.region, ...runs].join("|");
    const way = known.get(key) ?? wayOf(unit, catalogue, policy, goal);
    known.set(key, way);
    if (!way.result.ok) {
      stuck.push({
        unit: unit.id,
        stops: way.result.problem.kind === "no-route" ? way.result.problem.stops : [],
      });
    } else if (way.result.value.steps.length === 0) there.push(unit.id);
    else {
      const { steps, minutes, erases } = way.result.value;
      reach.push({ unit: unit.id, installs: steps.length, minutes, erases });
    }
  }
  return {
    there,
    reach,
    stuck,
    minutes: reach.reduce((sum, r) => sum + r.minutes, 0),
    losing: reach.filter((r) => ERASES.indexOf(r.erases) > 0).length,
  };
}

// Which purchases would free a unit: for every install on its way that waits for kit, one of the sets of offers.
import type { Catalogue } from "../firmware/catalogue.ts";
import type { UnitFacts } from "../firmware/unit.ts";
import { minimalSets, type PreparedKit, purchasesFor } from "./chain.ts";
import { type Means, meetingOf, type Reachable } from "./means.ts";

/** More combinations than this are not told apart; the ones with the fewest things in them stay. */
const MOST_SETS = 40;

/**
 * The sets of offers of which one would be enough for all installs that wait. The empty set: money is not what is missing.
 * No set: nothing on offer would do.
 */
export function wantingSets(
  means: Means,
  unit: UnitFacts,
  catalogue: Catalogue,
  radio: Reachable,
  prepared: PreparedKit,
): string[][] {
  if (means.kind !== "kit") return [[]];
  let sets: string[][] = [[]];
  const asked = new Set<string>();
  for (const { step, ready } of means.steps) {
    if (ready) continue;
    const { ways, tool } = step.conditions;
    const job = { ...radio, operation: "flash" as const, ways, ...(tool && { tool }) };
    const key = JSON.stringify(job);
    if (asked.has(key)) continue;
    asked.add(key);
    const own = purchasesFor({ ...job, meets: meetingOf(unit, catalogue) }, prepared);
    sets = minimalSets(sets.flatMap((set) => own.map((more) => [...set, ...more]))).slice(0, MOST_SETS);
  }
  return sets;
}

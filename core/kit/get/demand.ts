// Which purchases would free a unit: for every install on its way that waits for kit, one of the sets of offers.
import { minimalSets, type PreparedKit, purchasesFor } from "../chain/chain.ts";
import type { Tooling } from "../tooling.ts";

/** More combinations than this are not told apart; the ones with the fewest things in them stay. */
const MOST_SETS = 40;

/**
 * The sets of offers of which one would be enough for all installs that wait. The empty set: money is not what is missing.
 * No set: nothing on offer would do.
 */
export function demandSets(tooling: Tooling, prepared: PreparedKit): string[][] {
  if (tooling.kind !== "kit") return [[]];
  let sets: string[][] = [[]];
  for (const { job, ready } of tooling.steps) {
    if (ready) continue;
    const own = purchasesFor(job, prepared);
    sets = minimalSets(sets.flatMap((set) => own.map((more) => [...set, ...more]))).slice(0, MOST_SETS);
  }
  return sets;
}

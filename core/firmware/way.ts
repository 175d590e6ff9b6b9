// From a unit's open needs to its route: what it runs, what it is to run, which tracks may be stepped on, and what to
// save before and put back after.
import { type Need, targetOn } from "../needs/need.ts";
import type { PlainDate } from "../quantities/date.ts";
import type { Result } from "../quantities/result.ts";
import type { Catalogue } from "./catalogue.ts";
import { placeReading } from "./placing.ts";
import type { Policy } from "./policy.ts";
import { findRoute, type Goal, type Route, type RouteProblem, type State } from "./route.ts";
import { isAdmitted } from "./standing.ts";
import { newestReading, type UnitFacts } from "./unit.ts";
import type { Version } from "./version.ts";

/** What each component runs by its newest reading; one that cannot be placed counts as not read. */
export function stateOfUnit(unit: UnitFacts, catalogue: Catalogue): State {
  const state = new Map<string, Version>();
  for (const [id, prepared] of catalogue) {
    const reading = newestReading(unit, id);
    const placed = reading && placeReading(prepared, reading.raw);
    if (placed?.ok) state.set(id, placed.value);
  }
  return state;
}

/** The release that each open firmware need calls for today. */
export function goalOfNeeds(
  needs: readonly Pick<Need, "kind" | "component" | "targets">[],
  today: PlainDate,
): Goal {
  const goal = new Map<string, string>();
  for (const need of needs) {
    const target = need.kind === "firmware" ? targetOn(need, today) : undefined;
    if (target !== undefined) goal.set(need.component, target);
  }
  return goal;
}

export type Way = { readonly goal: Goal; readonly result: Result<Route, RouteProblem> };

/**
 * The way of a unit to a goal, over tracks that its policy admits and no others. `policy` is that of the day (`policyOn`). `keep`: over nothing
 * that erases.
 */
export function wayOf(unit: UnitFacts, catalogue: Catalogue, policy: Policy, goal: Goal, keep = false): Way {
  const state = stateOfUnit(unit, catalogue);
  const spares = (release: { conditions?: { erases: string } }) =>
    !keep || (release.conditions?.erases ?? "nothing") === "nothing";
  const result = findRoute(state, goal, catalogue, unit, {
    allows: (release) => isAdmitted(release, policy) && spares(release),
  });
  return { goal, result };
}

export const CARE = ["settings", "channels", "pairings", "identity"] as const;
export type Care = (typeof CARE)[number];

/** What to save before a route and put back after it, by the most that it erases. */
export function careOf(route: Pick<Route, "erases">): readonly Care[] {
  switch (route.erases) {
    case "nothing":
      return [];
    case "settings":
      return ["settings"];
    case "codeplug":
      return ["settings", "channels"];
    case "everything":
      return CARE;
  }
}

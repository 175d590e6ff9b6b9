// From a unit's open needs to its route: what it runs, what it is to run, which tracks may be stepped on, and what to
// save before and put back after.
import { type Need, targetOn } from "../needs/index.ts";
import { bad, type PlainDate, type Result } from "../quantities/index.ts";
import type { Catalogue, Component, PlacedRelease } from "../release/index.ts";
import { isAdmitted, newestReading, type Policy, placeReading, type UnitFacts } from "../unit/index.ts";
import type { Version } from "../version/index.ts";
import { findRoute, type Goal, type Route, type RouteProblem, type State, type Stop } from "./route.ts";

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
 * The way of a unit to a goal, over tracks that its policy admits and no others. `policy` is that of the day (`policyOn`).
 * `keep`: over nothing that erases, but for the goal itself; see `otherWay`.
 */
export function wayOf(unit: UnitFacts, catalogue: Catalogue, policy: Policy, goal: Goal, keep = false): Way {
  const state = stateOfUnit(unit, catalogue);
  const spares = (release: { conditions?: { erases: string } }) =>
    !keep || (release.conditions?.erases ?? "nothing") === "nothing";
  const result = findRoute(state, goal, catalogue, unit, {
    allows: (release) => isAdmitted(release, policy) && spares(release),
  });
  if (result.ok || result.problem.kind !== "no-route") return { goal, result };
  const stops = result.problem.stops.map((stop): Stop => {
    const release = catalogue.get(stop.component)?.byId.get(stop.release);
    const admitted = stop.kind === "not-allowed" && release && isAdmitted(release, policy);
    return admitted ? { kind: "erases", component: stop.component, release: stop.release } : stop;
  });
  return { goal, result: bad({ ...result.problem, stops }) };
}

/** What became of the wish to erase nothing. */
export type Wish =
  | { readonly kind: "met" }
  /** The goals themselves erase, so that every way to them does; the rest of this one erases nothing. */
  | { readonly kind: "goal-erases"; readonly releases: readonly string[] }
  /** There is no way over nothing that erases, but this one that does. */
  | { readonly kind: "only-erasing"; readonly way: Way }
  /** Nothing leads there, whether it erases or not; or that could not be found out. */
  | { readonly kind: "no-way" };

/** Another way to hold beside the first one, and, where nothing that erases is wished for, whether that could be met. */
export function otherWay(
  unit: UnitFacts,
  catalogue: Catalogue,
  policy: Policy,
  goal: Goal,
  keep: boolean,
): { readonly way: Way; readonly wish?: Wish } {
  const way = wayOf(unit, catalogue, policy, goal, keep);
  if (!keep) return { way };
  if (way.result.ok) {
    const releases = way.result.value.steps
      .filter((step) => step.conditions.erases !== "nothing")
      .map((step) => step.release);
    return { way, wish: releases.length > 0 ? { kind: "goal-erases", releases } : { kind: "met" } };
  }
  const erasing = wayOf(unit, catalogue, policy, goal);
  return { way, wish: erasing.result.ok ? { kind: "only-erasing", way: erasing } : { kind: "no-way" } };
}

/** Where firmware of these components may be brought at all: releases that are not withdrawn, of admitted tracks; the newest first. */
export const goalsBeside = (
  catalogue: Catalogue,
  policy: Policy,
  components: readonly string[],
): { readonly component: Component; readonly release: PlacedRelease }[] =>
  components.flatMap((id) => {
    const prepared = catalogue.get(id);
    return (
      prepared?.releases
        .filter((release) => !release.withdrawn && isAdmitted(release, policy))
        .map((release) => ({ component: prepared.component, release }))
        .reverse() ?? []
    );
  });

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

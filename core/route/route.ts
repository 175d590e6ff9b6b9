// The way from what a radio runs to what it should run, with its cost; or how far one gets and what stops it. Rules: docs/rules.md; decision 004 settles what they leave open.
import { bad, good, type Result } from "../quantities/index.ts";
import {
  type Catalogue,
  type Conditions,
  ERASES,
  type Erases,
  type PlacedRelease,
} from "../release/index.ts";
import { orderVersions, type Version } from "../version/index.ts";
import { type Cost, partsOf } from "./cost.ts";
import { reachable, type Stop, stopsOf } from "./explain.ts";
import { type Fitting, type Leave, type Places, placesOf, usablePlaces } from "./graph.ts";
import { type Install, search } from "./search.ts";

export type { Stop } from "./explain.ts";

/** What each component runs, by component id; a component that is not there has not been read. */
export type State = ReadonlyMap<string, Version>;
/** The release each component is to reach, by component id. A component that is not there may stay as it is. */
export type Goal = ReadonlyMap<string, string>;

export type Step = {
  readonly component: string;
  readonly release: string;
  /** What it is installed over: a release, or a version that is in no list, or nothing known. */
  readonly over: { readonly release?: string; readonly version?: string };
  readonly conditions: Conditions;
  readonly withdrawn: boolean;
};

export type Route = {
  readonly steps: readonly Step[];
  readonly erasing: number;
  /** The most that any step erases. */
  readonly erases: Erases;
  readonly risk: number;
  readonly minutes: number;
  /** It passes through a withdrawn release, since nothing else leads there. */
  readonly passesWithdrawn: boolean;
  /** Components without a goal that end below what they run now, since nothing else leads there. */
  readonly lowers: readonly string[];
  /** There were too many states to look at all of them: this is the best way found, and none costs less than this. */
  readonly atLeast?: Cost;
};

export type RouteProblem = NoRoute | { readonly kind: "too-many-states" };

export type NoRoute = {
  readonly kind: "no-route";
  /** The farthest release on the way that can be reached, with its route; absent if nothing can be installed. */
  readonly farthest?: { readonly component: string; readonly release: string; readonly route: Route };
  readonly stops: readonly Stop[];
};

export type RouteOptions = {
  /** Which releases may be used as stepping stones; the goals always may. Every one, if absent. */
  readonly allows?: (release: PlacedRelease) => boolean;
  /** How many different states are looked at at most. */
  readonly most?: number;
  /** Where that does not do, nothing that may not be the best is looked for. */
  readonly onlyBest?: boolean;
};

const TIERS = [
  { withdrawn: false, lowering: false },
  { withdrawn: true, lowering: false },
  { withdrawn: false, lowering: true },
  { withdrawn: true, lowering: true },
] as const;

/**
 * The best route: the least in installs that erase, installs, summed risk, minutes, then release ids. Withdrawn releases
 * are passed through only if nothing else leads there; after that, other components are lowered only if nothing else does.
 * Where components depend on each other in so many ways that not all can be looked at, the best way found, which says what the best costs
 * at least. Problems: `no-route`, with how far one gets and the conditions that stop it there; `too-many-states`, where not even
 * some way was found in the time that a page may take: that is not to say that there is none.
 */
export function findRoute(
  state: State,
  goal: Goal,
  releases: Catalogue,
  unit: Fitting,
  options: RouteOptions = {},
): Result<Route, RouteProblem> {
  const allows = options.allows ?? (() => true);
  const places = relevant(state, goal, releases);
  const goals = places.map((own) => {
    const wanted = goal.get(own.prepared.component.id);
    const at = own.releases.findIndex((r) => r.id === wanted);
    return wanted === undefined ? undefined : at;
  });
  if (!goals.includes(-1) && goals.some((g) => g !== undefined)) {
    const tried = new Set<string>();
    for (const tier of TIERS) {
      // Where nothing is withdrawn, or nothing lower is listed, the next tier allows nothing that this one did not.
      const allowed = places
        .map((own, c) => usablePlaces(own, unit, { ...tier, allows }, goals[c]).join(""))
        .join();
      if (tried.has(allowed)) continue;
      tried.add(allowed);
      const found = search({ places, goals }, unit, { ...tier, allows }, options);
      if (found.kind === "too-many") return bad({ kind: "too-many-states" });
      if (found.kind === "way") return good(routeOf(places, found.installs, goals));
      if (found.kind === "good")
        return good({ ...routeOf(places, found.installs, goals), atLeast: partsOf(found.atLeast) });
    }
  }
  return bad(explain(state, goal, releases, places, goals, unit, { ...TIERS[3], allows }, options));
}

/** The components with a goal, and those that their releases' requirements speak of, and so on. */
function relevant(state: State, goal: Goal, releases: Catalogue): Places[] {
  const wanted = new Set(goal.keys());
  const byName = new Map([...releases.values()].map((p) => [p.component.name, p.component.id]));
  for (const id of wanted) {
    for (const release of releases.get(id)?.releases ?? []) {
      for (const { component } of release.conditions?.requires ?? []) {
        const other = byName.get(component);
        if (other !== undefined) wanted.add(other);
      }
    }
  }
  return [...releases.values()]
    .filter((prepared) => wanted.has(prepared.component.id))
    .map((prepared) => placesOf(prepared, state.get(prepared.component.id)));
}

function routeOf(
  places: readonly Places[],
  installs: readonly Install[],
  goals: readonly (number | undefined)[],
): Route {
  const at = places.map((own) => own.start);
  const steps: Step[] = [];
  for (const { component, place } of installs) {
    const own = places[component];
    const release = own?.releases[place];
    const conditions = own?.conditions[place];
    if (!own || !release || !conditions) continue;
    const before = at[component] ?? 0;
    const over = own.releases[before]?.id;
    const version = own.versions[before]?.cleaned;
    steps.push({
      component: own.prepared.component.id,
      release: release.id,
      over: over !== undefined ? { release: over } : version !== undefined ? { version } : {},
      conditions,
      withdrawn: release.withdrawn !== undefined,
    });
    at[component] = place;
  }
  const lowers = places.flatMap((own, c) => {
    const end = own.releases[at[c] ?? 0];
    if (goals[c] !== undefined || at[c] === own.start || !end) return [];
    return isBelow(own, at[c] ?? 0) ? [own.prepared.component.id] : [];
  });
  const sum = (of: (conditions: Conditions) => number) =>
    steps.reduce((total, step) => total + of(step.conditions), 0);
  return {
    steps,
    erasing: sum((c) => (c.erases === "nothing" ? 0 : 1)),
    erases: ERASES[Math.max(0, ...steps.map((s) => ERASES.indexOf(s.conditions.erases)))] ?? "nothing",
    risk: sum((c) => c.risk),
    minutes: sum((c) => c.minutes),
    passesWithdrawn: steps.some((s) => s.withdrawn),
    lowers,
  };
}

const isBelow = (own: Places, place: number): boolean => {
  const version = own.versions[own.start];
  return version !== undefined && own.against(version.cleaned)[place] === -1;
};

/** How far one gets is tried from the farthest down: so many releases, with so many states each. */
const MOST_TRIED = 60;
const STATES_EACH = 500;

function explain(
  state: State,
  goal: Goal,
  releases: Catalogue,
  places: readonly Places[],
  goals: readonly (number | undefined)[],
  unit: Fitting,
  leave: Leave,
  options: RouteOptions,
): NoRoute {
  const missing = [...goal].filter(([id, release]) => !releases.get(id)?.byId.has(release));
  if (missing.length > 0) {
    return {
      kind: "no-route",
      stops: missing.map(([component, release]) => ({ kind: "not-listed", component, release })),
    };
  }
  const reached = reachable(places, goals, unit, leave);
  const stops = stopsOf(places, goals, reached, unit, leave);
  for (const [c, own] of places.entries()) {
    const wanted = goals[c];
    if (wanted === undefined) continue;
    const lower = own.releases
      .map((release, place) => ({ release, place }))
      .filter(({ place, release }) => {
        const below = own.against(own.releases[wanted]?.version ?? "")[place] === -1;
        return (
          place !== own.start && reached[c]?.[place] && below && !release.withdrawn && !isBelow(own, place)
        );
      })
      // The greatest by version first, whatever the dates say; of what cannot be ordered the later one.
      .sort((a, b) => orderVersions(b.release.read, a.release.read) || b.place - a.place)
      .slice(0, MOST_TRIED);
    for (const { release } of lower) {
      const part = findRoute(state, new Map([[own.prepared.component.id, release.id]]), releases, unit, {
        ...options,
        most: STATES_EACH,
        onlyBest: true,
      });
      if (part.ok) {
        return {
          kind: "no-route",
          farthest: { component: own.prepared.component.id, release: release.id, route: part.value },
          stops,
        };
      }
    }
  }
  return { kind: "no-route", stops };
}

// Why nothing leads to a goal: which places could be reached at all if components did not stand in each other's way, and
// for a release that cannot be, the conditions that nothing reachable meets.
import type { Track } from "../release/index.ts";
import { fitOf } from "../unit/index.ts";
import type { Range } from "../version/index.ts";
import { type Fitting, type Leave, type Places, usablePlaces } from "./graph.ts";

/** A condition of a release that cannot be met here. Components and releases by id. */
export type Stop = { readonly component: string; readonly release: string } & (
  | { readonly kind: "not-listed" }
  | { readonly kind: "draft" }
  | { readonly kind: "does-not-fit" }
  /** It may fit, but the unit's hardware revision or region is not known. */
  | { readonly kind: "may-fit" }
  | { readonly kind: "not-allowed"; readonly track: Track }
  /** Its track is admitted, but nothing that erases is wanted. */
  | { readonly kind: "erases" }
  /** Nothing that can be reached lies in its range; `listed` says whether any release does. */
  | { readonly kind: "from"; readonly range: Range; readonly listed: boolean }
  | { readonly kind: "from-tracks"; readonly tracks: readonly Track[] }
  | { readonly kind: "floor"; readonly floors: readonly string[] }
  | { readonly kind: "requires"; readonly of: string; readonly range: Range; readonly listed: boolean }
  /** Each condition can be met, but not all at once. */
  | { readonly kind: "together" }
);

/** For each component, the places that can be reached if every requirement once met stays met. */
export function reachable(
  places: readonly Places[],
  goals: readonly (number | undefined)[],
  unit: Fitting,
  leave: Leave,
): Uint8Array[] {
  const reached = places.map((own) => {
    const marks = new Uint8Array(own.versions.length);
    marks[own.start] = 1;
    return marks;
  });
  const usable = places.map((own, c) => usablePlaces(own, unit, leave, goals[c]));
  const sources = places.map((own) => own.sources());
  for (let grows = true; grows; ) {
    grows = false;
    for (const [c, own] of places.entries()) {
      for (const place of own.releases.keys()) {
        if (reached[c]?.[place] || !usable[c]?.[place]) continue;
        const open = sources[c]?.[place];
        if (!open?.some((can, from) => can && reached[c]?.[from])) continue;
        if (!own.conditions[place]?.requires.every((r) => met(places, reached, r))) continue;
        const marks = reached[c];
        if (marks) marks[place] = 1;
        grows = true;
      }
    }
  }
  return reached;
}

function met(
  places: readonly Places[],
  reached: readonly Uint8Array[],
  { component, range }: { readonly component: string; readonly range: Range },
): boolean {
  const c = places.findIndex((own) => own.prepared.component.name === component);
  const within = places[c]?.within(range);
  return within?.some((inside, place) => inside && reached[c]?.[place]) ?? false;
}

/** The stops before each goal that cannot be reached, the goal's own first, then those of what could have led there. */
export function stopsOf(
  places: readonly Places[],
  goals: readonly (number | undefined)[],
  reached: readonly Uint8Array[],
  unit: Fitting,
  leave: Leave,
): Stop[] {
  const stops: Stop[] = [];
  const seen = new Set<string>();
  const look = (c: number, place: number) => {
    const own = places[c];
    const release = own?.releases[place];
    if (!own || !release || seen.has(release.id)) return;
    seen.add(release.id);
    for (const { stop, next } of stopsAt(places, reached, c, place, unit, leave, place === goals[c])) {
      stops.push(stop);
      for (const [component, at] of next) look(component, at);
    }
  };
  for (const [c, goal] of goals.entries()) if (goal !== undefined && !reached[c]?.[goal]) look(c, goal);
  if (stops.length > 0) return stops;
  // Each goal could be reached by itself: they stand in each other's way.
  return goals.flatMap((goal, c): Stop[] => {
    const own = places[c];
    const release = goal === undefined ? undefined : own?.releases[goal];
    return own && release
      ? [{ kind: "together", component: own.prepared.component.id, release: release.id }]
      : [];
  });
}

type Found = { readonly stop: Stop; readonly next: readonly (readonly [component: number, place: number])[] };

function stopsAt(
  places: readonly Places[],
  reached: readonly Uint8Array[],
  c: number,
  place: number,
  unit: Fitting,
  leave: Leave,
  isGoal: boolean,
): Found[] {
  const own = places[c];
  const release = own?.releases[place];
  const conditions = own?.conditions[place];
  if (!own || !release || !conditions) return [];
  const at = { component: own.prepared.component.id, release: release.id };
  const found: Found[] = [];
  const fit = fitOf(release, unit);
  if (release.draft) found.push({ stop: { ...at, kind: "draft" }, next: [] });
  else if (fit !== "fits") found.push({ stop: { ...at, kind: fit }, next: [] });
  if (!isGoal && !leave.allows(release)) {
    found.push({ stop: { ...at, kind: "not-allowed", track: release.track }, next: [] });
  }
  if (found.length > 0) return found;

  const here = reached[c] ?? new Uint8Array(0);
  const inRange = conditions.from && own.within(conditions.from);
  if (conditions.from && inRange && !inRange.some((inside, from) => inside && here[from])) {
    const listed = own.releases.flatMap((_, from) =>
      inRange[from] && from !== place ? [[c, from] as const] : [],
    );
    found.push({
      stop: { ...at, kind: "from", range: conditions.from, listed: listed.length > 0 },
      next: listed,
    });
  }
  const tracks = conditions.fromTracks;
  if (tracks && !own.releases.some((r, from) => here[from] && tracks.includes(r.track))) {
    found.push({ stop: { ...at, kind: "from-tracks", tracks }, next: [] });
  }
  for (const { component, range } of conditions.requires) {
    if (met(places, reached, { component, range })) continue;
    const other = places.findIndex((o) => o.prepared.component.name === component);
    const within = places[other]?.within(range);
    const listed = (places[other]?.releases ?? []).flatMap((_, p) =>
      within?.[p] ? [[other, p] as const] : [],
    );
    found.push({
      stop: { ...at, kind: "requires", of: component, range, listed: listed.length > 0 },
      next: listed,
    });
  }
  if (found.length > 0) return found;
  const floors = own.conditions.flatMap(({ rollbackFloor: floor }, from) =>
    floor !== undefined && here[from] && own.against(floor)[place] === -1 ? [floor] : [],
  );
  if (floors.length > 0)
    found.push({ stop: { ...at, kind: "floor", floors: [...new Set(floors)] }, next: [] });
  else found.push({ stop: { ...at, kind: "together" }, next: [] });
  return found;
}

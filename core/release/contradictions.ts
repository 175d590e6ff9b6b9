// What is wrong with a release's conditions, seen against the rest of its model's catalogue. Found when it is saved.

import { boundsOf, liesIn, orderVersions, type Range } from "../version/index.ts";
import type { Catalogue, PlacedRelease, PreparedComponent } from "./catalogue.ts";
import { type Conditions, PLAIN_CONDITIONS } from "./conditions.ts";

/** `field` names the condition that is wrong. */
export type Contradiction = { readonly field: "version" | "from" | "requires" | "rollbackFloor" } & (
  | { readonly kind: "two-of-one-version"; readonly releases: readonly string[] }
  | { readonly kind: "bound-unreadable"; readonly bound: string }
  | { readonly kind: "empty-range" }
  | { readonly kind: "no-release-in-range"; readonly range: Range }
  | { readonly kind: "older-than-from"; readonly bound: string }
  | { readonly kind: "unknown-component"; readonly component: string }
  | { readonly kind: "requires-itself" }
  | { readonly kind: "circle"; readonly releases: readonly string[] }
  | { readonly kind: "floor-above-itself"; readonly floor: string }
);

/** All that is wrong with one release of a catalogue; nothing, if it can be used. */
export function contradictionsOf(catalogue: Catalogue, component: string, release: string): Contradiction[] {
  const prepared = catalogue.get(component);
  const own = prepared?.byId.get(release);
  if (!prepared || !own) return [];
  const found: Contradiction[] = [];
  const twins = prepared.releases.filter((r) => r.id !== own.id && orderVersions(r.read, own.read) === 0);
  if (twins.length > 0) {
    found.push({ field: "version", kind: "two-of-one-version", releases: twins.map((r) => r.id) });
  }
  const conditions = own.conditions ?? PLAIN_CONDITIONS;
  if (conditions.from) found.push(...fromTrouble(prepared, own, conditions.from));
  found.push(...requiresTrouble(catalogue, prepared, conditions));
  const circle = circleOf(catalogue, own);
  if (circle.length > 0) found.push({ field: "requires", kind: "circle", releases: circle });
  const floor = conditions.rollbackFloor;
  if (floor !== undefined) {
    const read = prepared.reader.read(floor);
    if (!read.ok) found.push({ field: "rollbackFloor", kind: "bound-unreadable", bound: floor });
    else if (orderVersions(read.value, own.read) === 1) {
      found.push({ field: "rollbackFloor", kind: "floor-above-itself", floor });
    }
  }
  return found;
}

function fromTrouble(prepared: PreparedComponent, own: PlacedRelease, from: Range): Contradiction[] {
  const field = "from" as const;
  const others = prepared.releases.filter((r) => r.id !== own.id);
  const general = rangeTrouble(prepared, others, from, field);
  if (general.length > 0) return general;
  const newer = from.map((stretch) => {
    const bound = stretch.atLeast ?? stretch.above;
    const read = bound === undefined ? undefined : prepared.reader.read(bound);
    return read?.ok && orderVersions(read.value, own.read) === 1 ? bound : undefined;
  });
  const [first] = newer;
  return first !== undefined && newer.every((bound) => bound !== undefined)
    ? [{ field, kind: "older-than-from", bound: first }]
    : [];
}

function requiresTrouble(
  catalogue: Catalogue,
  prepared: PreparedComponent,
  conditions: Conditions,
): Contradiction[] {
  const field = "requires" as const;
  return conditions.requires.flatMap(({ component, range }): Contradiction[] => {
    const other = [...catalogue.values()].find((p) => p.component.name === component);
    if (!other) return [{ field, kind: "unknown-component", component }];
    if (other === prepared) return [{ field, kind: "requires-itself" }];
    return rangeTrouble(other, other.releases, range, field);
  });
}

function rangeTrouble(
  prepared: PreparedComponent,
  releases: readonly PlacedRelease[],
  range: Range,
  field: "from" | "requires",
): Contradiction[] {
  const unreadable = boundsOf(range).find((bound) => !prepared.reader.read(bound).ok);
  if (unreadable !== undefined) return [{ field, kind: "bound-unreadable", bound: unreadable }];
  if (range.every((stretch) => isEmpty(prepared, stretch))) return [{ field, kind: "empty-range" }];
  const any = releases.some((r) => !r.draft && liesIn(range, r.read, prepared.reader));
  return any ? [] : [{ field, kind: "no-release-in-range", range }];
}

function isEmpty(prepared: PreparedComponent, { atLeast, above, atMost, below }: Range[number]): boolean {
  const low = atLeast ?? above;
  const high = atMost ?? below;
  if (low === undefined || high === undefined) return false;
  const [a, b] = [prepared.reader.read(low), prepared.reader.read(high)];
  const order = a.ok && b.ok ? orderVersions(a.value, b.value) : undefined;
  return order === 1 || (order === 0 && (above !== undefined || below !== undefined));
}

/**
 * The releases that this one waits for and that wait for it: no order of installs satisfies them all. A release that
 * requires nothing is there from the start; one is possible once, for each requirement, a possible release meets it.
 */
function circleOf(catalogue: Catalogue, own: PlacedRelease): string[] {
  const all = [...catalogue.values()].flatMap((prepared) =>
    prepared.releases.filter((r) => !r.draft || r === own).map((release) => ({ prepared, release })),
  );
  const meeting = (component: string, range: Range) =>
    all.filter(
      ({ prepared, release }) =>
        prepared.component.name === component && liesIn(range, release.read, prepared.reader),
    );
  const possible = new Set<string>();
  for (let grows = true; grows; ) {
    grows = false;
    for (const { release } of all) {
      if (possible.has(release.id)) continue;
      const requires = release.conditions?.requires ?? [];
      const holds = requires.every((r) => {
        const listed = meeting(r.component, r.range);
        return listed.length === 0 || listed.some((other) => possible.has(other.release.id));
      });
      if (!holds) continue;
      possible.add(release.id);
      grows = true;
    }
  }
  if (possible.has(own.id)) return [];
  return all.flatMap(({ release }) => (release !== own && !possible.has(release.id) ? [release.id] : []));
}

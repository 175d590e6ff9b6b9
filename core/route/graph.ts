// One component's releases as places one can be in, and which installs lead from place to place, requirements aside.

import { Memo } from "../quantities/index.ts";
import {
  type Conditions,
  PLAIN_CONDITIONS,
  type PlacedRelease,
  type PreparedComponent,
  TRACKS,
} from "../release/index.ts";
import { fitOf, type UnitFacts } from "../unit/index.ts";
import { orderVersions, type Range, type Version } from "../version/index.ts";

export type Fitting = Pick<UnitFacts, "hardwareRevision" | "region">;

/** The places of a component: its releases in the catalogue's order, and last what the unit runs if that is none of them. */
export type Places = {
  readonly prepared: PreparedComponent;
  readonly releases: readonly PlacedRelease[];
  readonly conditions: readonly Conditions[];
  readonly versions: readonly (Version | undefined)[];
  /** Where the unit is now. */
  readonly start: number;
  /** For each place, whether it lies in a range. */
  readonly within: (range: Range) => Uint8Array;
  /** For each place, its order against a version: -1, 0, 1, or 2 where it cannot be told. */
  readonly against: (text: string) => Int8Array;
  /** For each release, from which places it can be installed, its requirements on other components aside. */
  readonly sources: () => readonly Uint8Array[];
};

export const UNTOLD = 2;
/** Bounds and ranges remembered for the places of a component; a dossier of 200 releases names some hundred. */
const MOST_REMEMBERED = 3000;

/** The places of a component for a unit that runs `version` (undefined: nobody knows). */
export function placesOf(prepared: PreparedComponent, version: Version | undefined): Places {
  const { releases } = prepared;
  const known = version?.release === undefined ? -1 : releases.findIndex((r) => r.id === version.release);
  const equal =
    known >= 0 || !version ? known : releases.findIndex((r) => orderVersions(r.read, version) === 0);
  if (equal < 0) return { ...makePlaces(prepared, [version]), start: releases.length };
  // Most units run what is listed: for these the places are the same, and made once for each catalogue.
  const listed = remembered.get(prepared) ?? makePlaces(prepared, []);
  remembered.set(prepared, listed);
  return { ...listed, start: equal };
}
const remembered = new WeakMap<PreparedComponent, Omit<Places, "start">>();

function makePlaces(
  prepared: PreparedComponent,
  beside: readonly (Version | undefined)[],
): Omit<Places, "start"> {
  const { releases } = prepared;
  const versions = [...releases.map((r) => r.read), ...beside];
  const ladder = ladderOf(versions);
  const orders = new Memo<string, Int8Array>(MOST_REMEMBERED);
  const against = (text: string): Int8Array =>
    orders.get(text, () => {
      const read = prepared.reader.read(text);
      return read.ok ? ordersTo(read.value, versions, ladder) : new Int8Array(versions.length).fill(UNTOLD);
    });
  const ranges = new Memo<Range, Uint8Array>(MOST_REMEMBERED);
  const within = (range: Range): Uint8Array =>
    ranges.get(range, () => {
      const found = new Uint8Array(versions.length);
      for (const stretch of range) markStretch(found, stretch, against);
      return found;
    });
  const conditions = releases.map((r) => r.conditions ?? PLAIN_CONDITIONS);
  let sources: readonly Uint8Array[] | undefined;
  return {
    prepared,
    releases,
    conditions,
    versions,
    within,
    against,
    sources: () => {
      sources ??= findSources({ releases, conditions, versions, within, against });
      return sources;
    },
  };
}

function markStretch(
  marked: Uint8Array,
  { atLeast, above, atMost, below }: Range[number],
  against: (text: string) => Int8Array,
): void {
  const tests = [
    atLeast !== undefined && { orders: against(atLeast), holds: (o: number) => o === 0 || o === 1 },
    above !== undefined && { orders: against(above), holds: (o: number) => o === 1 },
    atMost !== undefined && { orders: against(atMost), holds: (o: number) => o === 0 || o === -1 },
    below !== undefined && { orders: against(below), holds: (o: number) => o === -1 },
  ].filter((test) => test !== false);
  for (let place = 0; place < marked.length; place++) {
    if (tests.every(({ orders, holds }) => holds(orders[place] ?? UNTOLD))) marked[place] = 1;
  }
}

type Ladder = { readonly places: readonly number[]; readonly rest: readonly number[] };

/** Places whose versions all stand in one order, so that a bound is found by halving; the rest is compared one by one. */
function ladderOf(versions: readonly (Version | undefined)[]): Ladder {
  const all = versions.map((_, place) => place);
  const straight = (place: number) => {
    const key = versions[place]?.key;
    return key !== undefined && !(key.kind === "dated" && key.key.build.as === "letter");
  };
  const places = all.filter(straight);
  const order = (a: number, b: number) => {
    const [va, vb] = [versions[a], versions[b]];
    return va && vb ? (orderVersions(va, vb) ?? 0) : 0;
  };
  places.sort(order);
  return { places, rest: all.filter((place) => !straight(place)) };
}

function ordersTo(bound: Version, versions: readonly (Version | undefined)[], ladder: Ladder): Int8Array {
  const orders = new Int8Array(versions.length).fill(UNTOLD);
  const one = (place: number): number => {
    const version = versions[place];
    return (version && orderVersions(version, bound)) ?? UNTOLD;
  };
  for (const place of ladder.rest) orders[place] = one(place);
  const { places } = ladder;
  const lettered = bound.key?.kind === "dated" && bound.key.key.build.as === "letter";
  if (!bound.key || lettered) {
    for (const place of places) orders[place] = one(place);
    return orders;
  }
  const firstNot = (less: (order: number) => boolean) => {
    let [low, high] = [0, places.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (less(one(places[middle] ?? 0))) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  const same = firstNot((order) => order < 0);
  const above = firstNot((order) => order <= 0);
  for (const [at, place] of places.entries()) orders[place] = at < same ? -1 : at < above ? 0 : 1;
  return orders;
}

/** What may be used on the way. */
export type Leave = {
  readonly withdrawn: boolean;
  readonly lowering: boolean;
  readonly allows: (release: PlacedRelease) => boolean;
};

/** Releases that may be installed at all under a leave; the goal itself always may, unless it does not fit. */
export function usablePlaces(
  places: Places,
  unit: Fitting,
  leave: Leave,
  goal: number | undefined,
): Uint8Array {
  const usable = new Uint8Array(places.versions.length);
  const own = places.versions[places.start];
  for (const [place, release] of places.releases.entries()) {
    if (fitOf(release, unit) !== "fits") continue;
    if (place !== goal) {
      if (release.withdrawn && !leave.withdrawn) continue;
      if (!leave.allows(release)) continue;
    }
    if (goal === undefined && !leave.lowering && own) {
      const order = orderVersions(release.read, own);
      if (order === undefined || order < 0) continue;
    }
    usable[place] = 1;
  }
  return usable;
}

function findSources(
  places: Pick<Places, "releases" | "conditions" | "versions" | "within" | "against">,
): readonly Uint8Array[] {
  const size = places.versions.length;
  const tracks = TRACKS.map((track) =>
    Uint8Array.from({ length: size }, (_, place) => (places.releases[place]?.track === track ? 1 : 0)),
  );
  const sources = places.conditions.map((conditions, to) => {
    const from = conditions.from && places.within(conditions.from);
    const admitted = conditions.fromTracks?.map((track) => tracks[TRACKS.indexOf(track)]);
    const open = new Uint8Array(size);
    for (let place = 0; place < size; place++) {
      if (place === to || (from && !from[place])) continue;
      if (admitted && !admitted.some((of) => of?.[place])) continue;
      open[place] = 1;
    }
    return open;
  });
  // A floor bars what is known to lie below it, seen from the place that has the floor.
  for (const [place, conditions] of places.conditions.entries()) {
    if (conditions.rollbackFloor === undefined) continue;
    const orders = places.against(conditions.rollbackFloor);
    for (const [to, open] of sources.entries()) if (orders[to] === -1) open[place] = 0;
  }
  return sources;
}

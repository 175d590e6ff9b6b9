// Releases that do the same on any route are twins: only the cheapest of them is ever part of a best route, so the search is given just that one.
import { compareText } from "../version/index.ts";
import { costOf } from "./cost.ts";
import type { Places } from "./graph.ts";

/**
 * Takes all but the cheapest twin (then the first by id) out of the usable places; `keep` stays in any case.
 * `sources` are those of the places; `ranges` are the places inside each range that other components' releases require.
 */
export function withoutTwins(
  places: Places,
  usable: Uint8Array,
  sources: readonly Uint8Array[],
  ranges: readonly Uint8Array[],
  keep: number | undefined,
): Uint8Array {
  const left = Uint8Array.from(usable);
  const requires = places.conditions.map((c) => (c.requires.length > 0 ? JSON.stringify(c.requires) : ""));
  const twins = (a: number, b: number) =>
    requires[a] === requires[b] &&
    ranges.every((range) => range[a] === range[b]) &&
    alikeInto(sources[a], sources[b], a, b) &&
    alikeOut(sources, usable, a, b);
  // By a number that twins share, so that each place is held against few others.
  const kinds = new Map<number, number[]>();
  for (const place of places.releases.keys()) {
    if (!usable[place] || place === keep) continue;
    const key = sources[place]?.reduce((sum, open, from) => (open ? sum + from + 1 : sum), place + 1) ?? 0;
    const found = kinds.get(key) ?? [];
    kinds.set(key, found);
    const at = found.findIndex((other) => twins(other, place));
    const other = found[at];
    if (other === undefined) found.push(place);
    else if (comesBefore(places, place, other)) {
      left[other] = 0;
      found[at] = place;
    } else left[place] = 0;
  }
  return left;
}

/** Whether two releases can be installed over the same places. Over themselves means nothing: being there is better. */
function alikeInto(
  a: Uint8Array | undefined,
  b: Uint8Array | undefined,
  placeA: number,
  placeB: number,
): boolean {
  if (!a || !b) return false;
  for (let from = 0; from < a.length; from++) {
    if (a[from] !== b[from] && from !== placeA && from !== placeB) return false;
  }
  return true;
}

/** Whether the same releases can be installed over two places. */
function alikeOut(sources: readonly Uint8Array[], usable: Uint8Array, a: number, b: number): boolean {
  for (let to = 0; to < sources.length; to++) {
    const open = sources[to];
    if (usable[to] && to !== a && to !== b && open && open[a] !== open[b]) return false;
  }
  return true;
}

function comesBefore(places: Places, a: number, b: number): boolean {
  const [ca, cb] = [places.conditions[a], places.conditions[b]];
  if (!ca || !cb) return false;
  const difference = costOf(ca) - costOf(cb);
  return (difference || compareText(places.releases[a]?.id ?? "", places.releases[b]?.id ?? "")) < 0;
}

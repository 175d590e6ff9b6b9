// Finds what a readout means among a component's releases, and says so if two ways are equally good.
import { bad, good, kept, Memo, type Result } from "../quantities/index.ts";
import { greatestOf, orderRelease, type PlacedRelease, type PreparedComponent } from "../release/index.ts";
import type { Order, Version, VersionProblem } from "../version/index.ts";
import type { Fact, VersionPlace } from "./facts.ts";

export type PlacingProblem =
  | VersionProblem
  | { readonly kind: "two-places"; readonly places: readonly VersionPlace[] };

/**
 * Reads a readout under the component's numbering. Where no person has confirmed the numbering and two fit the
 * releases equally well, both must place it alike among all releases.
 * Problems: those of `readVersion`, and `two-places` with both places.
 */
export function placeReading(prepared: PreparedComponent, raw: string): Result<Version, PlacingProblem> {
  const known = kept(
    remembered,
    prepared,
    () => new Memo<string, Result<Version, PlacingProblem>>(MOST_PLACED),
  );
  return known.get(raw, () => work(prepared, raw));
}
/** Readouts of one component that are remembered: more than a club's radios show. */
const MOST_PLACED = 4000;
const remembered = new WeakMap<PreparedComponent, Memo<string, Result<Version, PlacingProblem>>>();

function work(prepared: PreparedComponent, raw: string): Result<Version, PlacingProblem> {
  const first = prepared.reader.read(raw);
  const { rival } = prepared;
  if (!first.ok || !rival) return first;
  const second = rival.reader.read(raw);
  if (second.ok && sameOrders(prepared, first.value, rival, second.value)) return good(first.value);
  if (!second.ok) return good(first.value);
  return bad({
    kind: "two-places",
    places: [placeOf(prepared, first.value), placeOf(rival, second.value)],
  });
}

function sameOrders(a: PreparedComponent, va: Version, b: PreparedComponent, vb: Version): boolean {
  return a.releases.every((release) => {
    const twin = b.byId.get(release.id);
    return twin && orderRelease(a, release, va)?.order === orderRelease(b, twin, vb)?.order;
  });
}

/** The releases just below and just above a version. */
export function placeOf(prepared: PreparedComponent, version: Version): VersionPlace {
  const ordered = (wanted: Order) =>
    prepared.releases.filter((r) => orderRelease(prepared, r, version)?.order === wanted);
  const below = greatestOf(prepared, ordered(-1));
  const above = leastOf(prepared, ordered(1));
  return {
    numbering: prepared.reader.scheme.numbering,
    ...(below && { below: below.id }),
    ...(above && { above: above.id }),
  };
}

function leastOf(prepared: PreparedComponent, releases: readonly PlacedRelease[]): PlacedRelease | undefined {
  return releases.find((r) =>
    releases.every((other) => other === r || (orderRelease(prepared, other, r.read)?.order ?? 1) >= 0),
  );
}

/** The fact that tells why a readout cannot be placed. */
export const placingFact = (problem: PlacingProblem): Fact =>
  problem.kind === "two-places"
    ? { kind: "two-places", places: problem.places }
    : { kind: "cannot-place", problem };

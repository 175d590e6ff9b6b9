// The fewest test frequencies that tell a model's modes apart: a radio is asked to transmit on each, into a dummy load, and does or does not.
import { type Band, type Bands, liesInBands, normalised } from "./band.ts";

/** Test frequencies lie on this raster, in hertz: a radio can be set to it. */
export const RASTER = 12_500;

/** A mode as probing sees it: where it transmits. */
export type Probed = { readonly id: string; readonly transmit: Bands };

export type Probe = {
  /** In hertz. */
  readonly frequency: number;
  /** The user may not transmit there: into a dummy load only, and only where local rules allow even that. */
  readonly outside: boolean;
  /** The modes that transmit there. */
  readonly transmits: readonly string[];
};

export type Probes = {
  readonly probes: readonly Probe[];
  /** Pairs of modes that no frequency tells apart. */
  readonly alike: readonly (readonly [string, string])[];
};

/**
 * Test frequencies, least in this order: those outside of the privileges; how many. Each is, on the raster, as far from the edges of its
 * piece of the air as can be; a piece of a single hertz is a fixed channel, and is asked on itself. `raster` in hertz. Exact: the axis is cut
 * at every edge, and the fewest pieces that part every two modes are searched for, with more allowed one at a time.
 */
export function probesFor(modes: readonly Probed[], privileges: Bands, raster: number): Probes {
  const pieces = piecesOf(modes, privileges, raster);
  const pairs = modes.flatMap((a, i) => modes.slice(i + 1).map((b) => [a, b] as const));
  const parts = ([a, b]: (typeof pairs)[number], { transmits }: Probe) =>
    transmits.includes(a.id) !== transmits.includes(b.id);
  const isPartable = (pair: (typeof pairs)[number]) => pieces.some((piece) => parts(pair, piece));
  const alike = pairs.flatMap(([a, b]) => (isPartable([a, b]) ? [] : [[a.id, b.id] as const]));
  const wanted = pairs.filter(isPartable);
  // By each piece, which pairs it parts, as their places in the list.
  const parted = pieces.map((piece) =>
    wanted.reduce((set, pair, i) => (parts(pair, piece) ? set | (1n << BigInt(i)) : set), 0n),
  );
  const all = (1n << BigInt(wanted.length)) - 1n;
  const inside = pieces.flatMap((piece, i) => (piece.outside ? [] : [parted[i] ?? 0n]));
  const byInside = inside.reduce((a, b) => a | b, 0n);
  // First how few must lie outside: what lies inside costs nothing then.
  const outside = fewest(
    all & ~byInside,
    parted,
    (i) => pieces[i]?.outside === true,
    Number.POSITIVE_INFINITY,
  );
  const few = fewest(all, parted, (i) => pieces[i]?.outside === true, outside.length, true);
  return {
    probes: few
      .flatMap((i) => pieces[i] ?? [])
      .sort((a, b) => Number(a.outside) - Number(b.outside) || a.frequency - b.frequency),
    alike,
  };
}

/** The pieces of the air in which every mode either transmits or does not, each with its test frequency; of those that tell the same, the widest. */
function piecesOf(modes: readonly Probed[], privileges: Bands, raster: number): Probe[] {
  const own = modes.map(({ id, transmit }) => ({ id, transmit: normalised(transmit) }));
  const edges = [privileges, ...own.map(({ transmit }) => transmit)].flatMap((bands) =>
    normalised(bands).flatMap(({ from, to }) => [from, to]),
  );
  const cuts = [...new Set(edges)].sort((a, b) => a - b);
  const best = new Map<string, { readonly probe: Probe; readonly margin: number }>();
  for (const [i, from] of cuts.entries()) {
    const to = cuts[i + 1];
    const frequency = to === undefined ? undefined : middleOf({ from, to }, raster);
    if (to === undefined || frequency === undefined) continue;
    const transmits = own.flatMap(({ id, transmit }) => (liesInBands(transmit, from) ? [id] : []));
    // Where all of them transmit, or none, nothing is told.
    if (transmits.length === 0 || transmits.length === own.length) continue;
    const outside = !liesInBands(privileges, from);
    const margin = Math.min(frequency - from, to - 1 - frequency);
    const key = `${outside} ${transmits.join(" ")}`;
    if ((best.get(key)?.margin ?? -1) < margin)
      best.set(key, { probe: { frequency, outside, transmits }, margin });
  }
  return [...best.values()].sort((a, b) => b.margin - a.margin).map(({ probe }) => probe);
}

/** The frequency on the raster that is farthest from both edges of a piece; the lower one of two; undefined where none lies in it. */
function middleOf({ from, to }: Band, raster: number): number | undefined {
  if (to - from === 1) return from;
  const middle = (from + to - 1) / 2;
  const near = [Math.floor(middle / raster) * raster, Math.ceil(middle / raster) * raster].filter(
    (f) => f >= from && f < to,
  );
  return near.sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle) || a - b)[0];
}

/**
 * The fewest of `sets`, as their places, that together hold `wanted`, with at most `most` of those that cost; without `free`, only those that
 * cost may be taken. By more and more allowed; at each, the member that the fewest sets hold is taken care of first.
 */
function fewest(
  wanted: bigint,
  sets: readonly bigint[],
  costs: (i: number) => boolean,
  most: number,
  free = false,
): readonly number[] {
  const usable = sets.flatMap((set, i) => (set !== 0n && (free || costs(i)) ? [i] : []));
  const search = (left: bigint, allowed: number, dear: number): readonly number[] | undefined => {
    if (left === 0n) return [];
    if (allowed === 0) return undefined;
    let holders: number[] | undefined;
    for (let rest = left, place = 0n; rest !== 0n; rest >>= 1n, place++) {
      if ((rest & 1n) === 0n) continue;
      const own = usable.filter((i) => ((sets[i] ?? 0n) >> place) & 1n);
      if (!holders || own.length < holders.length) holders = own;
    }
    // What gains the most is tried first; with so few left to take, each must gain its share.
    const gains = (holders ?? [])
      .map((i) => ({ i, gain: count((sets[i] ?? 0n) & left) }))
      .sort((a, b) => b.gain - a.gain || a.i - b.i);
    const highest = usable.reduce((top, i) => Math.max(top, count((sets[i] ?? 0n) & left)), 0);
    if (highest * allowed < count(left)) return undefined;
    for (const { i } of gains) {
      const dearer = dear + (costs(i) ? 1 : 0);
      if (dearer > most) continue;
      const found = search(left & ~(sets[i] ?? 0n), allowed - 1, dearer);
      if (found) return [i, ...found];
    }
    return undefined;
  };
  for (let allowed = 0; allowed <= usable.length; allowed++) {
    const found = search(wanted, allowed, 0);
    if (found) return found;
  }
  return [];
}

function count(set: bigint): number {
  let ones = 0;
  for (let rest = set; rest !== 0n; rest &= rest - 1n) ones++;
  return ones;
}

export type Seen = { readonly frequency: number; readonly transmits: boolean };

/** The modes that fit all that was seen: one, several, or none. */
export const readProbes = <One extends Probed>(seen: readonly Seen[], modes: readonly One[]): One[] =>
  modes.filter(({ transmit }) => seen.every((one) => liesInBands(transmit, one.frequency) === one.transmits));

// The fewest test frequencies that tell a model's modes apart: a radio is asked to transmit on each, into a dummy load, and does or does not.
import { groupBy } from "../quantities/index.ts";
import { type Band, type Bands, liesInBands, normalised } from "./band.ts";
import { fewestCuts } from "./cuts.ts";

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
 * piece of the air as can be; a piece of a single hertz is a fixed channel, and is asked on itself. `raster` in hertz. Exact up to twelve
 * modes that differ: the axis is cut at every edge, and the fewest pieces that part every two modes are searched for. Beyond that, where that takes too
 * long, what parts the most is taken first.
 */
export function probesFor(modes: readonly Probed[], privileges: Bands, raster: number): Probes {
  const pieces = piecesOf(modes, privileges, raster);
  // Modes that no piece tells apart are one mode to whoever probes.
  const behaviour = (id: string) =>
    pieces.map(({ transmits }) => (transmits.includes(id) ? "1" : "0")).join("");
  const kinds = groupBy(modes, ({ id }) => behaviour(id));
  const alike = [...kinds.values()].flatMap((same) =>
    same.flatMap((a, i) => same.slice(i + 1).map((b) => [a.id, b.id] as const)),
  );
  const different = [...kinds.values()].flatMap(([first]) => (first ? [first.id] : []));
  const cuts = pieces.map(({ outside, transmits }) => ({ outside, members: transmits }));
  return {
    probes: fewestCuts(different, cuts)
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

export type ProbeResult = { readonly frequency: number; readonly transmits: boolean };

/** The modes that fit all that was seen: one, several, or none. */
export const readProbes = <One extends Probed>(seen: readonly ProbeResult[], modes: readonly One[]): One[] =>
  modes.filter(({ transmit }) => seen.every((one) => liesInBands(transmit, one.frequency) === one.transmits));

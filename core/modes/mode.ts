// Modes of a model: where a radio can transmit and receive in each, held against what may be used.
import { z } from "zod";
import { ERASES } from "../release/conditions.ts";
import { rangeShape } from "../version/range.ts";
import { type Band, type Bands, bandShape, common, hertz, liesInBands, normalised, without } from "./band.ts";

/** What a radio does with a channel outside of what it can transmit on. */
export const OUTSIDE = ["refuses", "band edge"] as const;
export type Outside = (typeof OUTSIDE)[number];

export const MOST_BANDS = 40;
export const MOST_FIXED = 200;
const bands = z.array(bandShape).max(MOST_BANDS, "At most 40 bands.").readonly();
const text = z.string().trim();

/** A channel that a mode fixes. */
export const fixedShape = z
  .object({
    frequency: hertz,
    /** The most it sends there, in watts. */
    watts: z.number().positive().max(10_000).optional(),
    receiveOnly: z.literal(true).optional(),
  })
  .readonly();

export const modeShape = z.object({
  name: text.min(1, "A mode has a name.").max(60),
  transmit: bands,
  receive: bands,
  /** The most it sends, in watts. */
  watts: z.number().positive().max(10_000).optional(),
  /** The widths it can send, in hertz. */
  bandwidths: z.array(z.number().int().positive().max(10_000_000)).max(8).readonly().default([]),
  /** Where it is given, it transmits on these channels and on nothing else. */
  fixed: z.array(fixedShape).max(MOST_FIXED, "At most 200 channels.").readonly().optional(),
  outside: z.enum(OUTSIDE).default("refuses"),
  /** What switching to it erases. */
  erases: z.enum(ERASES).default("nothing"),
  /** How it is set in a tool, where it is. */
  setting: text.max(200).optional(),
  /** How it looks, where that can be told by looking: what else tells it apart. */
  sign: text.max(200).optional(),
  firmware: z.object({ component: z.string(), range: rangeShape }).optional(),
  hardwareRevisions: z.array(z.string()).min(1).optional(),
});
export type Mode = Readonly<z.output<typeof modeShape>>;

/** So far on either side of a fixed channel it counts as its own. */
const HALF_CHANNEL = 1;

/** Where it can transmit: its bands, or, where its channels are fixed, those alone. */
export const transmitOf = ({ transmit, fixed }: Pick<Mode, "transmit" | "fixed">): Bands =>
  fixed === undefined
    ? normalised(transmit)
    : normalised(
        fixed.flatMap(({ frequency, receiveOnly }): Band[] =>
          receiveOnly ? [] : [{ from: frequency, to: frequency + HALF_CHANNEL }],
        ),
      );

/** The most that a radio may send in any of these modes, in watts; undefined: of one that sends nobody has noted it. */
export function mostWatts(modes: readonly Pick<Mode, "transmit" | "fixed" | "watts">[]): number | undefined {
  const sending = modes.filter((mode) => transmitOf(mode).length > 0);
  const watts = sending.map((mode) =>
    mode.fixed?.every((one) => one.receiveOnly || one.watts !== undefined)
      ? Math.max(...mode.fixed.map((one) => (one.receiveOnly ? 0 : (one.watts ?? 0))))
      : mode.watts,
  );
  const known = watts.filter((one) => one !== undefined);
  return known.length > 0 && known.length === watts.length ? Math.max(...known) : undefined;
}

/** The power that is held against what a meter shows: of the mode it is in, else of its first; undefined: nobody has noted it. */
export const ratedWatts = <M extends Pick<Mode, "watts"> & { readonly id: string }>(
  modes: readonly M[],
  now: string | undefined,
): number | undefined => (modes.find(({ id }) => id === now) ?? modes[0])?.watts;

/** Where a radio in the mode can transmit and its user may not. */
export const excess = (mode: Pick<Mode, "transmit" | "fixed">, privileges: Bands): Bands =>
  without(transmitOf(mode), privileges);

/** Where its user may transmit and the radio in this mode cannot; only within `reach`, what the model can do in any of its modes. */
export const shortfall = (
  mode: Pick<Mode, "transmit" | "fixed">,
  privileges: Bands,
  reach: Bands = privileges,
): Bands => without(common(privileges, reach), transmitOf(mode));

/** A programmed channel; frequencies and width in hertz. */
export const channelShape = z
  .object({
    name: z.string().trim().max(60),
    receive: hertz,
    /** Absent: it only receives. */
    transmit: hertz.optional(),
    bandwidth: z.number().int().positive().max(10_000_000).optional(),
  })
  .readonly();
export type Channel = z.output<typeof channelShape>;

export type Stranded = {
  readonly channel: Channel;
  readonly frequency: number;
  readonly does: Outside;
  /** Where it ends up, if it falls to a band edge. */
  readonly edge?: number;
};

/** Channels on whose transmit frequency a radio in the mode does not transmit, with what it does then; in their order. */
export function strandedChannels(
  channels: readonly Channel[],
  mode: Pick<Mode, "transmit" | "fixed" | "outside">,
): Stranded[] {
  const can = transmitOf(mode);
  return channels.flatMap((channel): Stranded[] => {
    const frequency = channel.transmit;
    if (frequency === undefined || liesInBands(can, frequency)) return [];
    const edge = mode.outside === "band edge" ? nearestEdge(can, frequency) : undefined;
    return [{ channel, frequency, does: mode.outside, ...(edge !== undefined && { edge }) }];
  });
}

/** The nearest frequency that lies in the bands; undefined where there are none. */
function nearestEdge(bands: Bands, frequency: number): number | undefined {
  const edges = bands.flatMap(({ from, to }) => [from, to - 1]);
  return edges.reduce<number | undefined>(
    (best, edge) =>
      best === undefined || Math.abs(edge - frequency) < Math.abs(best - frequency) ? edge : best,
    undefined,
  );
}

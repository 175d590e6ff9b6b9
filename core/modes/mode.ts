// Modes of a model: where a radio can transmit and receive in each, held against what may be used.
import { type Band, type Bands, common, liesInBands, normalised, without } from "./band.ts";
import type { Channel, Mode } from "./mode-shape.ts";
import type { Outside } from "./words.ts";

export type { Channel, Mode };

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

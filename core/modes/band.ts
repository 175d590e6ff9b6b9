// Stretches of the air, in hertz, half-open: `from` belongs to it, `to` does not. A set of them is kept in order, with nothing that touches.
import type { Band } from "./band-shape.ts";

export type { Band };
export type Bands = readonly Band[];

/** The same stretches in order, those that touch or overlap as one, empty ones left out. */
export function normalised(bands: Bands): Bands {
  const inOrder = bands.filter(({ from, to }) => from < to).sort((a, b) => a.from - b.from);
  const whole: Band[] = [];
  for (const band of inOrder) {
    const last = whole.at(-1);
    if (last && band.from <= last.to)
      whole[whole.length - 1] = { from: last.from, to: Math.max(last.to, band.to) };
    else whole.push({ from: band.from, to: band.to });
  }
  return whole;
}

/** What lies in `bands` and not in `others`. */
export function without(bands: Bands, others: Bands): Bands {
  const cuts = normalised(others);
  return normalised(bands).flatMap((band) => {
    const left: Band[] = [];
    let from = band.from;
    for (const cut of cuts) {
      if (cut.to <= from || cut.from >= band.to) continue;
      if (cut.from > from) left.push({ from, to: cut.from });
      from = Math.max(from, cut.to);
    }
    if (from < band.to) left.push({ from, to: band.to });
    return left;
  });
}

/** What lies in both. */
export const common = (bands: Bands, others: Bands): Bands => without(bands, without(bands, others));

/** Whether a frequency lies in them. */
export const liesInBands = (bands: Bands, frequency: number): boolean =>
  bands.some(({ from, to }) => from <= frequency && frequency < to);

/** How much of the air they are, in hertz. */
export const widthOf = (bands: Bands): number =>
  normalised(bands).reduce((sum, { from, to }) => sum + to - from, 0);

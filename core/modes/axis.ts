// A frequency axis that folds the empty stretches: what is there is drawn, what is nowhere is a fold.
import { type Band, type Bands, normalised } from "./band.ts";

export type Stretch = Band & {
  /** Where it lies on the axis, from 0 to 1. */
  readonly at: number;
  readonly width: number;
};

export type Axis = {
  readonly stretches: readonly Stretch[];
  /** The place of a frequency, from 0 to 1; that of the nearest stretch's edge where it is folded away. */
  readonly place: (hertz: number) => number;
};

/** The room that a fold takes, as a share of the axis. */
const FOLD = 0.03;
/** A stretch is never narrower than this, as a share of what is left beside the folds. */
const LEAST = 0.12;
/** Stretches that lie closer together than this share of the wider of the two are drawn as one, with what is between. */
const NEAR = 0.5;
/** On either side of a stretch so much more is drawn, as a share of it. */
const MARGIN = 0.08;

/** An axis on which all of these bands and single frequencies can be seen. Empty: one that places everything in the middle. */
export function axisOf(bands: Bands, points: readonly number[] = []): Axis {
  const all = normalised([...bands, ...points.map((f) => ({ from: f, to: f + 1 }))]);
  const near: Band[] = [];
  for (const band of all) {
    const last = near.at(-1);
    const wider = last ? Math.max(last.to - last.from, band.to - band.from) : 0;
    if (last && band.from - last.to <= wider * NEAR) near[near.length - 1] = { from: last.from, to: band.to };
    else near.push(band);
  }
  const wide = near.map(({ from, to }) => {
    const more = Math.max(1, Math.round((to - from) * MARGIN));
    return { from: Math.max(0, from - more), to: to + more };
  });
  const room = 1 - FOLD * Math.max(0, wide.length - 1);
  const shares = sharesOf(wide.map(({ from, to }) => Math.sqrt(to - from)));
  let at = 0;
  const stretches = wide.map((band, i): Stretch => {
    const width = room * (shares[i] ?? 0);
    const own = { ...band, at, width };
    at += width + FOLD;
    return own;
  });
  return { stretches, place: (hertz) => placeOn(stretches, hertz) };
}

/** Shares of one, each at least the least (as far as that goes), the rest as the weights say. */
function sharesOf(weights: readonly number[]): number[] {
  const least = Math.min(LEAST, 1 / Math.max(1, weights.length));
  const sum = weights.reduce((a, b) => a + b, 0);
  const rest = 1 - least * weights.length;
  return weights.map((weight) => least + (sum === 0 ? 0 : (rest * weight) / sum));
}

function placeOn(stretches: readonly Stretch[], hertz: number): number {
  if (stretches.length === 0) return 0.5;
  let before = 0;
  for (const { from, to, at, width } of stretches) {
    if (hertz < from) return before === 0 ? at : (before + at) / 2;
    if (hertz <= to) return at + (width * (hertz - from)) / (to - from);
    before = at + width;
  }
  return before;
}

/** Round frequencies for the marks of a stretch, in hertz: as many as fit, four at most. */
export function marksOf({ from, to }: Band): number[] {
  const rough = (to - from) / 4;
  const power = 10 ** Math.floor(Math.log10(Math.max(1, rough)));
  const step = [1, 2, 5, 10].map((n) => n * power).find((one) => one >= rough) ?? power * 10;
  const marks: number[] = [];
  for (let mark = Math.ceil(from / step) * step; mark <= to; mark += step) marks.push(mark);
  return marks;
}

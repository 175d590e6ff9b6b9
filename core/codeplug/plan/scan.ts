// Scan plans: how long a pass over a stretch of the air takes, what its raster misses, and the chance to meet a call.

/** In hertz and milliseconds. */
export type Scan = {
  readonly from: number;
  readonly to: number;
  readonly step: number;
  /** How long it listens on a channel where nothing is. */
  readonly perChannelMs: number;
  /** How long it stays where something is. */
  readonly dwellMs: number;
  /** How wide the receiver hears: what lies off the raster by half of that is heard. */
  readonly width: number;
};

export type Wanted = { readonly name: string; readonly frequency: number };

export type ScanPlan = {
  readonly channels: number;
  /** Seconds for a pass on which nothing is heard; and with something on so many of the wanted as it meets. */
  readonly quiet: number;
  readonly busy: number;
  /** Wanted frequencies that the raster misses, with how far the nearest channel is off, in hertz; outside of the range: no channel is near. */
  readonly missed: readonly (Wanted & { readonly off: number | "outside" })[];
  /** The largest step that misses none of those within the range; absent: any step does, or none is within. */
  readonly best?: number;
};

/**
 * `bad-range`: it ends before it begins, or is not in hertz; `bad-step`: no step, or one wider than the range. The raster begins at the lower
 * edge. The largest step is the greatest common divisor of the distances to that edge, and no wider than the receiver hears.
 */
export function scanPlan(
  scan: Scan,
  wanted: readonly Wanted[],
): ScanPlan | { readonly problem: "bad-range" | "bad-step" } {
  const { from, to, step, perChannelMs, dwellMs, width } = scan;
  if (!(Number.isInteger(from) && Number.isInteger(to) && from > 0 && from < to))
    return { problem: "bad-range" };
  if (!(Number.isInteger(step) && step > 0 && step <= to - from)) return { problem: "bad-step" };
  const channels = Math.floor((to - from) / step) + 1;
  const offOf = (frequency: number): number | "outside" => {
    if (frequency < from || frequency > to) return "outside";
    const near = Math.min(Math.round((frequency - from) / step), channels - 1);
    return Math.abs(frequency - from - near * step);
  };
  const missed = wanted.flatMap((one) => {
    const off = offOf(one.frequency);
    return off === "outside" || off > width / 2 ? [{ ...one, off }] : [];
  });
  const met = wanted.length - missed.length;
  const within = wanted.filter(({ frequency }) => frequency >= from && frequency <= to);
  const common = within.reduce((divisor, { frequency }) => gcd(divisor, frequency - from), 0);
  const quiet = (channels * perChannelMs) / 1000;
  return {
    channels,
    quiet,
    missed,
    busy: quiet + (met * dwellMs) / 1000,
    ...(common > 0 && { best: largestDivisor(common, width) }),
  };
}

function gcd(a: number, b: number): number {
  let [x, y] = [a, b];
  while (y !== 0) [x, y] = [y, x % y];
  return x;
}

/** The largest divisor of a distance that is no more than the width, in whole hertz. */
function largestDivisor(distance: number, width: number): number {
  for (let parts = Math.max(1, Math.ceil(distance / width)); parts <= distance; parts++)
    if (distance % parts === 0) return distance / parts;
  return 1;
}

/** The chance that a call of so many seconds is met by passes of so many: it is met for sure once a pass is no longer than the call. */
export const chanceToMeet = (callSeconds: number, passSeconds: number): number =>
  passSeconds <= 0 ? 1 : Math.min(1, Math.max(0, callSeconds / passSeconds));

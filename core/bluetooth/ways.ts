// Ways of programming compared: by keypad, over Bluetooth, with a cable; which is quickest for so many radios and channels, and from where on.

/** What one way takes, in minutes; our own measured times where there are any, else usual ones. */
export type ProgrammingWay = {
  readonly id: string;
  /** Once, before the first radio. */
  readonly setUp: number;
  readonly perRadio: number;
  readonly perChannel: number;
  /** So many radios at once: leads, programmers, hands. */
  readonly atOnce: number;
  /** So many radios until its charge is gone; absent: it does not run out. */
  readonly lasts?: number;
};

/** Minutes for so many radios with so many channels each; undefined: its charge does not last, or there is nothing to do it with. */
export function minutesOf(way: ProgrammingWay, radios: number, channels: number): number | undefined {
  if (radios === 0) return 0;
  if (way.atOnce < 1 || (way.lasts !== undefined && radios > way.lasts)) return undefined;
  return way.setUp + Math.ceil(radios / way.atOnce) * (way.perRadio + channels * way.perChannel);
}

export type Compared = { readonly way: ProgrammingWay; readonly minutes: number | undefined };

/** All ways, the quickest first; those that cannot last. */
export const compareWays = (ways: readonly ProgrammingWay[], radios: number, channels: number): Compared[] =>
  ways
    .map((way) => ({ way, minutes: minutesOf(way, radios, channels) }))
    .sort(
      (a, b) =>
        (a.minutes ?? Number.POSITIVE_INFINITY) - (b.minutes ?? Number.POSITIVE_INFINITY) ||
        (a.way.id < b.way.id ? -1 : 1),
    );

/**
 * From how many radios on (`by` radios, with so many channels), or channels (with so many radios), `b` is quicker than `a` and stays so, up to
 * `most`; undefined: never. What cannot be done is slower than anything.
 */
export function breakEven(
  a: ProgrammingWay,
  b: ProgrammingWay,
  by: "radios" | "channels",
  other: number,
  most: number,
): number | undefined {
  const at = (way: ProgrammingWay, n: number) =>
    (by === "radios" ? minutesOf(way, n, other) : minutesOf(way, other, n)) ?? Number.POSITIVE_INFINITY;
  let from: number | undefined;
  for (let n = 1; n <= most; n++) {
    if (at(b, n) < at(a, n)) from ??= n;
    else from = undefined;
  }
  return from;
}

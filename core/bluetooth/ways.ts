// Ways of programming compared: by keypad, over Bluetooth, with a cable; which is quickest for so many radios and channels, and from where on.

import { median } from "../quantities/index.ts";
import { RESERVE } from "./readiness.ts";

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
  const rounds = Math.ceil(radios / way.atOnce);
  return settled(way.setUp + rounds * (way.perRadio + channels * way.perChannel));
}

/** Two ways that take equally long are equal: sums of twentieths of a minute are not, to the last place of a number. */
const settled = (minutes: number): number => Math.round(minutes * 1e6) / 1e6;

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

/**
 * How many can be worked on at once, where each takes a lead and a computer that go together: the greatest number of pairs with nothing in two
 * of them.
 */
export function atOnce(pairs: readonly { readonly lead: string; readonly computer: string }[]): number {
  const computersOf = new Map<string, Set<string>>();
  for (const { lead, computer } of pairs)
    computersOf.set(lead, (computersOf.get(lead) ?? new Set()).add(computer));
  const taken = new Map<string, string>();
  const place = (lead: string, seen: Set<string>): boolean => {
    for (const computer of computersOf.get(lead) ?? []) {
      if (seen.has(computer)) continue;
      seen.add(computer);
      const by = taken.get(computer);
      if (by === undefined || place(by, seen)) {
        taken.set(computer, lead);
        return true;
      }
    }
    return false;
  };
  return [...computersOf.keys()].filter((lead) => place(lead, new Set())).length;
}

/** What programming usually takes, in minutes, where nothing was measured: by hand on the keys, over Bluetooth from a phone, with a cable at a computer. */
export const USUAL_WAYS = {
  keypad: { setUp: 0, perRadio: 1, perChannel: 1.5 },
  bluetooth: { setUp: 4, perRadio: 3, perChannel: 0.05 },
  cable: { setUp: 8, perRadio: 4, perChannel: 0.02 },
} as const;
export type WayName = keyof typeof USUAL_WAYS;

/** Fewer of our own than these say too little. */
const LEAST_MEASURED = 3;

/** A way's times: from our own, by their middle, once there are enough; what was measured holds all channels that there were. */
export function timesOf(
  way: WayName,
  measured: readonly number[],
): {
  readonly setUp: number;
  readonly perRadio: number;
  readonly perChannel: number;
  readonly measured: number;
} {
  const usual = USUAL_WAYS[way];
  return measured.length < LEAST_MEASURED
    ? { ...usual, measured: 0 }
    : { ...usual, perRadio: median(measured), perChannel: 0, measured: measured.length };
}

/** So many radios until a programmer is down to its reserve; undefined: nobody knows how full it is, or what it gives for each. */
export function lastsFor(percent: number | undefined, perUse: number | null): number | undefined {
  if (percent === undefined || perUse === null) return undefined;
  return perUse === 0 ? Number.MAX_SAFE_INTEGER : Math.max(0, Math.floor((percent - RESERVE) / perUse));
}

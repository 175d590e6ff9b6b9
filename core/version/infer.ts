// Works out which numbering a component uses, from releases whose dates are known.
// Kendall's rank correlation (tau) between the order of dates and the order each numbering gives.
import type { PlainDate } from "../quantities/index.ts";
import { compareText } from "./digits.ts";
import { DATE_PATTERNS } from "./schemes/dated.ts";
import { type Numbering, orderVersions, type Version, versionReader } from "./version.ts";

export type DatedVersion = {
  readonly version: string;
  readonly releasedOn: PlainDate;
};

export type Candidate = {
  readonly numbering: Numbering;
  /**
   * (pairs ordered as the dates are, minus pairs ordered against them) over all pairs of different dates,
   * -1 to 1. A pair with an unreadable version adds nothing above the line but counts below it.
   */
  readonly tau: number;
  readonly unreadable: number;
};

export type Inference = {
  readonly best: Candidate;
  readonly runnerUp: Candidate;
  /** True if the best two fit equally well and both can read something: then a reading may be unclear. */
  readonly tied: boolean;
  /** Pairs of releases with different dates; with none there is nothing to go by. */
  readonly pairs: number;
};

/** The numberings that can be told from examples; "listed" is what a person chooses when none of them fits. */
const CANDIDATES: readonly Numbering[] = [
  { kind: "dotted" },
  { kind: "decimal" },
  ...DATE_PATTERNS.map((pattern) => ({ kind: "dated", pattern }) as const),
  { kind: "lettered" },
];

/**
 * Ranks the numberings by how well they order the releases as their dates do. Equal fits come in the order
 * dotted, decimal, dated (four patterns), lettered, so that the answer is always the same.
 */
export function inferScheme(releases: readonly DatedVersion[], suffixes: readonly string[] = []): Inference {
  const byDate = releases
    .map((_, i) => i)
    .sort((a, b) => compareText(dateAt(releases, a), dateAt(releases, b)));
  const pairs = pairsOfDifferentDates(byDate.map((i) => dateAt(releases, i)));
  const ranked = CANDIDATES.map((numbering) => {
    const reader = versionReader({ numbering, suffixes });
    const read = releases.map((release) => reader.read(release.version));
    const dated = byDate.flatMap((i): Dated[] => {
      const one = read[i];
      return one?.ok ? [{ date: dateAt(releases, i), version: one.value }] : [];
    });
    const unreadable = read.filter((r) => !r.ok).length;
    return { numbering, tau: pairs === 0 ? 0 : agreement(dated) / pairs, unreadable };
  }).sort((a, b) => b.tau - a.tau || a.unreadable - b.unreadable);
  const [best, runnerUp] = ranked;
  if (!best || !runnerUp) throw new Error("there are always candidates");
  const tied = best.tau === runnerUp.tau && runnerUp.unreadable < releases.length;
  return { best, runnerUp, tied, pairs };
}

type Dated = { readonly date: string; readonly version: Version };

const dateAt = (releases: readonly DatedVersion[], i: number): string => releases[i]?.releasedOn ?? "";

function pairsOfDifferentDates(dates: readonly string[]): number {
  const counts = new Map<string, number>();
  for (const date of dates) counts.set(date, (counts.get(date) ?? 0) + 1);
  let pairs = dates.length === 0 ? 0 : (dates.length * (dates.length - 1)) / 2;
  for (const count of counts.values()) pairs -= (count * (count - 1)) / 2;
  return pairs;
}

/** A build by letter, which cannot be ordered against one by number of the same day. */
const hasBuild = ({ version }: Dated): boolean =>
  version.key?.kind === "dated" && version.key.key.build.as !== "none";
const isLettered = ({ version }: Dated): boolean =>
  version.key?.kind === "dated" && version.key.key.build.as === "letter";

/**
 * Pairs of different dates that the versions order as the dates do, minus those they order against them; in n log n. What cannot be ordered
 * among each other (builds by number and by letter of one day) is put one after the other first, and taken out of the count again.
 * `dated` is in order of its dates.
 */
function agreement(dated: readonly Dated[]): number {
  const order = (a: Dated, b: Dated): number =>
    orderVersions(a.version, b.version) ?? Number(isLettered(a)) - Number(isLettered(b));
  const inOrder = [...dated].sort(order);
  const ranks = new Map<Dated, number>();
  let rank = 0;
  for (const [i, one] of inOrder.entries()) {
    const before = inOrder[i - 1];
    if (!before || order(before, one) !== 0) rank++;
    ranks.set(one, rank);
  }
  return signs(dated, (one) => ranks.get(one) ?? 0, rank) - untold(inOrder);
}

/** Over all pairs of different dates: +1 where the later one has the greater rank, -1 where it has the smaller. */
function signs(byDate: readonly Dated[], rankOf: (one: Dated) => number, most: number): number {
  // How many of each rank have been seen, as a tree of partial sums.
  const seen = new Float64Array(most + 1);
  const upTo = (rank: number): number => {
    let sum = 0;
    for (let at = rank; at > 0; at -= at & -at) sum += seen[at] ?? 0;
    return sum;
  };
  let total = 0;
  for (let from = 0; from < byDate.length; ) {
    let to = from;
    while (to < byDate.length && byDate[to]?.date === byDate[from]?.date) to++;
    const group = byDate.slice(from, to).map(rankOf);
    for (const rank of group) total += upTo(rank - 1) - (from - upTo(rank));
    for (const rank of group) for (let at = rank; at <= most; at += at & -at) seen[at] = (seen[at] ?? 0) + 1;
    from = to;
  }
  return total;
}

/** What pairs that cannot be ordered have brought into the count: numbers stand before letters of the same day. */
function untold(inOrder: readonly Dated[]): number {
  let total = 0;
  for (let from = 0; from < inOrder.length; ) {
    const first = inOrder[from];
    let to = from + 1;
    const sameDay = (one: Dated | undefined) =>
      first?.version.key?.kind === "dated" &&
      one?.version.key?.kind === "dated" &&
      one.version.key.key.date === first.version.key.key.date;
    while (to < inOrder.length && sameDay(inOrder[to])) to++;
    const day = inOrder.slice(from, to);
    const letters = day.filter(isLettered);
    if (letters.length > 0 && letters.length < day.length) {
      const plain = day.filter((one) => !isLettered(one) && hasBuild(one));
      const both = [...plain, ...letters].sort((a, b) => compareText(a.date, b.date));
      const among = (some: readonly Dated[]) =>
        signs(
          [...some].sort((a, b) => compareText(a.date, b.date)),
          (one) => (isLettered(one) ? 2 : 1),
          2,
        );
      total += among(both);
    }
    from = to;
  }
  return total;
}

// Works out which numbering a component uses, from releases whose dates are known.
// Kendall's rank correlation (tau) between the order of dates and the order each numbering gives.
import type { PlainDate } from "../quantities/date.ts";
import { DATE_PATTERNS } from "./schemes/dated.ts";
import { type Numbering, orderVersions, versionReader } from "./version.ts";

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
  const pairs = datedPairs(releases);
  const ranked = CANDIDATES.map((numbering) => {
    const reader = versionReader({ numbering, suffixes });
    const read = releases.map((release) => reader.read(release.version));
    let score = 0;
    for (const [earlier, later] of pairs) {
      const a = read[earlier];
      const b = read[later];
      if (!a?.ok || !b?.ok) continue;
      score -= orderVersions(a.value, b.value) ?? 0;
    }
    const unreadable = read.filter((r) => !r.ok).length;
    return { numbering, tau: pairs.length === 0 ? 0 : score / pairs.length, unreadable };
  }).sort((a, b) => b.tau - a.tau || a.unreadable - b.unreadable);
  const [best, runnerUp] = ranked;
  if (!best || !runnerUp) throw new Error("there are always candidates");
  const tied = best.tau === runnerUp.tau && runnerUp.unreadable < releases.length;
  return { best, runnerUp, tied, pairs: pairs.length };
}

function datedPairs(releases: readonly DatedVersion[]): [number, number][] {
  const byDate = releases.map((_, i) => i);
  byDate.sort((a, b) => compareDates(releases[a], releases[b]));
  const pairs: [number, number][] = [];
  for (let i = 0; i < byDate.length; i++) {
    for (let j = i + 1; j < byDate.length; j++) {
      const earlier = byDate[i] ?? 0;
      const later = byDate[j] ?? 0;
      if (compareDates(releases[earlier], releases[later]) < 0) pairs.push([earlier, later]);
    }
  }
  return pairs;
}

function compareDates(a: DatedVersion | undefined, b: DatedVersion | undefined): number {
  if (!a || !b) return 0;
  return a.releasedOn < b.releasedOn ? -1 : a.releasedOn > b.releasedOn ? 1 : 0;
}

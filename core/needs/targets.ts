// Which release a need leads to, from which day on: the days at which that changes, in order.

import { daysAfter, earlierOf, laterOf, type PlainDate } from "../quantities/index.ts";
import { greatestOf, type PlacedRelease, type PreparedComponent } from "../release/index.ts";
import type { FallbackRule } from "../unit/index.ts";
import { compareText } from "../version/index.ts";
import type { Target } from "./need.ts";

/** The day from which a release counts; undefined: on no day, as far as is known. */
export type CountsFrom = (release: PlacedRelease) => PlainDate | undefined;

/** From when each of some releases, all that could be put on or all that are newer, counts under a rule. */
export function countingUnder(
  prepared: PreparedComponent,
  among: readonly PlacedRelease[],
  rule: FallbackRule,
): CountsFrom {
  switch (rule.kind) {
    case "newest":
    case "fixes":
      return (release) => release.releasedOn;
    case "settled":
      return (release) => {
        const day = daysAfter(release.releasedOn, rule.days);
        return day.ok ? day.value : undefined;
      };
    case "newest-but-one":
      return (release) => {
        const newer = among.filter((r) => r !== release && greatestOf(prepared, [release, r]) === r);
        const next = newer.map((r) => r.releasedOn).reduce<PlainDate | undefined>(earlier, undefined);
        return next && laterOf(next, release.releasedOn);
      };
  }
}

const earlier = (day: PlainDate | undefined, other: PlainDate): PlainDate =>
  day === undefined ? other : earlierOf(day, other);

/** The dates at which the greatest counting release changes, and to which. */
export function stepsOf(
  prepared: PreparedComponent,
  releases: readonly PlacedRelease[],
  countsFrom: CountsFrom,
): Target[] {
  const inOrder = releases
    .flatMap((release) => {
      const from = countsFrom(release);
      return from === undefined ? [] : [{ release, from }];
    })
    .sort((a, b) => compareText(a.from, b.from));
  const steps: Target[] = [];
  let greatest: PlacedRelease | undefined;
  for (const { release, from } of inOrder) {
    const next: PlacedRelease | undefined = greatest ? greatestOf(prepared, [greatest, release]) : release;
    if (!next || next === greatest) continue;
    greatest = next;
    if (steps.at(-1)?.from === from) steps.pop();
    steps.push({ from, release: next.id });
  }
  return steps;
}

/** Steps before a date folded into one at that date. */
export function trimmed(steps: readonly Target[], start: PlainDate): Target[] {
  const before = steps.filter((s) => s.from <= start).at(-1);
  const after = steps.filter((s) => s.from > start);
  return before ? [{ from: start, release: before.release }, ...after] : after;
}

/**
 * Where to go from what must be left, for every day from the first on which there is anything: the pinned release as soon as it
 * is out (no other rule holds it back), else the greatest newer one that counts, else the greatest older one that counts, else
 * the greatest that is out at all.
 */
export function refuges(
  prepared: PreparedComponent,
  usable: readonly PlacedRelease[],
  newer: ReadonlySet<PlacedRelease>,
  countsFrom: CountsFrom,
  pinned: PlacedRelease | undefined,
): Target[] {
  const arrivals = usable.flatMap((release) => {
    const out = { on: release.releasedOn, release, rank: release === pinned ? 3 : 0 };
    const counts = countsFrom(release);
    return counts === undefined ? [out] : [out, { on: counts, release, rank: newer.has(release) ? 2 : 1 }];
  });
  arrivals.sort((a, b) => compareText(a.on, b.on));
  const best: (PlacedRelease | undefined)[] = [undefined, undefined, undefined, undefined];
  const steps: Target[] = [];
  for (const [i, { on, release, rank }] of arrivals.entries()) {
    const had = best[rank];
    best[rank] = had ? (greatestOf(prepared, [had, release]) ?? had) : release;
    if (arrivals[i + 1]?.on === on) continue;
    const chosen = best[3] ?? best[2] ?? best[1] ?? best[0];
    if (chosen && steps.at(-1)?.release !== chosen.id) steps.push({ from: on, release: chosen.id });
  }
  return steps;
}

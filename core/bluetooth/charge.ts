// The charge of things with batteries: how full one is at a given time, how it drains by itself, and when it has to be plugged in.
import { median } from "../quantities/index.ts";

/** An instant in milliseconds, as `Date.parse` has it. */
type Instant = number;
const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/** How full it was seen to be, in percent; typed, read from it, or taken with a run. */
export type Level = { readonly at: Instant; readonly percent: number };

export type Battery = {
  /** From empty to full, in minutes. */
  readonly fullMinutes: number;
  /** What it loses by itself, in percent a day. */
  readonly idlePerDay: number;
};

/** What is known of what happened to it since. */
export type Since = {
  /** Each took so many percent. */
  readonly used?: readonly { readonly at: Instant; readonly percent: number }[];
  /** It was on a charger; `to` absent: it still is. */
  readonly charged?: readonly { readonly from: Instant; readonly to?: Instant }[];
};

const bounded = (percent: number): number => Math.min(100, Math.max(0, percent));

/** How full it is at a time, from the last level that was seen up to then; undefined: none was. Never below nothing, never above full. */
export function chargeAt(
  levels: readonly Level[],
  { fullMinutes, idlePerDay }: Battery,
  { used = [], charged = [] }: Since,
  at: Instant,
): number | undefined {
  const last = levels.filter((level) => level.at <= at).reduce<Level | undefined>(newer, undefined);
  if (!last) return undefined;
  const spans = charged
    .map(({ from, to }) => ({ from: Math.max(from, last.at), to: Math.min(to ?? at, at) }))
    .filter(({ from, to }) => from < to);
  const ticks = [
    last.at,
    at,
    ...spans.flatMap(({ from, to }) => [from, to]),
    ...used.flatMap((one) => (one.at > last.at && one.at <= at ? [one.at] : [])),
  ].sort((a, b) => a - b);
  let percent = last.percent;
  for (const [i, to] of ticks.entries()) {
    const from = ticks[i - 1] ?? to;
    const isCharging = spans.some((span) => span.from <= from && to <= span.to);
    const rate = isCharging ? 100 / (fullMinutes * MINUTE) : -idlePerDay / DAY;
    percent = bounded(percent + rate * (to - from));
    // What was used at an instant counts once, however many ticks stand there.
    if (to !== from || i === 0)
      for (const one of used) if (one.at === to && one.at > last.at) percent = bounded(percent - one.percent);
  }
  return percent;
}

const newer = (a: Level | undefined, b: Level): Level => (a && a.at > b.at ? a : b);

/** Two levels tell of idle drain only if so much time lies between them. */
const LEAST_APART = 6 * 60 * MINUTE;

/**
 * What it loses by itself, in percent a day: the middle of what was seen between two levels with nothing done to it in between; else what its
 * maker says. `times`: how often it was seen.
 */
export function idleDrain(
  levels: readonly Level[],
  { used = [], charged = [] }: Since,
  makers: number,
): { readonly perDay: number; readonly times: number } {
  const inOrder = [...levels].sort((a, b) => a.at - b.at);
  const seen = inOrder.flatMap((to, i) => {
    const from = inOrder[i - 1];
    if (!from || to.at - from.at < LEAST_APART) return [];
    const isDisturbed =
      used.some((one) => one.at > from.at && one.at <= to.at) ||
      charged.some((one) => one.from < to.at && (one.to ?? Number.POSITIVE_INFINITY) > from.at);
    // What has risen was charged, and nobody wrote it down.
    return isDisturbed || to.percent > from.percent
      ? []
      : [((from.percent - to.percent) * DAY) / (to.at - from.at)];
  });
  return seen.length === 0 ? { perDay: makers, times: 0 } : { perDay: median(seen), times: seen.length };
}

export type Ready =
  /** It will have what is needed without being plugged in. */
  | { readonly kind: "ready" }
  /** It has to be plugged in by then, at the latest. */
  | { readonly kind: "plug-in"; readonly by: Instant; readonly minutes: number }
  /** Plugged in now it would have so much by then. */
  | { readonly kind: "too-late"; readonly reaches: number };

/** When to plug it in, so that it has `need` percent at a time. `now`: how full it is at that instant. */
export function readyBy(
  now: Level,
  { fullMinutes, idlePerDay }: Battery,
  need: number,
  time: Instant,
): Ready {
  const rise = 100 / (fullMinutes * MINUTE);
  const fall = idlePerDay / DAY;
  if (bounded(now.percent - fall * (time - now.at)) >= need) return { kind: "ready" };
  const reaches = bounded(now.percent + rise * Math.max(0, time - now.at));
  if (time <= now.at || reaches < need) return { kind: "too-late", reaches };
  // Where it is empty before, it stays so until it is plugged in.
  const straight = (now.percent + fall * now.at + rise * time - need) / (fall + rise);
  const empty = fall > 0 ? now.at + now.percent / fall : Number.POSITIVE_INFINITY;
  const by = straight <= empty ? straight : time - need / rise;
  const at = Math.floor(Math.max(by, now.at));
  return { kind: "plug-in", by: at, minutes: Math.ceil((time - at) / MINUTE) };
}

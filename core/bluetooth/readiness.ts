// What has to be charged, on which charger and when, so that all have what is needed at a time.
import type { BatteryState } from "../kit/index.ts";
import { chargeAt, idleDrain, type Level, readyBy } from "./charge.ts";
import type { Story } from "./log.ts";
import { type PlacePlan, placesFor } from "./places.ts";

const MINUTE = 60_000;

/** With less than this, in percent, a radio is worth a look. */
export const LOW = 25;

/** With less than this, in percent, a programmer is not begun with: one that gives out leaves a radio half written. */
export const RESERVE = 20;

/** The least charge, in percent, with which a programmer begins: enough for two radios, and never less than its reserve. */
export const leastToProgram = (perUse: number | null): number =>
  Math.max(RESERVE, Math.ceil(2 * (perUse ?? 0)));

/** The least charge, in percent, with which a device is paired: pairing takes less than programming. */
export const LEAST_TO_PAIR = 10;

/** A thing with a battery, and what is known of it. */
export type Charged = {
  readonly id: string;
  readonly battery: BatteryState;
  /** From empty to full, in minutes; absent: nobody knows. */
  readonly fullMinutes?: number;
  /** What its maker says it loses in a day, in percent; absent: nobody knows. */
  readonly idlePerDay?: number;
  readonly story: Story;
  /** The charger it goes on; absent: none of ours is shared. */
  readonly charger?: string;
};

export type Charger = { readonly id: string; readonly places: number };

/** How full it is now, as far as that can be told. */
export type Now =
  | { readonly kind: "out"; readonly battery: Exclude<BatteryState, "sound"> }
  | { readonly kind: "unknown"; readonly lacks: "level" }
  | {
      readonly kind: "known";
      readonly percent: number;
      /** What it loses in a day, in percent; absent: nobody knows, and the level is that of when it was seen. */
      readonly drain?: { readonly perDay: number; readonly times: number };
      readonly seen: Level;
      readonly charging: boolean;
    };

/** What it is at an instant. Of a level after which it lay for long without anybody knowing what it loses, no more than the level is said. */
export function chargeNow(thing: Charged, at: number): Now {
  if (thing.battery !== "sound") return { kind: "out", battery: thing.battery };
  const { levels, since, pluggedAt } = thing.story;
  const seen = levels.filter((level) => level.at <= at).at(-1);
  if (!seen) return { kind: "unknown", lacks: "level" };
  const learned = idleDrain(levels, since, thing.idlePerDay ?? Number.NaN);
  const drain = Number.isNaN(learned.perDay) ? undefined : learned;
  // Where nobody knows how long it takes to fill, what a charger did to it is not known either.
  const { fullMinutes } = thing;
  const battery = { fullMinutes: fullMinutes ?? Number.POSITIVE_INFINITY, idlePerDay: drain?.perDay ?? 0 };
  const percent = chargeAt(levels, battery, since, at) ?? seen.percent;
  const charging = pluggedAt !== undefined && pluggedAt <= at;
  return { kind: "known", percent, seen, charging, ...(drain && { drain }) };
}

export type Readiness =
  | Extract<Now, { kind: "out" }>
  | { readonly kind: "unknown"; readonly lacks: "level" | "minutes" | "drain" }
  | { readonly kind: "ready"; readonly at: number }
  /** It is on a charger, and has enough if it stays there until then. */
  | { readonly kind: "charging"; readonly minutes: number }
  /** At the latest, if it has a place to itself. */
  | { readonly kind: "plug-in"; readonly by: number; readonly minutes: number }
  | { readonly kind: "too-late"; readonly reaches: number };

/** Whether one will have `need` percent at a time, `now` being now. */
export function readinessOf(thing: Charged, need: number, time: number, now: number): Readiness {
  const known = chargeNow(thing, now);
  if (known.kind !== "known") return known;
  if (thing.fullMinutes === undefined) return { kind: "unknown", lacks: "minutes" };
  if (!known.drain) return { kind: "unknown", lacks: "drain" };
  const battery = { fullMinutes: thing.fullMinutes, idlePerDay: known.drain.perDay };
  const level = { at: now, percent: known.percent };
  const ready = readyBy(level, battery, need, time);
  if (ready.kind === "ready") {
    const later = chargeAt([level], battery, {}, Math.max(now, time)) ?? known.percent;
    return { kind: "ready", at: later };
  }
  if (ready.kind === "plug-in" && known.charging) {
    const short = Math.max(0, need - known.percent);
    return { kind: "charging", minutes: Math.ceil((short * battery.fullMinutes) / 100) };
  }
  return ready;
}

/** On a charger that several share: who goes on which place, from when to when; instants. */
export type ChargerPlan = {
  readonly charger: string;
  readonly places: number;
  readonly turns: readonly {
    readonly id: string;
    readonly place: number;
    readonly from: number;
    readonly to: number;
  }[];
  /** Those for which there is no place in time. */
  readonly late: readonly string[];
  /** No other order leaves fewer without; false: there were too many to look at all. */
  readonly exact: boolean;
};

/**
 * How the places of the chargers are shared, so that as many as can be have what they need at a time. All turns lie as late as they can: what
 * is charged early loses some of it again. What is too late by itself takes no place from the others.
 */
export function chargerPlans(
  ready: ReadonlyMap<string, Readiness>,
  things: readonly Charged[],
  chargers: readonly Charger[],
  time: number,
  now: number,
): ChargerPlan[] {
  const until = Math.floor((time - now) / MINUTE);
  return chargers.flatMap(({ id: charger, places }) => {
    const theirs = things.filter((thing) => thing.charger === charger);
    const alone = theirs.flatMap((thing) => {
      const one = ready.get(thing.id);
      return one?.kind === "plug-in" || one?.kind === "charging"
        ? [{ thing, minutes: Math.max(1, one.minutes) }]
        : [];
    });
    if (alone.length === 0) return [];
    const wanting = lengthened(alone, until, now).map(({ thing, minutes }) => ({
      id: thing.id,
      due: until,
      minutes,
    }));
    const plan = placesFor(wanting, places);
    return [{ charger, places, late: plan.late, exact: plan.exact, turns: asLate(plan, until, time) }];
  });
}

type Turn = { readonly thing: Charged; readonly minutes: number };

/**
 * Turns with what each may lose while those behind it have theirs. A longer turn makes others wait longer, and lose more: so until nothing
 * changes, or until no turn could be behind for longer, there being no more time than that.
 */
function lengthened(alone: readonly Turn[], until: number, now: number): readonly Turn[] {
  let turns = alone;
  for (;;) {
    const all = turns.reduce((sum, { minutes }) => sum + minutes, 0);
    const next = alone.map(({ thing, minutes }, i) => {
      const behind = Math.min(until, all - (turns[i]?.minutes ?? 0));
      return { thing, minutes: minutes + makingUp(thing, behind, now) };
    });
    if (next.every(({ minutes }, i) => minutes <= (turns[i]?.minutes ?? 0))) return turns;
    turns = next;
  }
}

/** What it may lose while those behind it have their turns, in minutes on the charger. */
function makingUp(thing: Charged, behind: number, now: number): number {
  const known = chargeNow(thing, now);
  const perDay = known.kind === "known" ? (known.drain?.perDay ?? 0) : 0;
  return Math.ceil((perDay * (behind / (24 * 60)) * (thing.fullMinutes ?? 0)) / 100);
}

/** The same turns on the same places in the same order, moved towards the end. */
function asLate({ placed }: PlacePlan, until: number, time: number): ChargerPlan["turns"] {
  const ends = new Map<number, number>();
  for (const { place, to } of placed) ends.set(place, Math.max(ends.get(place) ?? 0, to));
  return placed.map(({ id, place, from, to }) => {
    const before = (minute: number) => time - ((ends.get(place) ?? until) - minute) * MINUTE;
    return { id, place, from: before(from), to: before(to) };
  });
}

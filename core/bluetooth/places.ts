// Charger places shared by several: who goes on which, when, so that as many as can be are charged by the time they are needed.

export type ToCharge = {
  readonly id: string;
  /** So long it has to be on a place. */
  readonly minutes: number;
  /** By then, in minutes from now. */
  readonly due: number;
};

export type Placed = {
  readonly id: string;
  /** Of the places, from 0. */
  readonly place: number;
  /** In minutes from now. */
  readonly from: number;
  readonly to: number;
};

export type PlacePlan = {
  readonly placed: readonly Placed[];
  /** Those for which there is no place in time. */
  readonly late: readonly string[];
  /** No other order leaves fewer late; false: there were too many to look at all. */
  readonly exact: boolean;
};

/** So many states are looked at. */
const MOST_STATES = 200_000;

/**
 * The plan that leaves the fewest late; each stays on its place until it is charged. On one place the earliest due goes first, in any plan that
 * holds; so everything is looked at in that order, and goes on a place or is left out: with as few left out as must be, then with one more, until
 * there is a plan. Exact, unless there are too many to look at.
 */
export function placesFor(things: readonly ToCharge[], places: number): PlacePlan {
  const order = [...things].sort((a, b) => a.due - b.due || a.minutes - b.minutes || (a.id < b.id ? -1 : 1));
  // Mostly what is simply found leaves no more late than any plan must: then nothing has to be searched.
  const simple = simplePlan(order, places);
  if (simple.late.length === mustBeLate(order, places)) return { ...simple, exact: true };
  for (let most = mustBeLate(order, places); most < simple.late.length; most++) {
    const found = withLate(order, places, most);
    if (found === "too-many") return { ...simple, exact: false };
    if (found) return { ...found, exact: true };
  }
  return { ...simple, exact: true };
}

/**
 * A plan that leaves at most so many late; undefined: there is none; or it could not be told, there being too many to look at. By due, of alike
 * the longest first; from places that are loaded alike one is enough, and what did not lead on from some loads is not tried from them again.
 */
function withLate(
  order: readonly ToCharge[],
  places: number,
  most: number,
): Omit<PlacePlan, "exact"> | "too-many" | undefined {
  const list = [...order].sort((a, b) => a.due - b.due || b.minutes - a.minutes);
  const end = list.at(-1)?.due ?? 0;
  // What is left at each point, and the longest of it: without those it must fit into what is free until the last due.
  const leftAt = list.map((_, i) => list.slice(i).map(({ minutes }) => minutes));
  const lightest = (i: number, without: number): number =>
    [...(leftAt[i] ?? [])]
      .sort((a, b) => b - a)
      .slice(without)
      .reduce((sum, minutes) => sum + minutes, 0);
  const failed = new Set<string>();
  const placed: Placed[] = [];
  const late: string[] = [];
  const own = Array.from({ length: places }, () => 0);
  const go = (i: number): boolean => {
    const thing = list[i];
    if (!thing) return true;
    const allowed = most - late.length;
    const free = own.reduce((sum, load) => sum + Math.max(0, end - load), 0);
    if (lightest(i, allowed) > free) return false;
    const key = `${i} ${allowed} ${sorted(own).join(" ")}`;
    if (failed.has(key) || failed.size > MOST_STATES) return false;
    const tried = new Set<number>();
    for (const [place, from] of own.entries()) {
      const to = from + thing.minutes;
      if (to > thing.due || tried.has(from)) continue;
      tried.add(from);
      own[place] = to;
      placed.push({ id: thing.id, place, from, to });
      if (go(i + 1)) return true;
      placed.pop();
      own[place] = from;
    }
    if (allowed > 0) {
      late.push(thing.id);
      if (go(i + 1)) return true;
      late.pop();
    }
    failed.add(key);
    return false;
  };
  if (go(0)) return { placed, late };
  return failed.size > MOST_STATES ? "too-many" : undefined;
}

/** By due, of alike the longest first, each on the place that is free first; whenever that is too late for one, the longest so far is left out. */
function simplePlan(order: readonly ToCharge[], places: number): Omit<PlacePlan, "exact"> {
  const late: string[] = [];
  let left = [...order].sort((a, b) => a.due - b.due || b.minutes - a.minutes);
  for (;;) {
    const free = Array.from({ length: places }, () => 0);
    const placed: Placed[] = [];
    const failing = left.findIndex(({ id, minutes, due }) => {
      const place = free.indexOf(Math.min(...free));
      const from = free[place] ?? Number.POSITIVE_INFINITY;
      if (from + minutes > due) return true;
      placed.push({ id, place, from, to: from + minutes });
      free[place] = from + minutes;
      return false;
    });
    if (failing < 0) return { placed, late };
    const longest = left
      .slice(0, failing + 1)
      .reduce((most, one) => (one.minutes > most.minutes ? one : most), left[failing] as ToCharge);
    late.push(longest.id);
    left = left.filter((one) => one !== longest);
  }
}

/**
 * So many must be late in any plan: as many as were late if all places together charged one thing after the other, so many times as fast. That is
 * found by leaving out the longest so far whenever time runs out (Moore and Hodgson).
 */
function mustBeLate(order: readonly ToCharge[], places: number): number {
  const kept: number[] = [];
  let sum = 0;
  for (const { minutes, due } of order) {
    if (minutes > due) continue;
    kept.push(minutes);
    sum += minutes;
    if (sum <= due * places) continue;
    const longest = kept.indexOf(Math.max(...kept));
    sum -= kept[longest] ?? 0;
    kept.splice(longest, 1);
  }
  return order.length - kept.length;
}

const sorted = (loads: readonly number[]): number[] => [...loads].sort((a, b) => a - b);

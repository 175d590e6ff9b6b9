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
 * holds; so everything is looked at in that order, and goes on a place or is left out. Exact, unless there are too many.
 */
export function placesFor(things: readonly ToCharge[], places: number): PlacePlan {
  const order = [...things].sort((a, b) => a.due - b.due || a.minutes - b.minutes || (a.id < b.id ? -1 : 1));
  const known = new Map<string, number>();
  let exact = true;
  /** The fewest that are late from here on. */
  const fewest = (i: number, loads: readonly number[]): number => {
    const thing = order[i];
    if (!thing) return 0;
    const key = `${i} ${loads.join(" ")}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    if (known.size >= MOST_STATES) {
      exact = false;
      // From here on it goes where it fits first.
      const put = options(thing, loads)[0];
      return put ? fewest(i + 1, put) : 1 + fewest(i + 1, loads);
    }
    const best = Math.min(
      1 + fewest(i + 1, loads),
      ...options(thing, loads).map((after) => fewest(i + 1, after)),
    );
    known.set(key, best);
    return best;
  };
  const placed: Placed[] = [];
  const late: string[] = [];
  // The way back through what was found, with the places by their own numbers.
  let own = Array.from({ length: places }, () => 0);
  for (const [i, thing] of order.entries()) {
    const least = fewest(i, sorted(own));
    const place = own.findIndex((load, p) => {
      const after = own.map((one, q) => (q === p ? load + thing.minutes : one));
      return load + thing.minutes <= thing.due && fewest(i + 1, sorted(after)) === least;
    });
    if (place < 0) {
      late.push(thing.id);
      continue;
    }
    const from = own[place] ?? 0;
    placed.push({ id: thing.id, place, from, to: from + thing.minutes });
    own = own.map((one, q) => (q === place ? from + thing.minutes : one));
  }
  return { placed, late, exact };
}

const sorted = (loads: readonly number[]): number[] => [...loads].sort((a, b) => a - b);

/** The loads after a thing went on each place on which it is charged in time; of places that are loaded alike one is enough. */
const options = (thing: ToCharge, loads: readonly number[]): number[][] =>
  loads.flatMap((load, p) =>
    load + thing.minutes <= thing.due && load !== loads[p - 1]
      ? [sorted(loads.map((one, q) => (q === p ? load + thing.minutes : one)))]
      : [],
  );

// A lower bound of what is left to do: each component’s cheapest way to its goal, past whatever the goals of the others ask of it. Consistent, so A* may rely on it.
import { costOf } from "./cost.ts";
import { reachable } from "./explain.ts";
import { type Fitting, type Leave, type Places, usablePlaces } from "./graph.ts";
import { leftInPairs } from "./pairs.ts";
import { withoutTwins } from "./twins.ts";

export type Wanted = {
  readonly places: readonly Places[];
  /** For each component the place to reach, or undefined if it has no goal. */
  readonly goals: readonly (number | undefined)[];
};

export type Move = { readonly to: number; readonly cost: number; readonly extra: number };
export type Requirement = { readonly component: number; readonly within: Uint8Array };

export type Outlook = {
  readonly sizes: readonly number[];
  /** For each component and release, where the other components must be. */
  readonly requires: readonly (readonly (readonly Requirement[])[])[];
  /** The least that is left to do from somewhere. */
  readonly leftAt: (at: readonly number[]) => number;
  /** The least by each component for itself, beyond which the moves are told. */
  readonly nearLeftAt: (at: readonly number[]) => number;
  /** The moves of a component, by how much they add beyond the least. */
  readonly movesFrom: (component: number, at: readonly number[], place: number) => readonly Move[];
  /** The same, looking further: what is left is then told by pairs of components as well. */
  readonly inPairs: () => Outlook;
};

/** Undefined where a goal cannot be reached even if every requirement once met stayed met: then there is no way at all. */
export function outlook({ places, goals }: Wanted, unit: Fitting, leave: Leave): Outlook | undefined {
  const reached = reachable(places, goals, unit, leave);
  if (goals.some((goal, c) => goal !== undefined && !reached[c]?.[goal])) return undefined;
  const requires = requirementsOf(places);
  const sizes = places.map((own) => own.versions.length);
  const own = places.map((one, c) =>
    ownWay(one, c, { goal: goals[c], reached: reached[c], requires, unit, leave }),
  );
  const goalAsks = goals.map((goal, c) => (goal === undefined ? [] : (requires[c]?.[goal] ?? [])));
  const past = own.map((table, c) => goalAsks.map((asks) => wayPast(table, asks, c)));
  const tables = places.map(() => new Map<number, Float64Array>());
  const tableOf = (c: number, mask: number): Float64Array => {
    let table = tables[c]?.get(mask);
    if (!table) {
      table = Float64Array.from(own[c]?.toGo ?? []);
      for (const [asker, least] of (past[c] ?? []).entries()) {
        if (!least || !(mask & (1 << asker))) continue;
        for (let place = 0; place < table.length; place++)
          table[place] = Math.max(table[place] ?? 0, least[place] ?? 0);
      }
      tables[c]?.set(mask, table);
    }
    return table;
  };
  const maskOf = (c: number, at: readonly number[]): number => {
    let mask = 0;
    for (const [asker, least] of (past[c] ?? []).entries())
      if (least && asker !== c && at[asker] !== goals[asker]) mask |= 1 << asker;
    return mask;
  };
  const lists = places.map(() => new Map<number, readonly Move[]>());
  const leftAt = (at: readonly number[]) => {
    let sum = 0;
    for (let c = 0; c < at.length; c++) sum += tableOf(c, maskOf(c, at))[at[c] ?? 0] ?? 0;
    return sum;
  };
  const found: Outlook = {
    sizes,
    requires,
    leftAt,
    nearLeftAt: leftAt,
    inPairs: () => {
      const inPairs = leftInPairs(
        own.map((one, c) => ({
          ...one,
          size: sizes[c] ?? 0,
          start: places[c]?.start ?? 0,
          goal: goals[c],
          requires: requires[c] ?? [],
        })),
      );
      return { ...found, leftAt: (at) => Math.max(leftAt(at), inPairs(at)) };
    },
    movesFrom: (c, at, place) => {
      const mask = maskOf(c, at);
      const key = mask * (sizes[c] ?? 0) + place;
      let list = lists[c]?.get(key);
      if (!list) {
        list = listMoves(place, own[c]?.usable, own[c]?.sources ?? [], own[c]?.costs ?? [], tableOf(c, mask));
        lists[c]?.set(key, list);
      }
      return list;
    },
  };
  return found;
}

type OwnWay = {
  readonly usable: Uint8Array;
  readonly sources: readonly Uint8Array[];
  readonly costs: readonly number[];
  readonly toGo: Float64Array;
};

/** A component's way by itself: the places that are of use, and from each the least cost to its goal. */
function ownWay(
  one: Places,
  c: number,
  known: {
    readonly goal: number | undefined;
    readonly reached: Uint8Array | undefined;
    readonly requires: Outlook["requires"];
    readonly unit: Fitting;
    readonly leave: Leave;
  },
): OwnWay {
  const { goal, reached, requires, unit, leave } = known;
  const usable = usablePlaces(one, unit, leave, goal).map((can, place) => can & (reached?.[place] ?? 0));
  const sources = one.sources();
  const ranges = requires.flatMap((of) =>
    of
      .flat()
      .filter((r) => r.component === c)
      .map((r) => r.within),
  );
  const left = withoutTwins(one, usable, sources, [...new Set(ranges)], goal);
  const costs = one.conditions.map(costOf);
  const toGo = new Float64Array(one.versions.length);
  if (goal !== undefined) {
    toGo.fill(Number.POSITIVE_INFINITY);
    toGo[goal] = 0;
    leastCosts(toGo, sources, left, costs);
  }
  return { usable: left, sources, costs, toGo };
}

/** What another's goal makes of the way of `c`, as long as it is not reached; undefined: it asks nothing of it. */
function wayPast(table: OwnWay, asks: readonly Requirement[], c: number): Float64Array | undefined {
  const within = asks.filter((r) => r.component === c).map((r) => r.within);
  if (within.length === 0) return undefined;
  const least = new Float64Array(table.toGo.length).fill(Number.POSITIVE_INFINITY);
  for (let place = 0; place < least.length; place++)
    if (within.every((inside) => inside[place])) least[place] = table.toGo[place] ?? 0;
  leastCosts(least, table.sources, table.usable, table.costs);
  return least;
}

function listMoves(
  place: number,
  usable: Uint8Array | undefined,
  sources: readonly Uint8Array[],
  costs: readonly number[],
  left: Float64Array,
): Move[] {
  const list: Move[] = [];
  const here = left[place] ?? 0;
  for (let to = 0; to < sources.length; to++) {
    const then = left[to] ?? 0;
    if (!usable?.[to] || !sources[to]?.[place] || then === Number.POSITIVE_INFINITY) continue;
    const cost = costs[to] ?? 0;
    list.push({ to, cost, extra: cost + then - here });
  }
  return list.sort((a, b) => a.extra - b.extra);
}

/** Dijkstra backwards over one component's places, from those that have a cost already. */
function leastCosts(
  least: Float64Array,
  sources: readonly Uint8Array[],
  usable: Uint8Array,
  costs: readonly number[],
): void {
  const size = least.length;
  const settled = new Uint8Array(size);
  for (;;) {
    let at = -1;
    let lowest = Number.POSITIVE_INFINITY;
    for (let place = 0; place < size; place++) {
      const cost = least[place] ?? 0;
      if (!settled[place] && cost < lowest) {
        lowest = cost;
        at = place;
      }
    }
    if (at < 0) return;
    settled[at] = 1;
    const open = sources[at];
    // The unit's own uncatalogued version can be left, not installed; so can what may not be used.
    if (!open || !usable[at]) continue;
    const reached = lowest + (costs[at] ?? 0);
    for (let place = 0; place < size; place++)
      if (open[place] && reached < (least[place] ?? 0)) least[place] = reached;
  }
}

/** A component that is not there never is where it should be. */
function requirementsOf(places: readonly Places[]): Requirement[][][] {
  const nowhere = new Uint8Array(0);
  return places.map((own) =>
    own.conditions.map(({ requires }) =>
      requires.map(({ component, range }) => {
        const c = places.findIndex((other) => other.prepared.component.name === component);
        const within = places[c]?.within(range) ?? nowhere;
        return { component: Math.max(c, 0), within };
      }),
    ),
  );
}

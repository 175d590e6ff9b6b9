// The least way through the places of several components at once: A* with, for each component, the exact cost of getting
// to its goal if no other component stood in the way. All ways of equal cost are kept, so that the one whose release ids
// come first is the answer, every time.
import { compareText } from "../digits.ts";
import { costOf } from "./cost.ts";
import { Heap } from "./heap.ts";
import { type Fitting, type Leave, type Places, usablePlaces } from "./lattice.ts";
import { thinned } from "./thin.ts";

export type Install = { readonly component: number; readonly place: number };

export type Wanted = {
  readonly places: readonly Places[];
  /** For each component the place to reach, or undefined if it has no goal. */
  readonly goals: readonly (number | undefined)[];
};

/** So many states are looked at before the search gives up; real catalogues need a few hundred. */
const MOST_STATES = 60_000;

export type Found = { readonly installs: readonly Install[] } | "none" | "too-wide";

export function search({ places, goals }: Wanted, unit: Fitting, leave: Leave): Found {
  const requires = requirementsOf(places);
  const moves = places.map((own, c) => {
    const usable = usablePlaces(own, unit, leave, goals[c]);
    const sources = own.sources();
    const ranges = requires.flatMap((of) =>
      of
        .flat()
        .filter((r) => r.component === c)
        .map((r) => r.within),
    );
    return movesOf(own, goals[c], thinned(own, usable, sources, [...new Set(ranges)], goals[c]), sources);
  });
  const sizes = places.map((own) => own.versions.length);
  const radix = sizes.map((_, c) => sizes.slice(0, c).reduce((product, size) => product * size, 1));
  const decode = (state: number) => sizes.map((size, c) => Math.floor(state / (radix[c] ?? 1)) % size);
  const toGo = (at: readonly number[]) => at.reduce((sum, place, c) => sum + (moves[c]?.toGo[place] ?? 0), 0);

  const start = places.reduce((sum, own, c) => sum + own.start * (radix[c] ?? 1), 0);
  const known = new Map<number, Known>();
  const open = new Heap<number>();
  const first: Known = { cost: 0, left: toGo(decode(start)), next: [], parents: [] };
  if (first.left === Number.POSITIVE_INFINITY) return "none";
  known.set(start, first);
  open.push(first.left, start);
  const ends: number[] = [];
  let least = Number.POSITIVE_INFINITY;
  let looked = 0;

  for (let top = open.pop(); top && top.key <= least; top = open.pop()) {
    const { key, value: state } = top;
    const own = known.get(state);
    if (!own || own.cost + own.left > key || own.done === key) continue;
    own.done = key;
    if (++looked > MOST_STATES) return "too-wide";
    const at = decode(state);
    if (own.next.length === 0) {
      own.next = at.map(() => 0);
      if (goals.every((goal, c) => goal === undefined || at[c] === goal)) {
        least = key;
        ends.push(state);
        continue;
      }
    }
    const slack = key - own.cost - own.left;
    let following = Number.POSITIVE_INFINITY;
    for (const [c, place] of at.entries()) {
      const list = moves[c]?.from[place] ?? [];
      let i = own.next[c] ?? 0;
      for (; i < list.length; i++) {
        const move = list[i];
        if (!move) break;
        if (move.extra > slack) {
          following = Math.min(following, move.extra);
          break;
        }
        if (!requires[c]?.[move.to]?.every(({ component, within }) => within[at[component] ?? 0])) continue;
        const child = state + (move.to - place) * (radix[c] ?? 1);
        reach(known, open, child, own.cost + move.cost, own.left + move.extra - move.cost, {
          state,
          component: c,
          place: move.to,
        });
      }
      own.next[c] = i;
    }
    if (following < Number.POSITIVE_INFINITY) open.push(own.cost + own.left + following, state);
  }
  if (ends.length === 0) return "none";
  return { installs: firstOfEqual(known, start, ends, places) };
}

type Parent = { readonly state: number; readonly component: number; readonly place: number };
type Known = {
  cost: number;
  readonly left: number;
  /** For each component, how many of its moves have been looked at. */
  next: number[];
  /** The key under which it was last looked at. */
  done?: number;
  parents: Parent[];
};

function reach(
  known: Map<number, Known>,
  open: Heap<number>,
  child: number,
  cost: number,
  left: number,
  parent: Parent,
): void {
  const before = known.get(child);
  if (!before || cost < before.cost) {
    known.set(child, { cost, left, next: [], parents: [parent] });
    open.push(cost + left, child);
  } else if (cost === before.cost) before.parents.push(parent);
}

type Move = { readonly to: number; readonly cost: number; readonly extra: number };
type Moves = {
  /** The least cost from each place to the goal, requirements aside; 0 everywhere without a goal. */
  readonly toGo: Float64Array;
  /** The moves from each place, by how much they add beyond the least. */
  readonly from: readonly (readonly Move[])[];
};

function movesOf(
  places: Places,
  goal: number | undefined,
  usable: Uint8Array,
  sources: readonly Uint8Array[],
): Moves {
  const size = places.versions.length;
  const costs = places.conditions.map(costOf);
  const toGo = goal === undefined ? new Float64Array(size) : leastCosts(goal, size, sources, usable, costs);
  const from = Array.from({ length: size }, (_, place) => {
    const list: Move[] = [];
    for (const [to, open] of sources.entries()) {
      if (!usable[to] || !open[place]) continue;
      const left = toGo[to] ?? 0;
      if (left === Number.POSITIVE_INFINITY) continue;
      const cost = costs[to] ?? 0;
      list.push({ to, cost, extra: cost + left - (toGo[place] ?? 0) });
    }
    return list.sort((a, b) => a.extra - b.extra);
  });
  return { toGo, from };
}

/** Dijkstra backwards from the goal over one component's places. */
function leastCosts(
  goal: number,
  size: number,
  sources: readonly Uint8Array[],
  usable: Uint8Array,
  costs: readonly number[],
): Float64Array {
  const least = new Float64Array(size).fill(Number.POSITIVE_INFINITY);
  least[goal] = 0;
  const settled = new Uint8Array(size);
  for (;;) {
    let at = -1;
    for (let place = 0; place < size; place++) {
      if (!settled[place] && (least[place] ?? 0) < (at < 0 ? Number.POSITIVE_INFINITY : (least[at] ?? 0)))
        at = place;
    }
    if (at < 0) return least;
    settled[at] = 1;
    const open = sources[at];
    // The unit's own uncatalogued version can be left, not installed; so can what may not be used.
    if (!open || !usable[at]) continue;
    const reached = (least[at] ?? 0) + (costs[at] ?? 0);
    for (let place = 0; place < size; place++) {
      if (open[place] && reached < (least[place] ?? 0)) least[place] = reached;
    }
  }
}

type Requirement = { readonly component: number; readonly within: Uint8Array };

/** For each component and release, where the other components must be. A component that is not there never is. */
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

/** Among all ways of least cost, the one whose list of release ids comes first. */
function firstOfEqual(
  known: ReadonlyMap<number, Known>,
  start: number,
  ends: readonly number[],
  places: readonly Places[],
): Install[] {
  const children = new Map<number, (Parent & { readonly child: number })[]>();
  const marked = new Set(ends);
  const waiting = [...ends];
  for (let state = waiting.pop(); state !== undefined; state = waiting.pop()) {
    for (const parent of known.get(state)?.parents ?? []) {
      const list = children.get(parent.state) ?? [];
      children.set(parent.state, list);
      list.push({ ...parent, child: state });
      if (marked.has(parent.state)) continue;
      marked.add(parent.state);
      waiting.push(parent.state);
    }
  }
  const idOf = (install: Install) => places[install.component]?.releases[install.place]?.id ?? "";
  const installs: Install[] = [];
  const end = new Set(ends);
  for (let state = start; !end.has(state); ) {
    const [next] = (children.get(state) ?? []).sort((a, b) => compareText(idOf(a), idOf(b)));
    if (!next) break;
    installs.push({ component: next.component, place: next.place });
    state = next.child;
  }
  return installs;
}

// The least way for several components at once: A*, bounded below by each component’s own exact cost (outlook.ts). Ways of equal cost are all kept, so the same one is always the answer.
import { compareText } from "../version/index.ts";
import { atMostAsMany } from "./cost.ts";
import type { Fitting, Leave, Places } from "./graph.ts";
import { Heap } from "./heap.ts";
import { type Outlook, outlook, type Requirement, type Wanted } from "./outlook.ts";

export type Install = { readonly component: number; readonly place: number };

/** So many different states, and moves out of them, are looked at at first; real catalogues need a few hundred. */
const MOST_STATES = 60_000;
const FIRST_LOOKS = 120_000;
/** Then components are looked at in pairs, which takes longer to begin with and leads straighter; so much before the best is given up. */
const MOST_LOOKS = 900_000;
/** Then some good way is looked for: what is left to do counts for so much more, and of each state only the most promising moves. */
const GREEDY = [
  { greed: 1.5, moves: 12 },
  { greed: 3, moves: 30 },
  { greed: 6, moves: Number.POSITIVE_INFINITY },
] as const;
const GREEDY_STATES = 12_000;
const GREEDY_LOOKS = 150_000;

export type Found =
  | { readonly kind: "way"; readonly installs: readonly Install[] }
  | { readonly kind: "none" }
  /** Too many different states: nothing is cheaper than `atLeast`. */
  | { readonly kind: "too-many"; readonly atLeast: number };
/** A way that may not be the best: that costs at least `atLeast`. */
export type Good = { readonly kind: "good"; readonly installs: readonly Install[]; readonly atLeast: number };

/**
 * The best way; where there are too many different states to look at, a good one, with what the best costs at least. (`most` is for the tests.)
 */
export function search(
  wanted: Wanted,
  unit: Fitting,
  leave: Leave,
  { most = MOST_STATES, onlyBest = false }: { readonly most?: number; readonly onlyBest?: boolean } = {},
): Found | Good {
  const near = outlook(wanted, unit, leave);
  if (!near) return { kind: "none" };
  const whole = { states: most, greed: 1, moves: Number.POSITIVE_INFINITY };
  const first = searchFor(wanted, near, { ...whole, looks: FIRST_LOOKS });
  if (first.kind !== "too-many" || onlyBest) return first;
  const far = near.inPairs();
  const best = searchFor(wanted, far, { ...whole, looks: MOST_LOOKS });
  if (best.kind !== "too-many") return best;
  const atLeast = Math.max(first.atLeast, best.atLeast);
  for (const { greed, moves } of GREEDY) {
    const effort = { states: GREEDY_STATES, looks: GREEDY_LOOKS, greed, moves };
    const found = searchFor(wanted, far, effort);
    // Only a search of all moves that comes to its end has seen that there is no way.
    if (found.kind === "none" && moves === Number.POSITIVE_INFINITY) return found;
    if (found.kind === "way") return { ...found, kind: "good", atLeast };
  }
  return { kind: "too-many", atLeast };
}

type Effort = {
  /** The most different states, and moves out of them, that are looked at. */
  readonly states: number;
  readonly looks: number;
  /** How much more what is left to do counts than what is done; 1 finds the best. */
  readonly greed: number;
  /** The most moves of a component out of a state, the most promising first. */
  readonly moves: number;
};

function searchFor({ places, goals }: Wanted, ahead: Outlook, effort: Effort): Found {
  const { greed } = effort;
  const { requires, sizes } = ahead;
  const radix = sizes.map((_, c) => sizes.slice(0, c).reduce((product, size) => product * size, 1));
  const decode = (state: number) => sizes.map((size, c) => Math.floor(state / (radix[c] ?? 1)) % size);
  const start = places.reduce((sum, own, c) => sum + own.start * (radix[c] ?? 1), 0);
  const known = new Map<number, Known>();
  const open = new Heap<number>();
  const first: Known = { cost: 0, left: ahead.leftAt(decode(start)), next: [], parents: [] };
  if (first.left === Number.POSITIVE_INFINITY) return { kind: "none" };
  known.set(start, first);
  open.push(first.left * greed, start);
  const ends: number[] = [];
  let least = Number.POSITIVE_INFINITY;
  let states = 0;
  let looks = 0;

  for (let top = open.pop(); top && top.key <= least; top = open.pop()) {
    const { key, value: state } = top;
    const own = known.get(state);
    if (!own || own.done === key || own.cost + own.left * greed > key) continue;
    own.done = key;
    const at = decode(state);
    if (own.next.length === 0) {
      // Counted once, however often it is come back to.
      if (++states > effort.states || looks > effort.looks) return { kind: "too-many", atLeast: key };
      own.next = at.map(() => 0);
      if (goals.every((goal, c) => goal === undefined || at[c] === goal)) {
        least = key;
        ends.push(state);
        if (greed > 1) break;
        continue;
      }
    }
    // Moves that need another install are left for later; with greed, which does not go by what is least, none is.
    const near = own.cost + ahead.nearLeftAt(at);
    const slack = greed > 1 ? Number.POSITIVE_INFINITY : atMostAsMany(key) - near;
    let following = Number.POSITIVE_INFINITY;
    for (const [c, place] of at.entries()) {
      const list = ahead.movesFrom(c, at, place);
      let i = own.next[c] ?? 0;
      const last = Math.min(list.length, effort.moves);
      for (; i < last; i++) {
        looks++;
        const move = list[i];
        if (!move) break;
        if (move.extra > slack) {
          following = Math.min(following, move.extra);
          break;
        }
        if (!meets(requires[c]?.[move.to], at)) continue;
        const child = state + (move.to - place) * (radix[c] ?? 1);
        const cost = own.cost + move.cost;
        const before = known.get(child);
        if (before && before.cost < cost) continue;
        const parent = { state, component: c, place: move.to };
        if (before && before.cost === cost) {
          before.parents.push(parent);
          continue;
        }
        const left = before?.left ?? ahead.leftAt(at.map((p, of) => (of === c ? move.to : p)));
        if (left === Number.POSITIVE_INFINITY) continue;
        known.set(child, { cost, left, next: [], parents: [parent] });
        open.push(cost + left * greed, child);
      }
      own.next[c] = i;
    }
    if (following < Number.POSITIVE_INFINITY) open.push(near + following, state);
  }
  if (ends.length === 0) return { kind: "none" };
  return { kind: "way", installs: firstOfEqual(known, start, ends, places) };
}

function meets(requirements: readonly Requirement[] | undefined, at: readonly number[]): boolean {
  if (!requirements) return false;
  for (let i = 0; i < requirements.length; i++) {
    const { component, within } = requirements[i] as Requirement;
    if (!within[at[component] as number]) return false;
  }
  return true;
}

type Parent = { readonly state: number; readonly component: number; readonly place: number };
type Known = {
  readonly cost: number;
  readonly left: number;
  /** For each component, how many of its moves have been looked at. */
  next: number[];
  /** The key under which it was last looked at. */
  done?: number;
  readonly parents: Parent[];
};

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

// The least that is left to do, by pairs of components: the exact cost of each pair alone. Pairs share no install, so their costs add up. Slow, and asked for only where the search needs it.
import { NumberHeap } from "./heap.ts";

/** What a pair needs to know of a component. Places are its releases in the catalogue's order, and what the unit runs. */
export type Side = {
  readonly size: number;
  readonly start: number;
  readonly goal: number | undefined;
  readonly usable: Uint8Array;
  /** For each release, from which places it can be installed. */
  readonly sources: readonly Uint8Array[];
  readonly costs: readonly number[];
  /** For each release, where other components must be. */
  readonly requires: readonly (readonly { readonly component: number; readonly within: Uint8Array }[])[];
};

/** The least that is left to do from somewhere; infinite where some pair can never come to its goals. */
export function leftInPairs(sides: readonly Side[]): (at: readonly number[]) => number {
  const tables = sides.map((_, a) => sides.map((_, b) => (a < b ? pairTable(sides, a, b) : undefined)));
  const rounds = partings(sides.length);
  const flat = rounds.map((pairs) =>
    pairs.map(([a, b]) => ({
      a,
      b,
      size: sides[a]?.size ?? 0,
      table: tables[a]?.[b] ?? new Float64Array(0),
    })),
  );
  return (at) => {
    let most = 0;
    for (const pairs of flat) {
      let sum = 0;
      for (const { a, b, size, table } of pairs) sum += table[(at[b] ?? 0) * size + (at[a] ?? 0)] ?? 0;
      if (sum > most) most = sum;
    }
    return most;
  };
}

/** Every pair in exactly one parting, as in a tournament: one stays, the others go around it. With an odd number one rests each time. */
export function partings(count: number): [number, number][][] {
  const even = count + (count % 2);
  return Array.from({ length: Math.max(0, even - 1) }, (_, round) =>
    Array.from({ length: even / 2 }, (_, i): [number, number] => {
      const a = i === 0 ? even - 1 : (round + i) % (even - 1);
      const b = (round - i + even - 1) % (even - 1);
      return a < b ? [a, b] : [b, a];
    }).filter(([, b]) => b < count),
  );
}

/** For each place of `a` (fastest) and of `b`: the least cost of bringing both to their goals, all other components put aside. */
function pairTable(sides: readonly Side[], a: number, b: number): Float64Array {
  const [first, second] = [sides[a], sides[b]];
  if (!first || !second) return new Float64Array(0);
  const width = first.size;
  const table = new Float64Array(width * second.size).fill(Number.POSITIVE_INFINITY);
  const [across, down] = [waysInto(first, b, second), waysInto(second, a, first)];
  const open = new NumberHeap(table.length * 2);
  const settle = (pa: number, pb: number, cost: number) => {
    const index = pb * width + pa;
    table[index] = cost;
    if (across[pa]?.open[pb]) open.push(cost + (first.costs[pa] ?? 0), index * 2);
    if (down[pb]?.open[pa]) open.push(cost + (second.costs[pb] ?? 0), index * 2 + 1);
  };
  for (const pb of second.goal === undefined ? standing(second) : [second.goal])
    for (const pa of first.goal === undefined ? standing(first) : [first.goal]) settle(pa, pb, 0);
  // Backwards: what comes up next is the cheapest install whose end is settled; it settles every place it can start from.
  while (open.size > 0) {
    const cost = open.key;
    const value = open.pop();
    const pa = (value >> 1) % width;
    const pb = ((value >> 1) - pa) / width;
    if (value & 1) {
      for (const from of down[pb]?.from ?? [])
        if (table[from * width + pa] === Number.POSITIVE_INFINITY) settle(pa, from, cost);
    } else {
      for (const from of across[pa]?.from ?? [])
        if (table[pb * width + from] === Number.POSITIVE_INFINITY) settle(from, pb, cost);
    }
  }
  return table;
}

/** Where a component may stand on a route. */
const standing = (side: Side): number[] =>
  Array.from({ length: side.size }, (_, place) => place).filter((p) => side.usable[p] || p === side.start);

/** For each release that may be installed: from which places, and where the other component may be meanwhile. */
function waysInto(side: Side, other: number, { size, usable, start }: Side) {
  const places = standing(side);
  return side.costs.map((_, to) => {
    if (!side.usable[to]) return undefined;
    const asks = (side.requires[to] ?? []).filter((r) => r.component === other);
    const open = new Uint8Array(size);
    for (let place = 0; place < size; place++)
      open[place] = (usable[place] || place === start) && asks.every((r) => r.within[place]) ? 1 : 0;
    return { open, from: Int32Array.from(places.filter((place) => side.sources[to]?.[place])) };
  });
}

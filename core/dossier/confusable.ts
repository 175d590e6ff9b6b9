// Key combinations that a hand can mistake for each other: they differ by one key and do different things.
import { EFFECTS, type Effect, type Purpose } from "./procedure.ts";

export type Combination = {
  /** Of the procedure it begins. */
  readonly id: string;
  readonly purpose: Purpose;
  readonly effect: Effect;
  readonly keys: readonly string[];
  readonly turn?: "on" | "off" | undefined;
};

export type Confusable = {
  readonly a: string;
  readonly b: string;
  /** The keys that only one of the two has. */
  readonly onlyA: readonly string[];
  readonly onlyB: readonly string[];
  /** How much worse one is than the other, 0 (alike) to 3 (erasing beside harmless). */
  readonly difference: number;
};

/**
 * Pairs that differ by one key (one more, one fewer, or one other) or only by whether the knob is turned, and do
 * different things; the worst difference first, then the worse of the two, then ids. The same keys for two purposes
 * are the same combination in two records, and no danger.
 */
export function confusable(combinations: readonly Combination[]): Confusable[] {
  const found: (Confusable & { readonly worst: number })[] = [];
  const all = combinations.map((combination) => ({ a: combination, keysA: keysOf(combination) }));
  for (const [i, { a, keysA }] of all.entries()) {
    for (const { a: b, keysA: keysB } of all.slice(i + 1)) {
      if (a.effect === b.effect && a.purpose === b.purpose) continue;
      const onlyA = [...keysA].flatMap(([key, name]) => (keysB.has(key) ? [] : [name]));
      const onlyB = [...keysB].flatMap(([key, name]) => (keysA.has(key) ? [] : [name]));
      const apart = Math.max(onlyA.length, onlyB.length);
      const turned = a.turn !== b.turn;
      if (!(apart === 1 || (apart === 0 && turned))) continue;
      const [levelA, levelB] = [EFFECTS.indexOf(a.effect), EFFECTS.indexOf(b.effect)];
      found.push({
        a: a.id,
        b: b.id,
        onlyA,
        onlyB,
        difference: Math.abs(levelA - levelB),
        worst: Math.max(levelA, levelB),
      });
    }
  }
  found.sort(
    (x, y) =>
      y.difference - x.difference ||
      y.worst - x.worst ||
      (x.a < y.a ? -1 : x.a > y.a ? 1 : x.b < y.b ? -1 : 1),
  );
  return found.map(({ worst: _, ...pair }) => pair);
}

/** Each key once, however often and in whatever letters it is named, by its first name. */
const keysOf = ({ keys }: Combination): Map<string, string> => {
  const found = new Map<string, string>();
  for (const key of keys) {
    const name = key.trim();
    if (!found.has(name.toLowerCase())) found.set(name.toLowerCase(), name);
  }
  return found;
};

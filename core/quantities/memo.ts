// What was worked out once, remembered up to a bound: what people type must not make a process grow for ever.

/** Remembers the last `most` values by their keys; of more, the one that was worked out longest ago is forgotten. */
export class Memo<Key, Value> {
  readonly #known = new Map<Key, Value>();
  readonly #most: number;

  constructor(most: number) {
    this.#most = most;
  }

  get size(): number {
    return this.#known.size;
  }

  /** The value known for `key`, else what `make` answers, which is known from then on. */
  get(key: Key, make: (key: Key) => Value): Value {
    const had = this.#known.get(key);
    if (had !== undefined) return had;
    return this.set(key, make(key));
  }

  /** The value known for `key`, if one is. */
  peek(key: Key): Value | undefined {
    return this.#known.get(key);
  }

  /** Remembers a value that was worked out elsewhere; what is set again counts as new. */
  set(key: Key, value: Value): Value {
    this.#known.delete(key);
    const [oldest] = this.#known.size >= this.#most ? this.#known.keys() : [];
    if (oldest !== undefined) this.#known.delete(oldest);
    this.#known.set(key, value);
    return value;
  }
}

/** The value known for an object, else what `make` answers: kept as long as the object is. */
export function kept<Key extends object, Value>(
  known: WeakMap<Key, Value>,
  key: Key,
  make: (key: Key) => Value,
): Value {
  const found = known.get(key);
  if (found !== undefined) return found;
  const made = make(key);
  known.set(key, made);
  return made;
}

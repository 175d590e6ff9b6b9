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
    const value = make(key);
    const [oldest] = this.#known.size >= this.#most ? this.#known.keys() : [];
    if (oldest !== undefined) this.#known.delete(oldest);
    this.#known.set(key, value);
    return value;
  }
}

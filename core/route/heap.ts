// A binary heap: the least key first.
export class Heap<Value> {
  readonly #keys: number[] = [];
  readonly #values: Value[] = [];

  get size(): number {
    return this.#keys.length;
  }

  push(key: number, value: Value): void {
    let at = this.#keys.push(key) - 1;
    this.#values.push(value);
    while (at > 0) {
      const parent = (at - 1) >> 1;
      if ((this.#keys[parent] ?? 0) <= key) break;
      this.#swap(at, parent);
      at = parent;
    }
  }

  pop(): { readonly key: number; readonly value: Value } | undefined {
    const key = this.#keys[0];
    const value = this.#values[0];
    const lastKey = this.#keys.pop();
    const lastValue = this.#values.pop();
    if (key === undefined || value === undefined) return undefined;
    if (this.#keys.length > 0 && lastKey !== undefined && lastValue !== undefined) {
      this.#keys[0] = lastKey;
      this.#values[0] = lastValue;
      this.#sink(0);
    }
    return { key, value };
  }

  #sink(from: number): void {
    let at = from;
    for (;;) {
      const left = at * 2 + 1;
      const right = left + 1;
      const least = this.#key(right) < this.#key(left) ? right : left;
      if (this.#key(least) >= this.#key(at)) return;
      this.#swap(at, least);
      at = least;
    }
  }

  #key(at: number): number {
    return this.#keys[at] ?? Number.POSITIVE_INFINITY;
  }

  #swap(a: number, b: number): void {
    const [key, value] = [this.#keys[a], this.#values[a]];
    this.#keys[a] = this.#keys[b] as number;
    this.#values[a] = this.#values[b] as Value;
    this.#keys[b] = key as number;
    this.#values[b] = value as Value;
  }
}

/** The same for numbers of which no more than `most` are in it at once: several times as fast. */
export class NumberHeap {
  readonly #keys: Float64Array;
  readonly #values: Int32Array;
  #size = 0;

  constructor(most: number) {
    this.#keys = new Float64Array(most);
    this.#values = new Int32Array(most);
  }

  get size(): number {
    return this.#size;
  }

  /** The least key; of an empty heap, nothing that means anything. */
  get key(): number {
    return this.#keys[0] as number;
  }

  push(key: number, value: number): void {
    const [keys, values] = [this.#keys, this.#values];
    let at = this.#size++;
    while (at > 0) {
      const parent = (at - 1) >> 1;
      const above = keys[parent] as number;
      if (above <= key) break;
      keys[at] = above;
      values[at] = values[parent] as number;
      at = parent;
    }
    keys[at] = key;
    values[at] = value;
  }

  /** The value of the least key. */
  pop(): number {
    const [keys, values] = [this.#keys, this.#values];
    const top = values[0] as number;
    const size = --this.#size;
    const [key, value] = [keys[size] as number, values[size] as number];
    let at = 0;
    for (;;) {
      let child = at * 2 + 1;
      if (child >= size) break;
      if (child + 1 < size && (keys[child + 1] as number) < (keys[child] as number)) child++;
      const below = keys[child] as number;
      if (below >= key) break;
      keys[at] = below;
      values[at] = values[child] as number;
      at = child;
    }
    keys[at] = key;
    values[at] = value;
    return top;
  }
}

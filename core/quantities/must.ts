// What must be there: where it is not, that is a defect of ours, and never an empty word.

/** A value that is always there. Throws where it is not; `what` says what is missing. */
export function must<Value>(value: Value | undefined, what: string): Value {
  if (value === undefined) throw new TypeError(`${what} is missing`);
  return value;
}

/** What a map has for a key. Throws where it has nothing. */
export function mustGet<Key, Value>(map: ReadonlyMap<Key, Value>, key: Key): Value {
  const value = map.get(key);
  if (value === undefined) throw new TypeError(`nothing is known by ${String(key)}`);
  return value;
}

/** The one of a list that has this id. Throws where none has. */
export function mustFind<One extends { readonly id: string }>(list: readonly One[], id: string): One {
  const found = list.find((one) => one.id === id);
  if (found === undefined) throw new TypeError(`nothing has the id ${id}`);
  return found;
}

// What was worked out of something once, kept as long as that is.

/** The value known for `key`, else what `make` answers, which is known from then on. */
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

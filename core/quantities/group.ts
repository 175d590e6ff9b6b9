// Groups a list by a key, in the order of first appearance.
/** The values by their keys: keys in the order in which they are met, values in theirs. */
export function groupBy<Key, Value>(
  values: Iterable<Value>,
  keyOf: (value: Value) => Key,
): Map<Key, Value[]> {
  const groups = new Map<Key, Value[]>();
  for (const value of values) {
    const key = keyOf(value);
    const group = groups.get(key);
    if (group) group.push(value);
    else groups.set(key, [value]);
  }
  return groups;
}

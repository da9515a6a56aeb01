/** Items by key, each list in the order in which they came. */
export function groupBy<T, K>(items: Iterable<T>, keyOf: (item: T) => K): ReadonlyMap<K, T[]> {
  const out = new Map<K, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    const list = out.get(key);
    if (list) list.push(item);
    else out.set(key, [item]);
  }
  return out;
}

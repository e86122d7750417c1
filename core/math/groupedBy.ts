/** Entries by a key, each group in the order in which they came. */
export function groupedBy<T, K>(entries: readonly T[], keyOf: (entry: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const entry of entries) {
    const group = groups.get(keyOf(entry));
    if (group) group.push(entry);
    else groups.set(keyOf(entry), [entry]);
  }
  return groups;
}

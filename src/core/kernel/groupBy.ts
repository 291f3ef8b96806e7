/**
 * What belongs together, in the order it comes; groups in the order of their first.
 *
 * @example groupBy([1, 2, 3], (n) => n % 2) // new Map([[1, [1, 3]], [0, [2]]])
 */
export function groupBy<T, K>(items: Iterable<T>, keyOf: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}

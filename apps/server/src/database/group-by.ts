/** Rows by what a function says of them, in the order they come. */
export function groupBy<T, K>(rows: readonly T[], keyOf: (row: T) => K): Map<K, T[]> {
  const out = new Map<K, T[]>();
  for (const row of rows) {
    const key = keyOf(row);
    const own = out.get(key);
    if (own) own.push(row);
    else out.set(key, [row]);
  }
  return out;
}

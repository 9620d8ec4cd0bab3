/** The parts of a stored reading that corrections need. */
export interface Correctable {
  readonly id: string;
  readonly replaces: string | null;
}

/**
 * The readings that stand, each correction in the place of the reading it replaces, so that the order taken is kept.
 * A correction of a reading that is not in the list stands at its own place.
 * @param rows in the order written
 */
export function current<T extends Correctable>(rows: readonly T[]): T[] {
  const places: T[] = [];
  for (const row of rows) {
    const at = row.replaces === null ? -1 : places.findIndex((p) => p.id === row.replaces);
    if (at >= 0) places[at] = row;
    else places.push(row);
  }
  return places;
}

import { subsets } from '../../math/subsets.js';
import { LOADED_GAP_DAYS } from '../../styles/style.js';

const known = new Map<number, readonly (readonly number[])[]>();

/** All ways to choose some of the days of a week, 0-6. */
export function choicesOf(days: readonly number[], count: number): readonly (readonly number[])[] {
  let key = count;
  for (const d of days) key += 8 << d;
  let found = known.get(key);
  if (!found) known.set(key, (found = subsets(days, count)));
  return found;
}

/** True when loaded sessions of a group are 48 h apart, in the week and from the one before. */
export function keepsGap(days: readonly number[], lastDay: number | null): boolean {
  for (let i = 1; i < days.length; i++) if (days[i]! - days[i - 1]! < LOADED_GAP_DAYS) return false;
  return lastDay === null || days.length === 0 || 7 - lastDay + days[0]! >= LOADED_GAP_DAYS;
}

/** Most days of some on which a lane can be loaded, 48 h apart. @param lastDay its last loaded day in the week before, 0-6; null for none */
export function mostApart(days: readonly number[], lastDay: number | null): number {
  for (let n = days.length; n > 0; n--) if (choicesOf(days, n).some((c) => keepsGap(c, lastDay))) return n;
  return 0;
}

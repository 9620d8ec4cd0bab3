import { subsets } from '../math/subsets.js';
import type { Weekday } from './weekday.js';

/** Gaps between the days of a week that repeats, in days. */
function gaps(days: readonly Weekday[]): number[] {
  return days.map((d, i) => {
    const next = days[(i + 1) % days.length]!;
    return ((next - d + 6) % 7) + 1;
  });
}

/** How many of some days can be used with at least `gap` days from each to the next, over a repeating week. */
export function mostApart(available: readonly Weekday[], gap: number): number {
  const days = [...new Set(available)].sort((a, b) => a - b);
  for (let count = days.length; count > 1; count--)
    for (const choice of subsets(days, count)) if (gaps(choice).every((g) => g >= gap)) return count;
  return Math.min(1, days.length);
}

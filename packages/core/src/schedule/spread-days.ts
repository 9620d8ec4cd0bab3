import { subsets } from '../math/subsets.js';
import type { Weekday } from './weekday.js';

/** Gaps between the days of a week that repeats, in days. */
export function gaps(days: readonly Weekday[]): number[] {
  return days.map((d, i) => {
    const next = days[(i + 1) % days.length]!;
    return ((next - d + 6) % 7) + 1;
  });
}

/**
 * Which of the client's days a lane uses: the choice with the most even gaps over a repeating week (domain rule 2.6, 7).
 * Exact: at most 35 choices. Of equally even ones the earliest in the week.
 * @param available training days, any order
 * @param count sessions wanted; more than there are days gives all days
 */
export function spreadDays(available: readonly Weekday[], count: number): Weekday[] {
  const days = [...new Set(available)].sort((a, b) => a - b);
  if (count >= days.length) return days;
  let best: Weekday[] | null = null;
  let least = Infinity;
  for (const choice of subsets(days, count)) {
    // With a fixed sum (7) the smallest sum of squares is the most even spread.
    const unevenness = gaps(choice).reduce((sum, g) => sum + g * g, 0);
    if (unevenness < least) {
      least = unevenness;
      best = choice;
    }
  }
  return best ?? [];
}

/** How many of some days can be used with at least `gap` days from each to the next, over a repeating week. */
export function mostApart(available: readonly Weekday[], gap: number): number {
  const days = [...new Set(available)].sort((a, b) => a - b);
  for (let count = days.length; count > 1; count--)
    for (const choice of subsets(days, count)) if (gaps(choice).every((g) => g >= gap)) return count;
  return Math.min(1, days.length);
}

import { addDays, weekdayOf } from '../../schedule/plain-date.js';
import type { Weekday } from '../../schedule/weekday.js';
import type { BlockInput } from '../plan.js';

/** First weekday of a block's weeks; Monday when no date is set. */
export function firstWeekday(input: Pick<BlockInput, 'startDate'>): Weekday {
  return input.startDate ? weekdayOf(input.startDate) : 1;
}

/** Days for sessions of a week that are not away, counted 0-6 from its first day. */
export function openDays(input: BlockInput, week: number): number[] {
  const first = firstWeekday(input);
  const offsets = [...new Set(input.client.trainingDays)].map((d) => (d - first + 7) % 7).sort((a, b) => a - b);
  const { startDate, away } = input;
  if (!startDate || !away || away.length === 0) return offsets;
  return offsets.filter((o) => {
    const date = addDays(startDate, 7 * (week - 1) + o);
    return !away.some((a) => a.from <= date && date <= a.to);
  });
}

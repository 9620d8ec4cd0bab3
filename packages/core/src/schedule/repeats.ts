import { addDays, daysBetween, type PlainDate } from './plain-date.js';

/** How often something comes again. */
export const REPEATS = ['once', 'every day', 'every second day', 'every week'] as const;
export type Repeat = (typeof REPEATS)[number];

const STEP: Readonly<Record<Repeat, number>> = { once: 0, 'every day': 1, 'every second day': 2, 'every week': 7 };

/** Most dates of one list. */
export const MOST_DATES = 93;

/**
 * The dates from one on, as often as said, up to another and at most {@link MOST_DATES}; the first alone when the last is before it.
 * @example repeatedDates('2026-03-09', 'every week', '2026-03-23') // ['2026-03-09', '2026-03-16', '2026-03-23']
 */
export function repeatedDates(first: PlainDate, repeat: Repeat, until: PlainDate): PlainDate[] {
  const step = STEP[repeat];
  const days = daysBetween(first, until);
  if (step === 0 || days < step) return [first];
  const count = Math.min(MOST_DATES, Math.floor(days / step) + 1);
  return Array.from({ length: count }, (_, i) => addDays(first, i * step));
}

import { addDays, type PlainDate } from '../schedule/plain-date.js';

/** What a client can say is in the way of their sessions. */
export const OBSTACLES = ['time', 'place', 'things', 'tired', 'unpleasant', 'how', 'forgot'] as const;
export type ObstacleId = (typeof OBSTACLES)[number];

/** Days between two weekly check-ins. */
export const CHECK_IN_DAYS = 7;

/**
 * True when a client is asked how the week was: a week after they said so last, or in the second week of their sessions.
 * @param last day of the last weekly check-in; null for none
 * @param firstSession first day that they had a session on; null for none yet
 * @example checkInDue('2026-03-02', '2026-02-02', '2026-03-09') // true
 */
export function checkInDue(last: PlainDate | null, firstSession: PlainDate | null, today: PlainDate): boolean {
  const since = last ?? firstSession;
  return since !== null && addDays(since, CHECK_IN_DAYS) <= today;
}

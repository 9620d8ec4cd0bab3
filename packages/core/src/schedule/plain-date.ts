import { addMonths as addMonthsTo, differenceInYears, format, getISODay, lightFormat } from 'date-fns';
import { CoreError } from '../errors.js';
import type { Weekday } from './weekday.js';

/** A calendar date without time or zone: `2026-03-09`. */
export type PlainDate = string;

const PATTERN = 'yyyy-MM-dd';

const DAY_MS = 86_400_000;

/** Days since 1 January 1970. A plain date has no zone: it is counted as in UTC, where every day has 24 hours. */
function dayNumber(date: PlainDate): number {
  const at = /^\d{4}-\d{2}-\d{2}$/.test(date) ? Date.parse(date) : NaN;
  // A day that does not exist becomes another one, or none.
  if (new Date(at).getUTCDate() !== Number(date.slice(-2)))
    throw new CoreError('invalid-date', { code: 'not-a-date', args: { text: date } });
  return at / DAY_MS;
}

/** Local noon, so that no clock change can move the date. */
function toDate(date: PlainDate): Date {
  const at = new Date(dayNumber(date) * DAY_MS);
  const local = new Date(2000, 0, 1, 12);
  local.setFullYear(at.getUTCFullYear(), at.getUTCMonth(), at.getUTCDate());
  return local;
}

/**
 * True when the text is a real calendar date.
 * @example isPlainDate('2026-02-30') // false
 */
export function isPlainDate(text: string): boolean {
  try {
    dayNumber(text);
    return true;
  } catch {
    return false;
  }
}

/**
 * @throws CoreError `invalid-date`
 * @example addDays('2026-02-27', 3) // '2026-03-02'
 */
export function addDays(date: PlainDate, days: number): PlainDate {
  return new Date((dayNumber(date) + days) * DAY_MS).toISOString().slice(0, PATTERN.length);
}

/**
 * The same day of the month some months on; the last day where the month is shorter. @throws CoreError `invalid-date`
 * @example addMonths('2026-01-31', 1) // '2026-02-28'
 */
export function addMonths(date: PlainDate, months: number): PlainDate {
  return lightFormat(addMonthsTo(toDate(date), months), PATTERN);
}

/**
 * Days from `from` to `to`; negative when `to` is earlier.
 * @example daysBetween('2026-03-02', '2026-02-27') // -3
 */
export function daysBetween(from: PlainDate, to: PlainDate): number {
  return dayNumber(to) - dayNumber(from);
}

/**
 * Monday = 1 … Sunday = 7 (ISO 8601).
 * @example weekdayOf('2026-03-09') // 1
 */
export function weekdayOf(date: PlainDate): Weekday {
  return getISODay(toDate(date)) as Weekday;
}

/** The next day of that name; the day itself when it is one. @example weekdayFrom('2026-03-11', 1) // '2026-03-16' */
export function weekdayFrom(date: PlainDate, weekday: Weekday): PlainDate {
  return addDays(date, (7 + weekday - weekdayOf(date)) % 7);
}

/**
 * Age in whole years on a date.
 * @example ageOn('1990-03-09', '2026-03-08') // 35
 */
export function ageOn(birthDate: PlainDate, date: PlainDate): number {
  return differenceInYears(toDate(date), toDate(birthDate));
}

/**
 * A date in words. Pattern as in date-fns.
 * @example formatDate('2026-03-09', 'd MMM') // '9 Mar'
 */
export function formatDate(date: PlainDate, pattern: string): string {
  return format(toDate(date), pattern);
}

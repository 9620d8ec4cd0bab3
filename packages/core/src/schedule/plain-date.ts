import {
  addDays as addDaysTo,
  addMonths as addMonthsTo,
  differenceInCalendarDays,
  differenceInYears,
  format,
  getISODay,
  lightFormat,
} from 'date-fns';
import { CoreError } from '../errors.js';
import type { Weekday } from './weekday.js';

/** A calendar date without time or zone: `2026-03-09`. */
export type PlainDate = string;

const PATTERN = 'yyyy-MM-dd';

/** Local noon, so that no clock change can move the date. */
function toDate(date: PlainDate): Date {
  const [, year, month, day] = (/^(\d{4})-(\d{2})-(\d{2})$/.exec(date) ?? []).map(Number);
  const parsed = new Date(2000, 0, 1, 12);
  parsed.setFullYear(year ?? NaN, (month ?? NaN) - 1, day ?? NaN);
  // A day that does not exist becomes another one.
  if (parsed.getMonth() !== month! - 1 || parsed.getDate() !== day)
    throw new CoreError('invalid-date', { code: 'not-a-date', args: { text: date } });
  return parsed;
}

/**
 * True when the text is a real calendar date.
 * @example isPlainDate('2026-02-30') // false
 */
export function isPlainDate(text: string): boolean {
  try {
    toDate(text);
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
  return lightFormat(addDaysTo(toDate(date), days), PATTERN);
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
  return differenceInCalendarDays(toDate(to), toDate(from));
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

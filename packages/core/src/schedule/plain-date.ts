import {
  addDays as addDaysTo,
  addMonths as addMonthsTo,
  differenceInCalendarDays,
  differenceInYears,
  format,
  getISODay,
  isValid,
  parse,
} from 'date-fns';
import { CoreError } from '../errors.js';
import type { Weekday } from './weekday.js';

/** A calendar date without time or zone: `2026-03-09`. */
export type PlainDate = string;

const PATTERN = 'yyyy-MM-dd';

/** Local noon, so that no clock change can move the date. */
function toDate(date: PlainDate): Date {
  const parsed = /^\d{4}-\d{2}-\d{2}$/.test(date)
    ? parse(`${date} 12`, `${PATTERN} HH`, new Date(2000, 0, 1))
    : new Date(NaN);
  if (!isValid(parsed)) throw new CoreError('invalid-date', { code: 'not-a-date', args: { text: date } });
  return parsed;
}

/** True when the text is a real calendar date. */
export function isPlainDate(text: string): boolean {
  try {
    toDate(text);
    return true;
  } catch {
    return false;
  }
}

/** @throws CoreError `invalid-date` */
export function addDays(date: PlainDate, days: number): PlainDate {
  return format(addDaysTo(toDate(date), days), PATTERN);
}

/** The same day of the month some months on; the last day where the month is shorter. @throws CoreError `invalid-date` */
export function addMonths(date: PlainDate, months: number): PlainDate {
  return format(addMonthsTo(toDate(date), months), PATTERN);
}

/** Days from `from` to `to`; negative when `to` is earlier. */
export function daysBetween(from: PlainDate, to: PlainDate): number {
  return differenceInCalendarDays(toDate(to), toDate(from));
}

/** Monday = 1 … Sunday = 7 (ISO 8601). */
export function weekdayOf(date: PlainDate): Weekday {
  return getISODay(toDate(date)) as Weekday;
}

/** The next Monday; the day itself when it is one. @example mondayFrom('2026-03-11') // '2026-03-16' */
export function mondayFrom(date: PlainDate): PlainDate {
  return addDays(date, (8 - weekdayOf(date)) % 7);
}

/** Age in whole years on a date. */
export function ageOn(birthDate: PlainDate, date: PlainDate): number {
  return differenceInYears(toDate(date), toDate(birthDate));
}

/** A date in words: `formatDate('2026-03-09', 'd MMM')` = "9 Mar". Pattern as in date-fns. */
export function formatDate(date: PlainDate, pattern: string): string {
  return format(toDate(date), pattern);
}

import { TZDate } from '@date-fns/tz';
import type { PlainDate } from '@yandle/core';
import { format } from 'date-fns';

/** Where the time comes from; tests pass their own. */
export interface Clock {
  now(): Date;
}

export const SYSTEM_CLOCK: Clock = { now: () => new Date() };

/** The calendar date of an instant in a time zone (IANA name). */
export function dateIn(timeZone: string, instant: Date): PlainDate {
  return format(new TZDate(instant, timeZone), 'yyyy-MM-dd');
}

/** The instant of a date and time of day in a time zone. */
export function instantOf(date: PlainDate, time: string, timeZone: string): Date {
  const [y, m, d] = date.split('-').map(Number) as [number, number, number];
  const [h, min] = time.split(':').map(Number) as [number, number];
  return new Date(new TZDate(y, m - 1, d, h, min, timeZone).getTime());
}

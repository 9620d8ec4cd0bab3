import { TZDate, tzOffset } from '@date-fns/tz';
import type { PlainDate } from '@yandle/core';

/** Where the time comes from; tests pass their own. */
export interface Clock {
  now(): Date;
}

export const SYSTEM_CLOCK: Clock = { now: () => new Date() };

/** Clocks are put forward and back on quarters of an hour: within one the offset of a zone stays. */
const QUARTER = 15 * 60_000;
/** Offsets that are remembered; so many quarters are some five months of a studio's days and nights. */
const MOST_KNOWN = 16_384;
const known = new Map<string, number>();

/** Minutes that a zone is ahead of UTC at an instant; asking the calendar is slow, and a list asks for hundreds. */
function offsetIn(timeZone: string, instant: Date): number {
  const key = `${timeZone} ${Math.floor(instant.getTime() / QUARTER)}`;
  const found = known.get(key);
  if (found !== undefined) return found;
  if (known.size >= MOST_KNOWN) known.clear();
  const offset = tzOffset(timeZone, instant);
  known.set(key, offset);
  return offset;
}

/**
 * The calendar date of an instant in a time zone (IANA name).
 * @throws RangeError for a zone or an instant that there is not
 */
export function dateIn(timeZone: string, instant: Date): PlainDate {
  const ahead = offsetIn(timeZone, instant);
  return new Date(instant.getTime() + ahead * 60_000).toISOString().slice(0, 10);
}

/** The instant of a date and time of day in a time zone. */
export function instantOf(date: PlainDate, time: string, timeZone: string): Date {
  const [y, m, d] = date.split('-').map(Number) as [number, number, number];
  const [h, min] = time.split(':').map(Number) as [number, number];
  return new Date(new TZDate(y, m - 1, d, h, min, timeZone).getTime());
}

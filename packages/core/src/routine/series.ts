import { addDays, type PlainDate } from '../schedule/plain-date.js';

/** Bounds of a series: twelve weeks, and at most two routines a day of them. */
export const SERIES_BOUNDS = { name: 80, note: 500, days: 84, entries: 168 } as const;

/** A routine on a day of a series. */
export interface SeriesEntry {
  /** 1-based. */
  readonly day: number;
  readonly routineId: string;
}

/** A named run of days or weeks of routines ("twenty-one days, a region a day"), without a date. */
export interface SeriesDefinition {
  readonly name: string;
  /** What it is for, in the coach's words. */
  readonly note: string;
  /** Day by day; a day may have two, or none. */
  readonly entries: readonly SeriesEntry[];
}

/** A series by its id. */
export interface Series extends SeriesDefinition {
  readonly id: string;
}

/** Entries in order of their days; on one day as they were entered. */
export function inDays(entries: readonly SeriesEntry[]): SeriesEntry[] {
  return [...entries].sort((a, b) => a.day - b.day);
}

/** Days from the first to the last of a series; 0 for none. */
export function seriesLength(series: Pick<SeriesDefinition, 'entries'>): number {
  return Math.max(0, ...series.entries.map((e) => e.day));
}

/** The dates of each routine of a series that begins on a day, the routine that comes first before the others. */
export function seriesDates(
  series: Pick<SeriesDefinition, 'entries'>,
  start: PlainDate,
): { readonly routineId: string; readonly dates: readonly PlainDate[] }[] {
  const out = new Map<string, PlainDate[]>();
  for (const { day, routineId } of inDays(series.entries))
    out.set(routineId, [...(out.get(routineId) ?? []), addDays(start, day - 1)]);
  return [...out].map(([routineId, dates]) => ({ routineId, dates }));
}

/** The same days again, right after the last: a week becomes two. */
export function repeatedSeries(entries: readonly SeriesEntry[]): SeriesEntry[] {
  const length = seriesLength({ entries });
  return [...entries, ...entries.map((e) => ({ ...e, day: e.day + length }))].filter(
    (e) => e.day <= SERIES_BOUNDS.days,
  );
}

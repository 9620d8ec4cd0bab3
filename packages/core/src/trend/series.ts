import { CoreError } from '../errors.js';
import type { ResultError } from '../measuring/error.js';
import { daysBetween, type PlainDate } from '../schedule/plain-date.js';

/** One result of a test and side on a day. Value and error in the unit of the test. */
export interface DatedResult extends ResultError {
  readonly date: PlainDate;
  readonly value: number;
}

/** Results below this many different dates make no trend: points and a plain first-to-last change only (domain 2.3). */
export const DATES_FOR_TREND = 5;

/**
 * Results in the order of their dates, one a date: several of a day are averaged (weights 1/SEM² when all have an error), since they
 * are readings of one state.
 * @throws CoreError `invalid-series` when a value or an error is no number, or an error is negative
 */
export function byDate(results: readonly DatedResult[]): DatedResult[] {
  const bad = results.some((r) => !Number.isFinite(r.value) || !Number.isFinite(r.sem) || r.sem < 0);
  if (bad) throw new CoreError('invalid-series', { code: 'result-without-error', args: {} });
  const days = new Map<PlainDate, DatedResult[]>();
  for (const r of results) days.set(r.date, [...(days.get(r.date) ?? []), r]);
  return [...days.entries()]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([date, same]) => {
      if (same.length === 1) return same[0]!;
      const weights = same.map((r) => (same.every((s) => s.sem > 0) ? 1 / r.sem ** 2 : 1));
      const total = weights.reduce((a, b) => a + b, 0);
      const value = same.reduce((sum, r, i) => sum + r.value * weights[i]!, 0) / total;
      return { date, value, sem: Math.min(...same.map((r) => r.sem)) };
    });
}

/** Days since the first result, for each. */
export function daysSinceFirst(series: readonly DatedResult[]): number[] {
  return series.map((r) => daysBetween(series[0]!.date, r.date));
}

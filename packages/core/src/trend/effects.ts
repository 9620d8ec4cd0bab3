import { changeBetween, type Change } from '../measuring/change.js';
import type { Better } from '../catalogue/rom-test.js';
import { daysBetween, type PlainDate } from '../schedule/plain-date.js';
import { CoreError } from '../errors.js';
import type { DatedResult } from './series.js';

/** A break shorter than this is no break (domain 2.3). */
export const BREAK_DAYS = 14;

/**
 * What one session did: after − before of a quick check on the same day. Cold before and warm after is the point here, so it is no
 * warning; the effect fades within the hour or the day and is never added to a trend.
 */
export function withinSessionEffect(
  before: Omit<DatedResult, 'date'>,
  after: Omit<DatedResult, 'date'>,
  better: Better,
): Change {
  return changeBetween(before.value, after.value, better, [before, after]);
}

/** What was kept over a break. Gains in the unit of the test, + is freer. */
export interface Retention {
  readonly gain: number;
  readonly kept: number;
  /** kept / gain. Below 0 when less than the start is left. */
  readonly share: number;
  readonly breakDays: number;
}

/**
 * How much of a gain is left after a break of two weeks or more without logs. Null when the break is shorter, or when the gain before it
 * was not more than measurement error: what was never there cannot be kept.
 * @param lastLog day of the last logged session before the break
 * @throws CoreError `invalid-series` when the three results are not in the order of their dates
 */
export function retention(
  baseline: DatedResult,
  before: DatedResult,
  after: DatedResult,
  lastLog: PlainDate,
  better: Better,
): Retention | null {
  if (!(baseline.date < before.date && before.date < after.date))
    throw new CoreError('invalid-series', { code: 'retention-order', args: {} });
  const breakDays = daysBetween(lastLog, after.date);
  if (breakDays < BREAK_DAYS) return null;
  const change = changeBetween(baseline.value, before.value, better, [baseline, before]);
  if (change.class !== 'improved') return null;
  const kept = changeBetween(baseline.value, after.value, better, [baseline, after]).gain;
  return { gain: change.gain, kept, share: kept / change.gain, breakDays };
}

/** What one session did, on its day. */
export interface SessionEffect extends Change {
  readonly date: PlainDate;
}

/**
 * The effect of the newest session that was measured before and after; null when there is none.
 * @param all results of one test and side, warm ones too, by date and in the order of the day
 */
export function latestSessionEffect(all: readonly DatedResult[], better: Better): SessionEffect | null {
  for (const date of [...new Set(all.map((r) => r.date))].reverse()) {
    const same = all.filter((r) => r.date === date);
    const [before, after] = [same[0]!, same.at(-1)!];
    if (before !== after) return { date, ...withinSessionEffect(before, after, better) };
  }
  return null;
}

/**
 * What the last break of two weeks or more left of a gain; null when there was no break, or no real gain before it.
 * @param results of one test and side, by date
 * @param sessions days of logged sessions
 */
export function lastRetention(
  results: readonly DatedResult[],
  sessions: readonly PlainDate[],
  better: Better,
): Retention | null {
  const [baseline] = results;
  if (!baseline) return null;
  const days = [...sessions].sort();
  for (const last of [...days].reverse()) {
    const before = results.findLast((r) => r.date <= last && r.date > baseline.date);
    const next = days.find((d) => d > last);
    const after = results.find((r) => r.date > last && (!next || r.date <= next));
    const kept = before && after ? retention(baseline, before, after, last, better) : null;
    if (kept) return kept;
  }
  return null;
}

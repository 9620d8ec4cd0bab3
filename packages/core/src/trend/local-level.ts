import { Z95 } from '../math/measurement-error.js';
import { CoreError } from '../errors.js';
import { byDate, daysSinceFirst, type DatedResult } from './series.js';
import type { PlainDate } from '../schedule/plain-date.js';

/** The true value behind the readings of a day, as far as it can be told. Unit of the test. */
export interface LevelPoint {
  readonly date: PlainDate;
  readonly level: number;
  readonly low: number;
  readonly high: number;
}

/** Mean and variance of the true value on each date. */
interface Levels {
  readonly logLikelihood: number;
  readonly level: readonly number[];
  readonly variance: readonly number[];
}

/** A smoothed line needs results on this many days. */
const LEAST_DAYS = 3;

/** A body drifts no further in a week than so many errors of its test (root mean square). Common practice, no source; see docs/calibration.md. */
const MOST_DRIFT = 1.5;

/** Drifts tried between none and the most. */
const DRIFTS = 16;

/**
 * Local-level model on irregular dates: reading = true value + error (variance SEM², known), true value a random walk with variance `q` a day
 * (diffuse start: the first reading does not count in the likelihood). True values by the fixed-interval smoother.
 * Source: Durbin J, Koopman SJ, Time Series Analysis by State Space Methods, ch. 2 (from memory; checked against their Nile example).
 * @param series oldest first, one a date
 */
export function levelsAtDrift(series: readonly DatedResult[], q: number): Levels {
  const days = daysSinceFirst(series);
  const level = [series[0]!.value];
  const variance = [series[0]!.sem ** 2];
  const predicted = [Infinity];
  let logLikelihood = 0;
  for (let i = 1; i < series.length; i++) {
    const before = variance[i - 1]! + q * (days[i]! - days[i - 1]!);
    const f = before + series[i]!.sem ** 2;
    const v = series[i]!.value - level[i - 1]!;
    const gain = before / f;
    logLikelihood -= 0.5 * (Math.log(2 * Math.PI * f) + (v * v) / f);
    level.push(level[i - 1]! + gain * v);
    variance.push(before * (1 - gain));
    predicted.push(before);
  }
  for (let i = series.length - 2; i >= 0; i--) {
    const next = predicted[i + 1]!;
    const gain = variance[i]! / next;
    level[i] = level[i]! + gain * (level[i + 1]! - level[i]!);
    variance[i] = variance[i]! + gain * gain * (variance[i + 1]! - next);
  }
  return { logLikelihood, level, variance };
}

/**
 * The smoothed course with its 95 % band: {@link levelsAtDrift} averaged over all drifts from none to {@link MOST_DRIFT} errors a week, each
 * weighed by its likelihood. A single most likely drift is nought in half of all short series; its band then holds the true value of the last
 * date in 82 of 100 instead of 95.
 * @throws CoreError `invalid-series` for fewer than 3 dates or an error of 0
 */
export function localLevel(results: readonly DatedResult[]): LevelPoint[] {
  const series = byDate(results);
  if (series.length < LEAST_DAYS)
    throw new CoreError('invalid-series', { code: 'smoothing-needs-days', args: { days: LEAST_DAYS } });
  if (series.some((r) => r.sem <= 0)) throw new CoreError('invalid-series', { code: 'result-without-error', args: {} });
  const error = Math.sqrt(series.reduce((sum, r) => sum + r.sem ** 2, 0) / series.length);
  const tried = Array.from({ length: DRIFTS + 1 }, (_, i) => {
    const weekly = (MOST_DRIFT * error * i) / DRIFTS;
    return levelsAtDrift(series, weekly ** 2 / 7);
  });
  const best = Math.max(...tried.map((t) => t.logLikelihood));
  const weights = tried.map((t) => Math.exp(t.logLikelihood - best));
  const total = weights.reduce((a, b) => a + b, 0);
  const average = (of: (t: Levels) => number): number =>
    tried.reduce((sum, t, i) => sum + weights[i]! * of(t), 0) / total;
  return series.map(({ date }, i) => {
    const level = average((t) => t.level[i]!);
    const half = Z95 * Math.sqrt(average((t) => t.variance[i]! + (t.level[i]! - level) ** 2));
    return { date, level, low: level - half, high: level + half };
  });
}

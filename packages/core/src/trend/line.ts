import { CoreError } from '../errors.js';
import type { ResultError } from '../measuring/error.js';
import { daysSinceFirst, type DatedResult } from './series.js';

/** A straight course through results whose errors are known. Days and the unit of the test. */
export interface Line {
  /** Day at which level and slope say nothing of each other: the weighted middle of the days. */
  readonly centre: number;
  /** Level at the centre, and its variance. */
  readonly level: number;
  readonly levelVariance: number;
  /** Change per day, and its variance. */
  readonly slope: number;
  readonly slopeVariance: number;
  /** Variance of the results about the line beyond their errors; 0 where the errors explain them. */
  readonly process: number;
}

interface Fit extends Omit<Line, 'process'> {
  /** Sum of the weighted squares left over, and what of a variance of 1 it would show. */
  readonly left: number;
  readonly shows: number;
}

const valuesOf = (series: readonly DatedResult[]): number[] => series.map((r) => r.value);

function fit(days: readonly number[], y: readonly number[], weights: readonly number[]): Fit {
  const sum = (of: (i: number) => number): number => days.reduce((total, _, i) => total + of(i), 0);
  const total = sum((i) => weights[i]!);
  const centre = sum((i) => weights[i]! * days[i]!) / total;
  const level = sum((i) => weights[i]! * y[i]!) / total;
  const across = sum((i) => weights[i]! * (days[i]! - centre) ** 2);
  if (!(across > 0)) throw new CoreError('invalid-series', { code: 'slope-needs-days', args: {} });
  const slope = sum((i) => weights[i]! * (days[i]! - centre) * y[i]!) / across;
  const squared = sum((i) => weights[i]! ** 2);
  const squaredAcross = sum((i) => weights[i]! ** 2 * (days[i]! - centre) ** 2);
  return {
    centre,
    level,
    levelVariance: 1 / total,
    slope,
    slopeVariance: 1 / across,
    left: sum((i) => weights[i]! * (y[i]! - level - slope * (days[i]! - centre)) ** 2),
    shows: total - squared / total - squaredAcross / across,
  };
}

const weightsOf = (errors: readonly ResultError[]): number[] => errors.map((e) => 1 / e.sem ** 2);

/**
 * Weighted least squares with the known errors of the results (weights 1/SEM²).
 * @param series oldest first, at least two different days; days count from the first
 * @throws CoreError `invalid-series` for one day only, or an error of 0
 */
export function lineThrough(series: readonly DatedResult[], errors: readonly ResultError[] = series): Line {
  if (errors.some((e) => e.sem <= 0)) throw new CoreError('invalid-series', { code: 'result-without-error', args: {} });
  const { left: _, shows: __, ...line } = fit(daysSinceFirst(series), valuesOf(series), weightsOf(errors));
  return { ...line, process: 0 };
}

/**
 * As {@link lineThrough}, with what the errors leave unexplained as a variance of its own: by moments, as a meta-analysis takes the variance
 * between studies (DerSimonian R, Laird N 1986, Control Clin Trials 7:177-188, from memory), about a line in place of a mean.
 */
export function lineWithProcess(series: readonly DatedResult[]): Line {
  const known = lineThrough(series);
  const { left, shows } = fit(daysSinceFirst(series), valuesOf(series), weightsOf(series));
  const process = shows > 0 ? Math.max(0, (left - (series.length - 2)) / shows) : 0;
  if (process === 0) return known;
  const wider = series.map((e) => ({ sem: Math.sqrt(e.sem ** 2 + process) }));
  return { ...lineThrough(series, wider), process };
}

/** Level of a line on a day. */
export function levelAt(line: Line, day: number): number {
  return line.level + line.slope * (day - line.centre);
}

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

export interface LocalLevel {
  /** Variance of the true value per day, by maximum likelihood. */
  readonly q: number;
  readonly logLikelihood: number;
  readonly points: readonly LevelPoint[];
}

interface Step {
  readonly level: number;
  readonly variance: number;
  readonly predicted: number;
}

/** A smoothed line needs results on this many days. */
const LEAST_DAYS = 3;

/** Forward pass. The first value starts it: a flat prior gives level y₁ with the variance of its error. */
function filter(days: readonly number[], y: readonly number[], h: readonly number[], q: number) {
  const steps: Step[] = [{ level: y[0]!, variance: h[0]!, predicted: Infinity }];
  let logLikelihood = 0;
  for (let i = 1; i < y.length; i++) {
    const before = steps[i - 1]!;
    const predicted = before.variance + q * (days[i]! - days[i - 1]!);
    const f = predicted + h[i]!;
    const v = y[i]! - before.level;
    const gain = predicted / f;
    logLikelihood -= 0.5 * (Math.log(2 * Math.PI * f) + (v * v) / f);
    steps.push({ level: before.level + gain * v, variance: predicted * (1 - gain), predicted });
  }
  return { steps, logLikelihood };
}

/** Where a function of one variable is largest between two bounds: a grid first (it may have several tops), then golden section. */
function argmax(f: (x: number) => number, from: number, to: number): number {
  const GRID = 60;
  const at = (i: number) => from + ((to - from) * i) / GRID;
  let best = 0;
  for (let i = 1; i <= GRID; i++) if (f(at(i)) > f(at(best))) best = i;
  let a = at(Math.max(0, best - 1));
  let b = at(Math.min(GRID, best + 1));
  const golden = (Math.sqrt(5) - 1) / 2;
  while (b - a > 1e-7) {
    const c = b - golden * (b - a);
    const d = a + golden * (b - a);
    if (f(c) > f(d)) b = d;
    else a = c;
  }
  return (a + b) / 2;
}

/**
 * Local-level model on irregular dates: reading = true value + error (variance SEM², known), true value a random walk with variance
 * q·Δt. q by maximum likelihood (diffuse start: the first reading does not count), the true values by the fixed-interval smoother, with
 * 95 % bands that take q as known.
 * Source: Durbin J, Koopman SJ, Time Series Analysis by State Space Methods, ch. 2 (from memory; checked against their Nile example).
 * @throws CoreError `invalid-series` for fewer than 3 dates or an error of 0
 */
export function localLevel(results: readonly DatedResult[]): LocalLevel {
  const series = byDate(results);
  if (series.length < LEAST_DAYS)
    throw new CoreError('invalid-series', { code: 'smoothing-needs-days', args: { days: LEAST_DAYS } });
  if (series.some((r) => r.sem <= 0)) throw new CoreError('invalid-series', { code: 'result-without-error', args: {} });
  const days = daysSinceFirst(series);
  const y = series.map((r) => r.value);
  const h = series.map((r) => r.sem ** 2);
  const scale = h.reduce((a, b) => a + b, 0) / h.length;
  const likelihood = (q: number) => filter(days, y, h, q).logLikelihood;
  const fitted = scale * Math.exp(argmax((e) => likelihood(scale * Math.exp(e)), -16, 8));
  const q = likelihood(0) >= likelihood(fitted) ? 0 : fitted;
  const { steps, logLikelihood } = filter(days, y, h, q);

  let level = steps.at(-1)!.level;
  let variance = steps.at(-1)!.variance;
  const points: LevelPoint[] = [];
  for (let i = series.length - 1; i >= 0; i--) {
    if (i < series.length - 1) {
      const here = steps[i]!;
      const next = steps[i + 1]!.predicted;
      const gain = here.variance / next;
      level = here.level + gain * (level - here.level);
      variance = here.variance + gain * gain * (variance - next);
    }
    const half = Z95 * Math.sqrt(variance);
    points.unshift({ date: series[i]!.date, level, low: level - half, high: level + half });
  }
  return { q, logLikelihood, points };
}

import type { Anova } from './anova.js';
import { fQuantile } from '../../math/quantiles.js';

/** Forms as Shrout & Fleiss name them: model, then 1 for a single measurement or k for the mean of k. */
export type IccForm = '1,1' | '2,1' | '3,1' | '1,k' | '2,k' | '3,k';

/** The forms in the order in which a screen shows them: those a coach needs first. */
export const ICC_FORMS: readonly IccForm[] = ['2,1', '3,1', '1,1', '2,k', '3,k', '1,k'];

/** An estimate with its two-sided interval. */
export interface Estimate {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** Why an estimate has no interval: the clients differ no more than the measurements, or the F distribution has too few degrees of freedom. */
export type NoInterval = 'no-spread-between-clients' | 'too-few-degrees';

/** A reliability, and its interval where there is one. All between −1 and 1: an estimate below −1 says no more than −1. */
export interface IccEstimate {
  readonly value: number;
  readonly interval: { readonly low: number; readonly high: number } | null;
  readonly why: NoInterval | null;
}

const bounded = (x: number): number => Math.max(-1, x);

/** An interval is one only where it is made of numbers and holds its estimate; the F-based formulas leave that with few clients. */
function estimate(value: number, low: number, high: number): IccEstimate {
  const sound = Number.isFinite(high) && !Number.isNaN(low) && low <= value && value <= high && high <= 1;
  if (sound) return { value: bounded(value), interval: { low: bounded(low), high: bounded(high) }, why: null };
  return { value: bounded(value), interval: null, why: value <= 0 ? 'no-spread-between-clients' : 'too-few-degrees' };
}

/** Mean-of-k reliability from that of a single measurement (Spearman-Brown). */
const stepUp = (icc: number, k: number): number => {
  const below = 1 + (k - 1) * icc;
  return below > 0 ? (k * icc) / below : -Infinity;
};

/**
 * Intraclass correlation with its F-based interval.
 *
 * Source: Shrout & Fleiss 1979, Psychol Bull 86:420-428: estimates, and intervals for the one-way form, the two-way form with
 * Satterthwaite's degrees of freedom, and the fixed form (formulas from memory, checked against the printed example).
 * Estimates may be negative; with few clients there may be no interval (5 of 10 studies of five clients with a reliability near 0).
 * @param confidence two-sided, 0.95 by default
 */
export function icc(a: Anova, form: IccForm, confidence = 0.95): IccEstimate {
  const { n, k, bms, wms, jms, ems } = a;
  const p = 1 - (1 - confidence) / 2;
  const df = n - 1;
  if (form === '1,1' || form === '1,k') {
    const f = bms / wms;
    const low = f / fQuantile(p, df, n * (k - 1));
    const high = f * fQuantile(p, n * (k - 1), df);
    const single = (x: number) => (x - 1) / (x + k - 1);
    return form === '1,1'
      ? estimate(single(f), single(low), single(high))
      : estimate(1 - 1 / f, 1 - 1 / low, 1 - 1 / high);
  }
  if (form === '3,1' || form === '3,k') {
    const f = bms / ems;
    const low = f / fQuantile(p, df, df * (k - 1));
    const high = f * fQuantile(p, df * (k - 1), df);
    const single = (x: number) => (x - 1) / (x + k - 1);
    return form === '3,1'
      ? estimate(single(f), single(low), single(high))
      : estimate(1 - 1 / f, 1 - 1 / low, 1 - 1 / high);
  }
  const value = (bms - ems) / (bms + (k - 1) * ems + (k * (jms - ems)) / n);
  const fj = jms / ems;
  const numerator = df * (k - 1) * (k * value * fj + n * (1 + (k - 1) * value) - k * value) ** 2;
  const denominator = df * k ** 2 * value ** 2 * fj ** 2 + (n * (1 + (k - 1) * value) - k * value) ** 2;
  const v = numerator / denominator;
  const fLow = fQuantile(p, df, v);
  const fHigh = fQuantile(p, v, df);
  const low = (n * (bms - fLow * ems)) / (fLow * (k * jms + (k * n - k - n) * ems) + n * bms);
  const high = (n * (fHigh * bms - ems)) / (k * jms + (k * n - k - n) * ems + n * fHigh * bms);
  const single = estimate(value, low, high);
  if (form === '2,1') return single;
  // Where the clients differ less than the measurements nothing is left to divide by.
  const spread = bms + (jms - ems) / n;
  const mean = spread > 0 ? (bms - ems) / spread : -1;
  const { interval, why } = single;
  if (!interval) return { value: bounded(mean), interval, why };
  return estimate(mean, stepUp(interval.low, k), stepUp(interval.high, k));
}

/**
 * Words for a reliability (Koo TK, Li MY 2016, J Chiropr Med 15:155-163; from memory).
 * @example iccLabel(0.8) // 'good'
 */
export function iccLabel(value: number): 'poor' | 'moderate' | 'good' | 'excellent' {
  if (value < 0.5) return 'poor';
  if (value < 0.75) return 'moderate';
  return value <= 0.9 ? 'good' : 'excellent';
}

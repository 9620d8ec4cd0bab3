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

/** Mean-of-k reliability from that of a single measurement (Spearman-Brown). */
const stepUp = (icc: number, k: number): number => (k * icc) / (1 + (k - 1) * icc);

/**
 * Intraclass correlation with its F-based interval.
 *
 * Source: Shrout & Fleiss 1979, Psychol Bull 86:420-428: estimates, and intervals for the one-way form, the two-way form with
 * Satterthwaite's degrees of freedom, and the fixed form (formulas from memory, checked against the printed example).
 * Estimates may be negative; they are reported as they are.
 * @param confidence two-sided, 0.95 by default
 */
export function icc(a: Anova, form: IccForm, confidence = 0.95): Estimate {
  const { n, k, bms, wms, jms, ems } = a;
  const p = 1 - (1 - confidence) / 2;
  const df = n - 1;
  if (form === '1,1' || form === '1,k') {
    const f = bms / wms;
    const low = f / fQuantile(p, df, n * (k - 1));
    const high = f * fQuantile(p, n * (k - 1), df);
    const single = (x: number) => (x - 1) / (x + k - 1);
    return form === '1,1'
      ? { value: single(f), low: single(low), high: single(high) }
      : { value: 1 - 1 / f, low: 1 - 1 / low, high: 1 - 1 / high };
  }
  if (form === '3,1' || form === '3,k') {
    const f = bms / ems;
    const low = f / fQuantile(p, df, df * (k - 1));
    const high = f * fQuantile(p, df * (k - 1), df);
    const single = (x: number) => (x - 1) / (x + k - 1);
    return form === '3,1'
      ? { value: single(f), low: single(low), high: single(high) }
      : { value: 1 - 1 / f, low: 1 - 1 / low, high: 1 - 1 / high };
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
  if (form === '2,1') return { value, low, high };
  return {
    value: (bms - ems) / (bms + (jms - ems) / n),
    low: stepUp(low, k),
    high: stepUp(high, k),
  };
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

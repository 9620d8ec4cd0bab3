import { normalCdf } from '../math/normal.js';
import { chanceOfS, groupSizes } from './rank-distribution.js';

/** Below so many dates ranks are counted out instead of taken as normal (domain 2.3). */
export const EXACT_BELOW = 10;

/** Whether values rise or fall with time at all, whatever the shape. */
export interface MannKendall {
  /** Rising pairs minus falling pairs. */
  readonly s: number;
  readonly variance: number;
  /** Normal score with continuity correction; 0 when s is 0. */
  readonly z: number;
  /** Two-sided probability of so strong a trend by chance: exact below ten dates, by the normal from there. */
  readonly p: number;
}

const tieSizes = (xs: readonly number[]): number[] => groupSizes(xs).filter((t) => t > 1);

/**
 * Variance of S under no trend, corrected for ties in either variable:
 * n(n−1)(2n+5)/18 − Σ t(t−1)(2t+5)/18 over the ties of x and of y, plus the two products for ties in both.
 * Source: Kendall MG, Rank Correlation Methods (from memory; without ties in x it is the textbook form).
 * @example varianceOfS([1, 2, 3, 4], [5, 6, 7, 8]) // 8.667
 */
export function varianceOfS(x: readonly number[], y: readonly number[]): number {
  const n = x.length;
  const tx = tieSizes(x);
  const ty = tieSizes(y);
  const sum = (ts: readonly number[], f: (t: number) => number) => ts.reduce((a, t) => a + f(t), 0);
  const five = (t: number) => t * (t - 1) * (2 * t + 5);
  const three = (t: number) => t * (t - 1) * (t - 2);
  const two = (t: number) => t * (t - 1);
  let v = (five(n) - sum(tx, five) - sum(ty, five)) / 18;
  if (n > 2) v += (sum(tx, three) * sum(ty, three)) / (9 * three(n));
  if (n > 1) v += (sum(tx, two) * sum(ty, two)) / (2 * two(n));
  return v;
}

/** True where S is counted out: few dates, all different. */
export function isExact(x: readonly number[]): boolean {
  return x.length < EXACT_BELOW && tieSizes(x).length === 0;
}

/**
 * Mann-Kendall test for a monotonic trend: the exact distribution of S below ten dates, with ties; from there the normal one with tie and
 * continuity correction.
 * Source: Helsel DR, Hirsch RM, Statistical Methods in Water Resources (from memory).
 * @example mannKendall([1, 2, 3, 4], [1, 3, 2, 4]).s // 4
 */
export function mannKendall(x: readonly number[], y: readonly number[]): MannKendall {
  let s = 0;
  for (let i = 0; i < x.length; i++)
    for (let j = i + 1; j < x.length; j++) s += Math.sign(x[j]! - x[i]!) * Math.sign(y[j]! - y[i]!);
  const variance = varianceOfS(x, y);
  const z = s === 0 || variance <= 0 ? 0 : (s - Math.sign(s)) / Math.sqrt(variance);
  const p = isExact(x) ? 2 * chanceOfS(Math.abs(s), groupSizes(y)) : 2 * (1 - normalCdf(Math.abs(z)));
  return { s, variance, z, p: Math.min(1, p) };
}

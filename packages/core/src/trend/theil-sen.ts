import { medianSorted } from 'simple-statistics';
import { CoreError } from '../errors.js';
import { isExact, varianceOfS } from './mann-kendall.js';
import { chanceOfS } from './rank-distribution.js';

/** 97.5 % point of the standard normal. */
const POINT = 1.959964;

/** A line through points that one odd reading cannot bend. Slope in y units per x unit. */
export interface TheilSen {
  readonly slope: number;
  readonly intercept: number;
  /** Sen's 95 % interval of the slope. */
  readonly low: number;
  readonly high: number;
}

const ascending = (xs: readonly number[]): number[] => [...xs].sort((a, b) => a - b);

/**
 * How far S may come from 0 by chance 95 times in 100. Below ten dates counted out, as if no two values were equal: the interval is made of
 * slopes at which none are.
 */
function reachOfS(x: readonly number[], y: readonly number[]): number {
  if (!isExact(x)) return POINT * Math.sqrt(varianceOfS(x, y));
  const apart = x.map(() => 1);
  const pairs = (x.length * (x.length - 1)) / 2;
  let s = pairs;
  // S moves in steps of two; the last step at which the tail still holds no more than 2.5 %.
  while (s - 2 > 0 && chanceOfS(s - 2, apart) <= 0.025) s -= 2;
  return s - 2;
}

/**
 * Theil-Sen slope: the median of the slopes between all pairs with different x; intercept median(y) − slope·median(x).
 * Interval: the slopes of rank (N − C)/2 and (N + C)/2 + 1, with C from the exact distribution of S below ten dates, z·σ from there. Four
 * dates make no 95 % interval; then it is the whole range of slopes.
 * Source: Sen PK 1968, J Am Stat Assoc 63:1379-1389.
 * @throws CoreError `invalid-series` for fewer than two different x
 */
export function theilSen(x: readonly number[], y: readonly number[]): TheilSen {
  const slopes: number[] = [];
  for (let i = 0; i < x.length; i++)
    for (let j = i + 1; j < x.length; j++) if (x[i] !== x[j]) slopes.push((y[j]! - y[i]!) / (x[j]! - x[i]!));
  if (slopes.length === 0) throw new CoreError('invalid-series', { code: 'slope-needs-days', args: {} });
  const sorted = ascending(slopes);
  const slope = medianSorted(sorted);
  const reach = reachOfS(x, y);
  const n = sorted.length;
  const low = Math.max(0, Math.round((n - reach) / 2) - 1);
  const high = Math.min(n - 1, Math.round((n + reach) / 2));
  return {
    slope,
    intercept: medianSorted(ascending(y)) - slope * medianSorted(ascending(x)),
    low: sorted[low]!,
    high: sorted[high]!,
  };
}

import { medianSorted } from 'simple-statistics';
import { CoreError } from '../errors.js';
import { varianceOfS } from './mann-kendall.js';

/** Two-sided points of the standard normal. */
const POINT = { 0.95: 1.959964, 0.9: 1.644854 } as const;

/** A line through points that one odd reading cannot bend. Slope in y units per x unit. */
export interface TheilSen {
  readonly slope: number;
  readonly intercept: number;
  /** Sen's interval of the slope. */
  readonly low: number;
  readonly high: number;
}

const ascending = (xs: readonly number[]): number[] => [...xs].sort((a, b) => a - b);

/**
 * Theil-Sen slope: the median of the slopes between all pairs with different x; intercept median(y) − slope·median(x).
 * Interval: the slopes of rank (N − z·σ)/2 and (N + z·σ)/2 + 1, σ² = Var(S) of Mann and Kendall.
 * Source: Sen PK 1968, J Am Stat Assoc 63:1379-1389.
 * @param confidence two-sided, 0.95 by default
 * @throws CoreError `invalid-series` for fewer than two different x
 */
export function theilSen(x: readonly number[], y: readonly number[], confidence: keyof typeof POINT = 0.95): TheilSen {
  const slopes: number[] = [];
  for (let i = 0; i < x.length; i++)
    for (let j = i + 1; j < x.length; j++) if (x[i] !== x[j]) slopes.push((y[j]! - y[i]!) / (x[j]! - x[i]!));
  if (slopes.length === 0) throw new CoreError('invalid-series', { code: 'slope-needs-days', args: {} });
  const sorted = ascending(slopes);
  const slope = medianSorted(sorted);
  const reach = POINT[confidence] * Math.sqrt(varianceOfS(x, y));
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

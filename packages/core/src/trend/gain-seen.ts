import { smallestGainSeen, type ResultError } from '../measuring/error.js';
import { daysBetween, type PlainDate } from '../schedule/plain-date.js';

/**
 * The smallest steady gain over some weeks that a line through results of these dates shows four times in five: 2.8 × the standard error of its
 * slope × the days. From two dates at both ends it is the gain that one result shows against the other. Null below two different dates.
 * @param days length of the weeks that the gain is about
 * @example gainSeenOver(['2026-03-09', '2026-05-04'], 56, { sem: 3 }) // 11.88
 * Source: least squares with a known error, Var(slope) = SEM² / Σ(t − t̄)²; 2.8 = 1.96 + 0.84 (domain 2.2).
 */
export function gainSeenOver(dates: readonly PlainDate[], days: number, error: ResultError): number | null {
  const first = [...dates].sort()[0];
  if (first === undefined) return null;
  const t = [...new Set(dates)].map((d) => daysBetween(first, d));
  const mean = t.reduce((a, b) => a + b, 0) / t.length;
  const across = t.reduce((sum, x) => sum + (x - mean) ** 2, 0);
  // One result against another has √2 errors; the slope has one over the root of the squares.
  return across === 0 ? null : (smallestGainSeen(error) / Math.SQRT2) * (days / Math.sqrt(across));
}

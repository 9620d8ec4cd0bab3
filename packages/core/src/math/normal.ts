// The library ships no types; whoever reads this file needs ours.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="../jstat.d.ts" />
import jstat from 'jstat';

/**
 * Standard normal distribution function Φ(z).
 * @example normalCdf(1.96) // 0.975
 */
export function normalCdf(z: number): number {
  return jstat.normal.cdf(z, 0, 1);
}

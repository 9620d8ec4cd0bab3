// The library ships no types; whoever reads this file needs ours.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="../jstat.d.ts" />
import jstat from 'jstat';

/** Value below which a share p of the F distribution lies. */
export function fQuantile(p: number, df1: number, df2: number): number {
  return jstat.centralF.inv(p, df1, df2);
}

/** Value below which a share p of the χ² distribution lies. */
export function chiSquareQuantile(p: number, df: number): number {
  return jstat.chisquare.inv(p, df);
}

/** Value below which a share p of Student's t distribution lies. */
export function tQuantile(p: number, df: number): number {
  return jstat.studentt.inv(p, df);
}

/** Share of Student's t distribution below a value. */
export function tCdf(t: number, df: number): number {
  return jstat.studentt.cdf(t, df);
}

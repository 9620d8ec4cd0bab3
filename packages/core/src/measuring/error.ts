import { CoreError } from '../errors.js';
import { assertSem, Z90, Z95 } from '../math/measurement-error.js';
import { normalCdf } from '../math/normal.js';
import { tCdf, tQuantile } from '../math/quantiles.js';
import type { RomTest } from '../catalogue/rom-test.js';
import type { RomResult } from './result.js';

/** How far a result may lie from the truth. */
export interface ResultError {
  /** Standard error of measurement, in the unit of the test. */
  readonly sem: number;
  /** Degrees of freedom of the study that the error was estimated in; left out or null where the error is taken as known. */
  readonly df?: number | null;
}

/** The parts of a test that say how well it measures. */
export type ErrorRule = Pick<RomTest, 'error' | 'resolution'>;

/** Readings behind a result where the source of an error does not say: the house's usual two. Common practice, no source. */
const USUAL_READINGS = 2;

/** A tolerance of two readings is 1.96·√2 times the error of one of them: two of the same state differ by more one time in twenty. */
const TOLERANCES_IN_ERROR = 2.77;

/** Variance of the median of normal values against that of their mean. */
const MEDIAN_LOSS = Math.PI / 2;

/**
 * The usual error of a result of a test: the test-retest SEM, but never finer than the instrument can show (resolution/√12, the SD of
 * rounding). A published test-retest SEM already contains the session part and is not divided by √k.
 * @example resultSem({ error: { sem: 0.2 }, resolution: 1 }) // 0.29
 */
export function resultSem(test: ErrorRule): number {
  assertSem(test.error.sem);
  return Math.max(test.error.sem, test.resolution / Math.sqrt(12));
}

/** The usual error of a test with what is known of how it was found. */
export function usualError(test: ErrorRule): ResultError {
  return { sem: resultSem(test), df: test.error.df ?? null };
}

/** Variance of the readings' part in a result, unit squared. */
function readingVariance(
  { readings, used, steadiness }: Pick<RomResult, 'readings' | 'used' | 'steadiness'>,
  rule: Pick<RomTest, 'repeatTolerance' | 'valueRule'>,
): number {
  const one = (rule.repeatTolerance / TOLERANCES_IN_ERROR) ** 2;
  if (steadiness === 'single' || (rule.valueRule === 'best' && steadiness !== 'repeatable')) return one;
  if (rule.valueRule === 'best') return one / USUAL_READINGS;
  if (steadiness === 'repeatable') return one / used.length;
  // Readings that do not agree show an error of their own.
  const middle = readings.reduce((a, b) => a + b, 0) / readings.length;
  const seen = readings.reduce((sum, x) => sum + (x - middle) ** 2, 0) / (readings.length - 1);
  const spread = Math.max(one, seen);
  return steadiness === 'unsteady' ? (spread * MEDIAN_LOSS) / readings.length : spread / used.length;
}

/**
 * The error of one result: SEM² + σ²(1/k − 1/k₀), with k readings used, k₀ readings behind the SEM of the test and σ the error of one reading
 * (tolerance/2.77; domain 2.10). Readings that disagree carry the spread they show. The rule and σ are common practice, no source.
 * @param result null: the usual error of the test
 * @example errorOf({ error: { sem: 3 }, resolution: 1, repeatTolerance: 5, valueRule: 'mean' }, null).sem // 3
 */
export function errorOf(
  test: ErrorRule & Pick<RomTest, 'repeatTolerance' | 'valueRule'>,
  result: Pick<RomResult, 'readings' | 'used' | 'steadiness'> | null,
): ResultError {
  const usual = usualError(test);
  if (!result) return usual;
  const behind = (test.repeatTolerance / TOLERANCES_IN_ERROR) ** 2 / (test.error.readings ?? USUAL_READINGS);
  const variance = test.error.sem ** 2 + readingVariance(result, test) - behind;
  return { ...usual, sem: Math.sqrt(Math.max(variance, test.resolution ** 2 / 12)) };
}

/** The mean of results of different days: the errors of m days make SEM/√m. @throws CoreError `invalid-series` for none */
export function meanError(errors: readonly ResultError[]): ResultError {
  if (errors.length === 0) throw new CoreError('invalid-series', { code: 'result-without-error', args: {} });
  const variance = errors.reduce((sum, e) => sum + e.sem ** 2, 0) / errors.length ** 2;
  return { sem: Math.sqrt(variance), df: fewestDegrees(errors) };
}

/** Degrees of freedom of the least known of several errors; null when all are known. */
export function fewestDegrees(errors: readonly ResultError[]): number | null {
  const known = errors.flatMap(({ df }) => df ?? []);
  return known.length > 0 ? Math.min(...known) : null;
}

const asError = (e: ResultError | number): ResultError => (typeof e === 'number' ? { sem: e } : e);

/** Standard error of the difference of two results, in the unit of the SEMs, and what is known of it. */
export function differenceError(one: ResultError | number, two: ResultError | number = one): ResultError {
  const [a, b] = [asError(one), asError(two)];
  assertSem(a.sem);
  assertSem(b.sem);
  return { sem: Math.hypot(a.sem, b.sem), df: fewestDegrees([a, b]) };
}

/**
 * Smallest difference between two results that is larger than measurement error 95 times in 100: 1.96·√(SEM₁² + SEM₂²); for errors estimated
 * from few clients Student's t of that study in place of 1.96 (domain 2.2). Unit of the SEMs.
 * Source: Weir 2005 (1.96·√2·SEM when the errors are equal).
 * @example mdc95(3, 4) // 9.8
 */
export function mdc95(one: ResultError | number, two: ResultError | number = one): number {
  const { sem, df } = differenceError(one, two);
  return (df ? tQuantile(0.975, df) : Z95) * sem;
}

/**
 * As {@link mdc95}, 90 times in 100.
 * @example mdc90(3, 4) // 8.225
 */
export function mdc90(one: ResultError | number, two: ResultError | number = one): number {
  const { sem, df } = differenceError(one, two);
  return (df ? tQuantile(0.95, df) : Z90) * sem;
}

/** Chance that the true difference has the sign of one that was seen, 0.5…1. @param difference in the unit of the error */
export function signChance(difference: number, { sem, df }: ResultError): number {
  if (difference === 0) return 0.5;
  if (sem === 0) return 1;
  const z = Math.abs(difference) / sem;
  return df ? tCdf(z, df) : normalCdf(z);
}

/** 97.5 % point of the standard normal plus its 80 % point: a true gain of so many errors is seen four times in five. */
const SEEN_FOUR_IN_FIVE = 2.8;

/**
 * Smallest true gain that is shown as improved four times in five, one result against one: 2.8·√(SEM₁² + SEM₂²). Unit of the SEMs.
 * @example smallestGainSeen(3) // 11.88
 */
export function smallestGainSeen(one: ResultError | number, two: ResultError | number = one): number {
  const { sem, df } = differenceError(one, two);
  return (df ? tQuantile(0.975, df) + SEEN_FOUR_IN_FIVE - Z95 : SEEN_FOUR_IN_FIVE) * sem;
}

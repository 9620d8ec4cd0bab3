import { CoreError } from '../errors.js';
import type { RomTest } from '../catalogue/rom-test.js';

/** 97.5 % point of the standard normal, as the trade rounds it. */
export const Z95 = 1.96;
/** 95 % point of the standard normal, as the trade rounds it. */
export const Z90 = 1.645;

function assertSem(sem: number): void {
  if (!Number.isFinite(sem) || sem < 0)
    throw new CoreError(
      'invalid-error-figure',
      'A measurement error is a number of 0 or more, in the unit of the test.',
    );
}

/**
 * Standard error of measurement from a reliability study: SD·√(1 − ICC), in the unit of `sd`.
 * Source: Weir JP 2005, J Strength Cond Res 19:231-240.
 * @throws CoreError `invalid-error-figure` when sd < 0 or icc is outside 0…1
 */
export function semFromIcc(sd: number, icc: number): number {
  assertSem(sd);
  if (!(icc >= 0 && icc <= 1))
    throw new CoreError('invalid-error-figure', 'A reliability (ICC) for this formula lies between 0 and 1.');
  return sd * Math.sqrt(1 - icc);
}

/**
 * Standard error of measurement from a printed smallest detectable change: MDC95 / (1.96·√2).
 * The inverse of {@link mdc95} for two equal errors.
 */
export function semFromMdc95(mdc: number): number {
  assertSem(mdc);
  return mdc / (Z95 * Math.SQRT2);
}

/**
 * The error of a result of a test: the test-retest SEM, but never finer than the instrument can show (resolution/√12, the SD of
 * rounding). A published test-retest SEM already contains the session part and is not divided by √k.
 */
export function resultSem(test: Pick<RomTest, 'error' | 'resolution'>): number {
  assertSem(test.error.sem);
  return Math.max(test.error.sem, test.resolution / Math.sqrt(12));
}

/**
 * Smallest difference between two results that is larger than measurement error 95 times in 100: 1.96·√(SEM₁² + SEM₂²).
 * Source: Weir 2005 (1.96·√2·SEM when the errors are equal). Unit of the SEMs.
 */
export function mdc95(sem1: number, sem2: number = sem1): number {
  assertSem(sem1);
  assertSem(sem2);
  return Z95 * Math.hypot(sem1, sem2);
}

/** As {@link mdc95}, 90 times in 100. */
export function mdc90(sem1: number, sem2: number = sem1): number {
  assertSem(sem1);
  assertSem(sem2);
  return Z90 * Math.hypot(sem1, sem2);
}

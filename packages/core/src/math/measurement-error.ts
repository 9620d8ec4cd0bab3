import { CoreError } from '../errors.js';

/** 97.5 % point of the standard normal, as the trade rounds it. */
export const Z95 = 1.96;
/** 95 % point of the standard normal, as the trade rounds it. */
export const Z90 = 1.645;

/** @throws CoreError `invalid-error-figure` for anything but a number of 0 or more */
export function assertSem(sem: number): void {
  if (!Number.isFinite(sem) || sem < 0)
    throw new CoreError('invalid-error-figure', { code: 'error-not-a-number', args: {} });
}

/** Half the 95 % interval around one reading or result, in the unit of its error. @example whisker95(2) // 3.92 */
export function whisker95(sem: number): number {
  return Z95 * sem;
}

/**
 * Standard error of measurement from a reliability study: SD·√(1 − ICC), in the unit of `sd`.
 * Source: Weir JP 2005, J Strength Cond Res 19:231-240.
 * @throws CoreError `invalid-error-figure` when sd < 0 or icc is outside 0…1
 * @example semFromIcc(10, 0.91) // 3
 */
export function semFromIcc(sd: number, icc: number): number {
  assertSem(sd);
  if (!(icc >= 0 && icc <= 1)) throw new CoreError('invalid-error-figure', { code: 'reliability-bounds', args: {} });
  return sd * Math.sqrt(1 - icc);
}

/**
 * Standard error of measurement from a printed smallest detectable change: MDC95 / (1.96·√2).
 * The inverse of {@link mdc95} for two equal errors.
 * @example semFromMdc95(8.32) // 3
 */
export function semFromMdc95(mdc: number): number {
  assertSem(mdc);
  return mdc / (Z95 * Math.SQRT2);
}

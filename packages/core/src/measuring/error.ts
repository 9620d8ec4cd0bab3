import { assertSem, Z90, Z95 } from '../math/measurement-error.js';
import type { RomTest } from '../catalogue/rom-test.js';

/**
 * The error of a result of a test: the test-retest SEM, but never finer than the instrument can show (resolution/√12, the SD of
 * rounding). A published test-retest SEM already contains the session part and is not divided by √k.
 * @example resultSem({ error: { sem: 0.2 }, resolution: 1 }) // 0.29
 */
export function resultSem(test: Pick<RomTest, 'error' | 'resolution'>): number {
  assertSem(test.error.sem);
  return Math.max(test.error.sem, test.resolution / Math.sqrt(12));
}

/**
 * Smallest difference between two results that is larger than measurement error 95 times in 100: 1.96·√(SEM₁² + SEM₂²).
 * Source: Weir 2005 (1.96·√2·SEM when the errors are equal). Unit of the SEMs.
 * @example mdc95(3, 4) // 9.8
 */
export function mdc95(sem1: number, sem2: number = sem1): number {
  assertSem(sem1);
  assertSem(sem2);
  return Z95 * Math.hypot(sem1, sem2);
}

/**
 * As {@link mdc95}, 90 times in 100.
 * @example mdc90(3, 4) // 8.225
 */
export function mdc90(sem1: number, sem2: number = sem1): number {
  assertSem(sem1);
  assertSem(sem2);
  return Z90 * Math.hypot(sem1, sem2);
}

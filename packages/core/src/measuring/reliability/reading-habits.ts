import type { ErrorRule } from '../error.js';

/** How one coach has read one test: what the studio's own readings say. */
export interface ReadingHabits {
  /** Readings that stand. */
  readonly readings: number;
  /** Of them taken with the last value shown. */
  readonly seen: number;
  /** How many end on each digit 0 to 9, counted in steps of {@link readStep}. */
  readonly endings: readonly number[];
}

/** The step in which a test is read and its endings are counted: degrees, or millimetres. Null where the instrument is coarser. */
export function readStep({ resolution }: Pick<ErrorRule, 'resolution'>): number | null {
  return resolution === 1 || resolution === 0.1 ? resolution : null;
}

/** Fewer readings say nothing of a habit. Common practice, no source. */
const LEAST_READINGS = 20;

/** 99 % point of the standard normal. */
const CLEARLY = 2.326;

/** Endings on 0 and 5 against what chance makes. */
export interface RoundedEndings {
  readonly found: number;
  /** Two digits of ten. */
  readonly expected: number;
  /** More than chance makes one time in a hundred (normal approximation of the binomial). */
  readonly clearly: boolean;
}

/** Whether readings were rounded to fives; null with too few. */
export function roundedEndings({ endings }: Pick<ReadingHabits, 'endings'>): RoundedEndings | null {
  const all = endings.reduce((a, b) => a + b, 0);
  if (all < LEAST_READINGS) return null;
  const found = endings[0]! + endings[5]!;
  const expected = all / 5;
  return { found, expected, clearly: found - expected > CLEARLY * Math.sqrt(all * 0.2 * 0.8) };
}

/**
 * What an error becomes when readings are rounded to five steps: √(SEM² + (5 steps)²/12), the variance of rounding.
 * @example roundedError(3, 1) // 3.329
 */
export function roundedError(sem: number, step: number): number {
  return Math.hypot(sem, (5 * step) / Math.sqrt(12));
}

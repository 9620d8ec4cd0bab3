import type { Side } from '../anatomy/side.js';
import { mdc95, usualError, type ResultError } from './error.js';
import type { RomTest } from '../catalogue/rom-test.js';

export interface SideDifference {
  /** left − right, in the unit of the test. */
  readonly delta: number;
  /** Difference that measurement error alone can make 95 times in 100. */
  readonly mdc95: number;
  /** What the difference must exceed: the MDC95 or, where it is larger, the test's own threshold. */
  readonly threshold: number;
  /** True when the difference is more than error and more than the test's own threshold. */
  readonly notable: boolean;
  /**
   * The side, or the direction, by which the test is named that moves less freely; null when the values are equal. It says nothing by itself
   * (see `notable`), and not which muscle is tight (see `limitedSide`).
   */
  readonly less: Side | null;
}

/** The parts of a test that a side comparison needs. */
export type SideRule = Pick<RomTest, 'better' | 'error' | 'resolution' | 'sideThreshold'>;

/**
 * Left against right of one test in one assessment (domain rule 2.2).
 * @param left @param right values in the unit of the test
 * @param errors of left and right; the usual error of the test when left out
 */
export function sideDifference(
  left: number,
  right: number,
  rule: SideRule,
  errors: readonly [ResultError, ResultError] = [usualError(rule), usualError(rule)],
): SideDifference {
  const limit = mdc95(errors[0], errors[1]);
  const threshold = Math.max(limit, rule.sideThreshold?.value ?? 0);
  const delta = left - right;
  const leftFreer = rule.better === 'more' ? delta > 0 : delta < 0;
  return {
    delta,
    mdc95: limit,
    threshold,
    notable: Math.abs(delta) > threshold,
    less: delta === 0 ? null : leftFreer ? 'right' : 'left',
  };
}

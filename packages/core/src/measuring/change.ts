import { CoreError } from '../errors.js';
import { differenceError, mdc95, signChance, type ResultError } from './error.js';
import type { Better } from '../catalogue/rom-test.js';

/** What the measurement error allows to say about a change. */
export type ChangeClass = 'improved' | 'no detectable change' | 'worse';

/** Share of comparisons of no change that are called one: what is left outside a 95 % limit. */
const FALSE_CHANGE = 0.05;

/** How many of so many comparisons chance alone calls a change. @example falseChangesExpected(24) // 1.2 */
export function falseChangesExpected(comparisons: number): number {
  return comparisons * FALSE_CHANGE;
}

export interface Change {
  readonly class: ChangeClass;
  /** later − earlier, in the unit of the test; the sign is that of the reading, not of "better". */
  readonly delta: number;
  /** The same, signed so that + is freer. */
  readonly gain: number;
  readonly mdc95: number;
  /** One-sided flat-prior probability that the true change has the sign seen, 0.5…1 (0.975 at the MDC95). */
  readonly probability: number;
}

/**
 * Compares two results of the same test and side.
 *
 * @param errors of the two results, same unit; both 0 only when any difference counts
 * @throws CoreError `invalid-error-figure`, `not-comparable` when a value is no number
 * @example changeBetween(38, 29, 'less', [3, 3]).class // 'improved'
 */
export function changeBetween(
  earlier: number,
  later: number,
  better: Better,
  errors: readonly [ResultError | number, ResultError | number],
): Change {
  if (!Number.isFinite(earlier) || !Number.isFinite(later))
    throw new CoreError('not-comparable', { code: 'value-missing', args: {} });
  const limit = mdc95(errors[0], errors[1]);
  const delta = later - earlier;
  const gain = better === 'more' ? delta : -delta;
  const probability = signChance(delta, differenceError(errors[0], errors[1]));
  const real = Math.abs(delta) > limit;
  return {
    class: !real ? 'no detectable change' : gain > 0 ? 'improved' : 'worse',
    delta,
    gain,
    mdc95: limit,
    probability,
  };
}

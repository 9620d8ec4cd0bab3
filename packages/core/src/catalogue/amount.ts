import { unitOf } from '../technique/catalogue.js';
import { DEFAULT_TIMINGS } from '../technique/timings.js';
import type { Exercise } from './exercise.js';

/** What of an exercise says how much of it makes sense. */
export type Counted = Pick<Exercise, 'amount' | 'technique'>;

/** True for a hold that its coach counts in breaths: it is planned in seconds and said in breaths. */
export function inBreaths({ amount, technique }: Counted): boolean {
  return amount.unit === 'breaths' && unitOf(technique) === 'seconds';
}

/** Bounds of one bout in the unit of the exercise's own technique; a breath of a hold is {@link DEFAULT_TIMINGS}' breath of 5 s. */
export function boundsOf(exercise: Counted): { readonly min: number; readonly max: number } {
  const { min, max } = exercise.amount;
  const each = inBreaths(exercise) ? DEFAULT_TIMINGS.breath : 1;
  return { min: min * each, max: max * each };
}

/** True when the amount is counted in what the technique is counted in, or in breaths where that is seconds. */
export function isCountedRight(exercise: Counted): boolean {
  return exercise.amount.unit === unitOf(exercise.technique) || inBreaths(exercise);
}

/** Whole breaths in the seconds of a hold that is counted in them; null for any other. @param breathSeconds the client's own pace */
export function breathsIn(
  seconds: number,
  exercise: Counted,
  breathSeconds: number = DEFAULT_TIMINGS.breath,
): number | null {
  return inBreaths(exercise) ? Math.max(1, Math.round(seconds / breathSeconds)) : null;
}

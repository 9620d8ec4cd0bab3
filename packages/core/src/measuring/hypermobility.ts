import type { Person } from '../catalogue/reference.js';
import { beighton } from './beighton.js';
import type { MeasuredTest } from './measured-test.js';
import { referenceFor } from './reference.js';

/** Very free tests from which hypermobility is looked at (domain 2.2). Common practice, no source. */
export const VERY_FREE_WARNING = 3;

function isVeryFree({ test, left, right, both }: MeasuredTest, person: Person): boolean {
  const reference = referenceFor(test, person);
  if (reference.kind !== 'band') return false;
  const direction = test.better === 'more' ? 1 : -1;
  return [left, right, both].some((v) => v !== null && direction * (v - reference.centre) > 2 * reference.sd);
}

/** Tests beyond mean + 2 SD on the free side; a test counts once, whether one side or both are, or it has none. */
export function veryFreeTests<T extends MeasuredTest>(measured: readonly T[], person: Person): T[] {
  return measured.filter((m) => isVeryFree(m, person));
}

/**
 * True when three tests are very free, or the Beighton score is high for the age (domain 2.2). The only place that says so.
 * @param items the newest Beighton items; null when they were never looked at
 */
export function isHypermobile(
  measured: readonly MeasuredTest[],
  items: readonly (boolean | null)[] | null,
  person: Person,
): boolean {
  if (veryFreeTests(measured, person).length >= VERY_FREE_WARNING) return true;
  return items !== null && beighton(items, person.age).high;
}

import type { MeasuredTest } from './measured-test.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import type { RomTest } from '../catalogue/rom-test.js';
import { sideDifference } from './side-difference.js';

/** Values of one test, both sides. In the unit of the test. */
export interface SidedValues {
  readonly test: RomTest;
  readonly left: number;
  readonly right: number;
}

/** The tests that speak for both sides. */
export function sidedValues(measured: readonly MeasuredTest[]): SidedValues[] {
  return measured.flatMap(({ test, left, right }) => (left === null || right === null ? [] : [{ test, left, right }]));
}

/**
 * The side of a muscle group that is notably tighter, by the measured test that the group limits most.
 * Null when none was measured or the difference is within error.
 */
export function tighterSide(group: MuscleGroupId, measured: readonly SidedValues[]): Side | null {
  const weight = (m: SidedValues) => m.test.limits.find((l) => l.group === group)?.weight ?? 0;
  const best = [...measured].sort((a, b) => weight(b) - weight(a))[0];
  if (!best || weight(best) === 0) return null;
  const d = sideDifference(best.left, best.right, best.test);
  return d.notable ? d.tighter : null;
}

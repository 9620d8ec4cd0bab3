import type { MeasuredTest } from './measured-test.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { otherSide, type Side } from '../anatomy/side.js';
import type { RomTest, TestLimit } from '../catalogue/rom-test.js';
import { usualError, type ResultError } from './error.js';
import { sideDifference } from './side-difference.js';

/** Values of one test, both sides. In the unit of the test. */
export interface SidedValues {
  readonly test: RomTest;
  readonly left: number;
  readonly right: number;
  /** Errors of left and right; the usual one of the test where left out. */
  readonly errors?: readonly [ResultError, ResultError];
}

/** Errors of the left and the right value of a test. */
export function sideErrors({
  test,
  errors,
}: Pick<MeasuredTest, 'test' | 'errors'>): readonly [ResultError, ResultError] {
  return [errors?.left ?? usualError(test), errors?.right ?? usualError(test)];
}

/** The tests that speak for both sides. */
export function sidedValues(measured: readonly MeasuredTest[]): SidedValues[] {
  return measured.flatMap((m) => {
    const { test, left, right } = m;
    return left === null || right === null ? [] : [{ test, left, right, errors: sideErrors(m) }];
  });
}

/** A test speaks for the sides of a group that limits it at least so much. Common practice, no source. */
export const HEAVY_WEIGHT = 0.5;

/**
 * The side on which a muscle group is tight where a motion named left or right is short: bending the neck to the left is limited on the right.
 * Null where the test does not tell.
 */
export function limitedSide({ side }: Pick<TestLimit, 'side'>, named: Side): Side | null {
  return side === 'none' ? null : side === 'same' ? named : otherSide(named);
}

/** What one test says of the sides of a group. */
export interface SideVote {
  readonly test: RomTest;
  readonly side: Side;
  /** Weight of the group in the test × how many times the difference is what error alone can make. */
  readonly strength: number;
}

/** What all tests of a group say of its sides, the clearest first. Those within error, and those that tell no side, say nothing. */
export function sideVotes(group: MuscleGroupId, measured: readonly SidedValues[]): SideVote[] {
  const votes = measured.flatMap(({ test, left, right, errors }): SideVote[] => {
    const limit = test.limits.find((l) => l.group === group);
    if (!limit || limit.weight < HEAVY_WEIGHT) return [];
    const d = sideDifference(left, right, test, errors);
    const side = d.notable && d.less !== null ? limitedSide(limit, d.less) : null;
    return side === null ? [] : [{ test, side, strength: (limit.weight * Math.abs(d.delta)) / d.threshold }];
  });
  return votes.sort((a, b) => b.strength - a.strength);
}

/** The side of a muscle group that is notably tighter, by all its tests: the clearest counts (domain 2.2). Null when none tells. */
export function tighterSide(group: MuscleGroupId, measured: readonly SidedValues[]): Side | null {
  return sideVotes(group, measured)[0]?.side ?? null;
}

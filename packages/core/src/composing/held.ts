import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import { stretchedSide } from '../catalogue/exercise.js';
import { stretchOfSet, type Candidate } from './candidates.js';
import type { Chosen } from './real-session.js';

/** Seconds of stretch of what was taken for a side of a group, the tighter side's extra included; each exercise counts by a share. */
export function heldOn(
  picks: readonly Chosen[],
  group: MuscleGroupId,
  side: Side,
  share: (c: Candidate) => number,
): number {
  return picks.reduce((sum, { candidate: c, sets, bonusSets }) => {
    const done = stretchedSide(c.exercise, group, side);
    const extra = c.bout.bonus?.side === done ? bonusSets : 0;
    return sum + (sets + extra) * stretchOfSet(c, done) * share(c);
  }, 0);
}

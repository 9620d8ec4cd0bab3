import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import { shareOf, stretchedSide, type Exercise } from '../catalogue/exercise.js';

/** Weekly seconds that an exercise is done for, by side. */
export interface WorkedSeconds {
  readonly exercise: Pick<Exercise, 'primary' | 'secondary' | 'otherSide'>;
  readonly left: number;
  readonly right: number;
}

/**
 * Weekly dose of every group that is worked, seconds by side: the sum over exercises of time under stretch × share, 1 for the exercise's
 * main group and a half for those worked along (domain 2.4; common practice, no source). Kept in tenths, rounded once.
 */
export function groupDoses(worked: readonly WorkedSeconds[]): Map<MuscleGroupId, Record<Side, number>> {
  const out = new Map<MuscleGroupId, Record<Side, number>>();
  for (const w of worked)
    for (const group of new Set([w.exercise.primary, ...w.exercise.secondary])) {
      const share = shareOf(w.exercise, group);
      const at = out.get(group) ?? { left: 0, right: 0 };
      const seconds = (side: Side) => at[side] + w[stretchedSide(w.exercise, group, side)] * share;
      out.set(group, { left: seconds('left'), right: seconds('right') });
    }
  for (const [group, d] of out) out.set(group, { left: Math.round(d.left), right: Math.round(d.right) });
  return out;
}

import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { RomTest } from '../catalogue/rom-test.js';
import { HEAVY_WEIGHT } from '../measuring/tighter-side.js';
import type { PlainDate } from '../schedule/plain-date.js';
import { courseOf, reachedTwice, trendOf, type Aim } from '../trend/course.js';
import type { DatedResult } from '../trend/series.js';
import type { LaneRecord } from './lane-review.js';
import { changeIsYoung, type ChangedBefore } from './next-style.js';

/** A goal of a client with all that was measured for it. */
export interface MeasuredGoal {
  readonly test: Pick<RomTest, 'limits' | 'better' | 'unit'>;
  readonly aim: Aim;
  /** Results that count of each side, oldest first; a side never measured is empty. */
  readonly sides: readonly (readonly DatedResult[])[];
  /** done/planned for the test so far, 0…1; null where it is not known. */
  readonly adherence: number | null;
}

/**
 * What the goals say of a lane's group (domain 2.3 and 2.8): reached on two assessments where every goal of the group is, on both sides; a plateau
 * where one of its courses is one, and what was changed for the last one is old enough to show. Goals whose test the group limits by less than
 * half say nothing.
 * @param last the week under review, and the change by which a plateau of the lane was answered before it; null where that does not count
 */
export function laneFound(
  group: MuscleGroupId,
  goals: readonly MeasuredGoal[],
  today: PlainDate,
  last: { readonly week: number; readonly changed: ChangedBefore | null } | null = null,
): Pick<LaneRecord, 'plateau' | 'goalTwice'> {
  const mine = goals.filter((g) => g.test.limits.some((l) => l.group === group && l.weight >= HEAVY_WEIGHT));
  const stands = ({ test, aim, sides, adherence }: MeasuredGoal): boolean =>
    sides.some((series) => {
      const trend = trendOf(series);
      return trend !== null && courseOf(trend, test, aim, { adherence, today }).state === 'plateau';
    });
  return {
    goalTwice:
      mine.length > 0 &&
      mine.every(({ test, aim, sides }) => sides.every((s) => reachedTwice(s, test.better, aim.value))),
    plateau: !(last && changeIsYoung(last.changed, last.week)) && mine.some(stands),
  };
}

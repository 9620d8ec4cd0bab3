import type { Progress } from '@yandle/contract';
import {
  adherence,
  type Aim,
  type Course,
  type CourseContext,
  courseOf,
  type DatedResult,
  type MuscleGroupId,
  type RomTest,
  type Trend,
  trendOf,
} from '@yandle/core';

/** The trend of one side with what it leads to. */
export interface SideTrend {
  readonly trend: Trend;
  readonly course: Course;
  readonly aim: Aim | null;
}

/**
 * Done against planned of the groups that limit a test by half or more, weeks that are over; null when nothing was planned for them.
 */
export function adherenceOf(test: RomTest, dose: Progress['dose']): number | null {
  if (!dose) return null;
  const groups = new Set<MuscleGroupId>(test.limits.filter((l) => l.weight >= 0.5).map((l) => l.group));
  return adherence(dose.rows, dose.weeksOver, (r) => groups.has(r.group as MuscleGroupId));
}

export function sideTrend(
  results: readonly DatedResult[],
  test: RomTest,
  aim: Aim | null,
  context: CourseContext,
): SideTrend | null {
  const trend = trendOf(results);
  return trend ? { trend, course: courseOf(trend, test, aim, context), aim } : null;
}

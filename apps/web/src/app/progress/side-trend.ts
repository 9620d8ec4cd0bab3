import {
  type Aim,
  type Course,
  type CourseContext,
  courseOf,
  type DatedResult,
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

export function sideTrend(
  results: readonly DatedResult[],
  test: RomTest,
  aim: Aim | null,
  context: CourseContext,
): SideTrend | null {
  const trend = trendOf(results);
  return trend ? { trend, course: courseOf(trend, test, aim, context), aim } : null;
}

import type { PlannedWeek } from './plan.js';

/** Seconds under stretch of a lane per side over all its weeks, and in its fullest week. */
export function blockDose(weeks: readonly Pick<PlannedWeek, 'dose'>[]): {
  readonly total: number;
  readonly peak: number;
} {
  return { total: weeks.reduce((sum, w) => sum + w.dose, 0), peak: Math.max(0, ...weeks.map((w) => w.dose)) };
}

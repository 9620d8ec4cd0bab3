import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Technique } from '../technique/catalogue.js';

/** Part of a week's sets below which it would count as an easier week. Common practice, no source. */
export const WEEK_FLOOR = 0.6;

/** How far a week has come for a group with a technique. */
export interface WeekWork {
  readonly group: MuscleGroupId;
  readonly technique: Technique;
  /** Sets a side that the plan has in the week. */
  readonly plannedSets: number;
  /** Those done so far, on the side that had fewer. */
  readonly doneSets: number;
  /** Those that later sessions of the week hold. */
  readonly laterSets: number;
}

/**
 * Sets a side that a session must hold so that the week does not fall below {@link WEEK_FLOOR} of its plan when the later sessions are done; at
 * least one: no lane of the day falls out altogether.
 */
export function floorSets(
  sets: number,
  week: Pick<WeekWork, 'plannedSets' | 'doneSets' | 'laterSets'> | undefined,
): number {
  const still = week ? Math.ceil(week.plannedSets * WEEK_FLOOR - 1e-9) - week.doneSets - week.laterSets : 0;
  return Math.min(sets, Math.max(1, still));
}

import { muscleGroupOrder } from '../anatomy/muscle-group.js';
import { POSITIONS } from '../measuring/rom-test.js';
import { boutOf, type SessionItem } from './item.js';
import { phaseOf } from './order.js';
import { itemApproachSeconds, itemBodySeconds, NOWHERE, type Before, type PlacedExercise } from './timeline.js';
import { DEFAULT_TIMINGS, warmUpSeconds, type Timings } from './timings.js';

/** An item with the seconds of its bouts already worked out, so that a planner can try many sessions. */
export interface TimedItem {
  readonly exercise: PlacedExercise;
  readonly bodySeconds: number;
  /** Sort key of the session order. */
  readonly rank: number;
}

/** Works an item out once. */
export function timeItem(item: SessionItem, exercise: PlacedExercise, t: Timings = DEFAULT_TIMINGS): TimedItem {
  const { technique } = boutOf(item, exercise);
  return {
    exercise,
    bodySeconds: itemBodySeconds(item, exercise, t),
    rank: (phaseOf(technique) * 100 + POSITIONS.indexOf(exercise.position)) * 100 + muscleGroupOrder(exercise.primary),
  };
}

/**
 * Length of a session in whole seconds, its items put in order: the same as the sum of the cues of its timeline, without making them.
 */
export function sessionSeconds(items: readonly TimedItem[], t: Timings = DEFAULT_TIMINGS): number {
  const ordered = [...items].sort((a, b) => a.rank - b.rank);
  let before: Before = NOWHERE;
  let work = 0;
  for (const { exercise, bodySeconds } of ordered) {
    work += itemApproachSeconds(exercise, before, t) + bodySeconds;
    before = exercise;
  }
  return work + warmUpSeconds(work, false);
}

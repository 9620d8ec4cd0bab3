import { itemApproachSeconds, itemBodySeconds, NOWHERE, type Before, type PlacedExercise } from './timeline.js';
import { bestOrder, placedItem, type Placed } from './order.js';
import type { SessionItem } from './item.js';
import { DEFAULT_TIMINGS, warmUpSeconds, type Timings } from './timings.js';

/** An item with the seconds of its bouts already worked out, so that a planner can try many sessions. */
export interface TimedItem {
  readonly exercise: PlacedExercise;
  readonly bodySeconds: number;
  readonly placed: Placed;
}

/** Works an item out once. */
export function timeItem(item: SessionItem, exercise: PlacedExercise, t: Timings = DEFAULT_TIMINGS): TimedItem {
  return {
    exercise,
    bodySeconds: itemBodySeconds(item, exercise, t),
    placed: placedItem(item, exercise),
  };
}

/**
 * Length of a session of unlinked items in whole seconds, its items put in order: the same as the sum of the cues of its timeline, without
 * making them.
 */
export function sessionSeconds(items: readonly TimedItem[], t: Timings = DEFAULT_TIMINGS): number {
  let before: Before = NOWHERE;
  let work = 0;
  for (const i of bestOrder(items.map((x) => x.placed))) {
    const { exercise, bodySeconds } = items[i]!;
    work += itemApproachSeconds(exercise, before, t) + bodySeconds;
    before = exercise;
  }
  return work + warmUpSeconds(work, false);
}

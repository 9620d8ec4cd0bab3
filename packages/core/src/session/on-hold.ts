import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Exercise } from '../catalogue/exercise.js';
import type { FindExercise } from '../catalogue/exercises.js';

/** Stop signs in one group after which everything for the group rests (domain 2.8). */
export const GROUP_RESTS_AFTER = 2;

/** What open stop signs rest: their exercises, and all of a group in which two were felt. */
export interface OnHold {
  readonly exercises: ReadonlySet<string>;
  readonly groups: ReadonlySet<MuscleGroupId>;
}

/** A stop sign that no coach has cleared, as far as it rests an exercise. */
export interface OpenStopSign {
  readonly exerciseId: string;
}

/** What is on hold after stop signs that are open: the only place that says so (domain 2.8). */
export function onHoldAfter(open: readonly OpenStopSign[], find: FindExercise): OnHold {
  const groups = open.map((s) => find(s.exerciseId).primary);
  const often = groups.filter((g) => groups.filter((x) => x === g).length >= GROUP_RESTS_AFTER);
  return { exercises: new Set(open.map((s) => s.exerciseId)), groups: new Set(often) };
}

/** True for an exercise that rests. */
export function isOnHold(hold: OnHold, exercise: Pick<Exercise, 'id' | 'primary'>): boolean {
  return hold.exercises.has(exercise.id) || hold.groups.has(exercise.primary);
}

/** The exercises of a session that rest, each once; a session with one of them is not run. */
export function exercisesOnHold(
  items: readonly { readonly exerciseId: string }[],
  open: readonly OpenStopSign[],
  find: FindExercise,
): Exercise[] {
  const hold = onHoldAfter(open, find);
  return [...new Set(items.map((i) => i.exerciseId))].map(find).filter((e) => isOnHold(hold, e));
}

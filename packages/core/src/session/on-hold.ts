import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Exercise } from '../catalogue/exercise.js';
import type { FindExercise } from '../catalogue/exercises.js';
import { endsSession, type SymptomId } from '../catalogue/safety.js';

/** Stop signs in one group after which everything for the group rests (domain 2.8). */
export const GROUP_RESTS_AFTER = 2;

/** What open stop signs rest: everything, their exercises, or all of a group in which two were felt. */
export interface OnHold {
  /** A stop sign that ends the session holds all of them. */
  readonly everything: boolean;
  readonly exercises: ReadonlySet<string>;
  readonly groups: ReadonlySet<MuscleGroupId>;
}

export const NOTHING_ON_HOLD: OnHold = { everything: false, exercises: new Set(), groups: new Set() };

/** A stop sign that no coach has cleared, as far as it rests something. */
export interface OpenStopSign {
  readonly exerciseId: string;
  /** The easier or harder form of it that was being done; null for the exercise itself. */
  readonly form?: string | null;
  readonly symptom: SymptomId;
}

/** Exercises that a sign is about: what was planned, and the form it was done in. */
const aboutOf = (sign: OpenStopSign): string[] => [sign.exerciseId, ...(sign.form ? [sign.form] : [])];

/**
 * What is on hold after stop signs that are open: the only place that says so (domain 2.8), for server, sheet, planner, composer and phone.
 * @param sore groups that rest because they are very sore
 */
export function onHoldAfter(
  open: readonly OpenStopSign[],
  find: FindExercise,
  sore: readonly MuscleGroupId[] = [],
): OnHold {
  // What ends the session is not about its exercise.
  const ofExercise = open.filter((s) => !endsSession(s.symptom));
  const groups = ofExercise.map((s) => find(s.exerciseId).primary);
  const often = groups.filter((g) => groups.filter((x) => x === g).length >= GROUP_RESTS_AFTER);
  return {
    everything: open.some((s) => endsSession(s.symptom)),
    exercises: new Set(ofExercise.flatMap(aboutOf)),
    groups: new Set([...often, ...sore]),
  };
}

/** True for an exercise that rests. */
export function isOnHold(hold: OnHold, exercise: Pick<Exercise, 'id' | 'primary'>): boolean {
  return hold.exercises.has(exercise.id) || hold.groups.has(exercise.primary);
}

/** The exercises of a session that rest, each once: they are left out, and the rest of the session goes on. */
export function exercisesOnHold(
  items: readonly { readonly exerciseId: string }[],
  open: readonly OpenStopSign[],
  find: FindExercise,
  sore: readonly MuscleGroupId[] = [],
): Exercise[] {
  const hold = onHoldAfter(open, find, sore);
  return [...new Set(items.map((i) => i.exerciseId))].map(find).filter((e) => isOnHold(hold, e));
}

/** True where no part of a session may be done: everything is on hold, or all of its exercises are. */
export function isSessionOnHold(
  items: readonly { readonly exerciseId: string }[],
  open: readonly OpenStopSign[],
  find: FindExercise,
  sore: readonly MuscleGroupId[] = [],
): boolean {
  const hold = onHoldAfter(open, find, sore);
  return hold.everything || (items.length > 0 && items.every((i) => isOnHold(hold, find(i.exerciseId))));
}

/** True for a stop sign that concerns a session: one that holds everything, or is about its exercises or their groups. */
export function concerns(
  sign: OpenStopSign,
  items: readonly { readonly exerciseId: string }[],
  find: FindExercise,
): boolean {
  if (endsSession(sign.symptom)) return true;
  const { primary } = find(sign.exerciseId);
  return items.some((i) => aboutOf(sign).includes(i.exerciseId) || find(i.exerciseId).primary === primary);
}

/**
 * True for a clearance that has to name who gave it: of a sign that ended a session, and of one of several in a group (domain 2.8).
 * @param open all open signs of the client, the cleared one among them
 */
export function needsProfessional(sign: OpenStopSign, open: readonly OpenStopSign[], find: FindExercise): boolean {
  return endsSession(sign.symptom) || onHoldAfter(open, find).groups.has(find(sign.exerciseId).primary);
}

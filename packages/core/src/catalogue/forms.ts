import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Technique } from '../technique/catalogue.js';
import type { Exercise } from './exercise.js';
import { EXERCISES } from './exercises.js';

/** What an exercise is pushed against; null where nothing does not move, or where it should not be pushed (neck). */
export function pushAgainst({ pushAgainst: against }: Pick<Exercise, 'pushAgainst'>): string | null {
  return against ?? null;
}

/** Groups whose stretches are never moved through or pushed: the neck. Common practice, no source. */
const GENTLE_ONLY: readonly MuscleGroupId[] = ['upper-trapezius', 'neck-side', 'neck-front', 'neck-back'];

/** Holds that are gone into once and never moved through: their way in, or what they rest on, does not allow it. Common practice, no source. */
const HELD_ONLY: readonly string[] = [
  'prone-chest-roll',
  'front-shin-fold',
  'sofa-quadriceps',
  'side-lying-inward-turn',
  'lying-open-arms',
];

/**
 * Techniques an exercise can be done with, its own first. A hold can be pushed against where there is something to push against, and moved
 * in and out of unless it is only held; the end of a lowering can be held.
 */
export function techniquesOf(exercise: Exercise): Technique[] {
  const own = exercise.technique;
  if (own === 'loaded eccentric') return [own, 'loaded isometric'];
  if (own !== 'static hold' || GENTLE_ONLY.includes(exercise.primary)) return [own];
  return [
    own,
    ...(pushAgainst(exercise) !== null ? (['contract-relax'] as const) : []),
    ...(HELD_ONLY.includes(exercise.id) ? [] : (['moving stretch'] as const)),
  ];
}

/** True for an exercise that can be a lane's: its main aim is the group, or it is an activation that uses the group's new length. */
export function serves(exercise: Exercise, group: MuscleGroupId, technique: Technique): boolean {
  if (exercise.warmUp) return false;
  const opens = technique === 'activation' && (exercise.opens?.includes(group) ?? false);
  return (exercise.primary === group || opens) && techniquesOf(exercise).includes(technique);
}

/** Exercises that serve a group with a technique: those of its own first, then those made for it, each in catalogue order. */
export function exercisesDoing(
  group: MuscleGroupId,
  technique: Technique,
  all: readonly Exercise[] = EXERCISES,
): Exercise[] {
  const able = all.filter((e) => serves(e, group, technique));
  const rank = (e: Exercise): number => (e.primary === group ? 0 : 2) + (e.technique === technique ? 0 : 1);
  return [...able].sort((a, b) => rank(a) - rank(b));
}

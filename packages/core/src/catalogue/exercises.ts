import { PLAINEST, type Technique } from '../technique/catalogue.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { CoreError } from '../errors.js';
import type { Exercise } from './exercise.js';
import { ANKLE_EXERCISES } from './exercises/ankle.js';
import { HIP_EXERCISES } from './exercises/hip.js';
import { NECK_EXERCISES } from './exercises/neck.js';
import { SHOULDER_EXERCISES } from './exercises/shoulder.js';
import { THIGH_EXERCISES } from './exercises/thigh.js';
import { TRUNK_EXERCISES } from './exercises/trunk.js';

/** The exercises that ship with the product, from the floor up, written in our own words. */
export const EXERCISES: readonly Exercise[] = [
  ...ANKLE_EXERCISES,
  ...THIGH_EXERCISES,
  ...HIP_EXERCISES,
  ...TRUNK_EXERCISES,
  ...SHOULDER_EXERCISES,
  ...NECK_EXERCISES,
];

/**
 * An exercise by its id.
 * @throws CoreError `unknown-exercise`
 */
export function exerciseById(id: string): Exercise {
  const found = EXERCISES.find((e) => e.id === id);
  if (!found) throw new CoreError('unknown-exercise', { code: 'unknown-exercise', args: { id } });
  return found;
}

/** How an exercise is found by its id: in the catalogue, or in a studio's library. Throws `unknown-exercise`. */
export type FindExercise = (id: string) => Exercise;

/** Looks among a studio's own exercises first, then in the catalogue. */
export function findAmong(own: readonly Exercise[]): FindExercise {
  return (id) => own.find((e) => e.id === id) ?? exerciseById(id);
}

/** Exercises of a technique whose main aim is a group, in catalogue order. */
export function exercisesFor(
  group: MuscleGroupId,
  technique: Technique = PLAINEST,
  all: readonly Exercise[] = EXERCISES,
): Exercise[] {
  return all.filter((e) => e.primary === group && e.technique === technique);
}

/** Groups that have at least one exercise, from the floor up as the catalogue lists them. */
export function trainableGroups(): MuscleGroupId[] {
  return [...new Set(EXERCISES.map((e) => e.primary))];
}

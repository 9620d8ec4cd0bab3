import { PLAINEST, type Technique } from '../technique/catalogue.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { CoreError } from '../errors.js';
import type { Exercise } from './exercise.js';
import { PLANTAR_FOOT_EXERCISES } from './exercises/plantar-foot.js';
import { CALF_EXERCISES } from './exercises/calf.js';
import { SOLEUS_EXERCISES } from './exercises/soleus.js';
import { SHIN_EXERCISES } from './exercises/shin.js';
import { HAMSTRINGS_EXERCISES } from './exercises/hamstrings.js';
import { QUADRICEPS_EXERCISES } from './exercises/quadriceps.js';
import { HIP_FLEXORS_EXERCISES } from './exercises/hip-flexors.js';
import { ADDUCTORS_EXERCISES } from './exercises/adductors.js';
import { GLUTEALS_EXERCISES } from './exercises/gluteals.js';
import { DEEP_HIP_ROTATORS_EXERCISES } from './exercises/deep-hip-rotators.js';
import { LATERAL_HIP_EXERCISES } from './exercises/lateral-hip.js';
import { LOW_BACK_EXERCISES } from './exercises/low-back.js';
import { ABDOMINALS_EXERCISES } from './exercises/abdominals.js';
import { LATERAL_TRUNK_EXERCISES } from './exercises/lateral-trunk.js';
import { UPPER_BACK_EXERCISES } from './exercises/upper-back.js';
import { THORACIC_ROTATORS_EXERCISES } from './exercises/thoracic-rotators.js';
import { LATS_EXERCISES } from './exercises/lats.js';
import { PECTORALS_EXERCISES } from './exercises/pectorals.js';
import { ANTERIOR_SHOULDER_EXERCISES } from './exercises/anterior-shoulder.js';
import { POSTERIOR_SHOULDER_EXERCISES } from './exercises/posterior-shoulder.js';
import { SHOULDER_ROTATORS_EXERCISES } from './exercises/shoulder-rotators.js';
import { ELBOW_FLEXORS_EXERCISES } from './exercises/elbow-flexors.js';
import { TRICEPS_EXERCISES } from './exercises/triceps.js';
import { FOREARM_FLEXORS_EXERCISES } from './exercises/forearm-flexors.js';
import { FOREARM_EXTENSORS_EXERCISES } from './exercises/forearm-extensors.js';
import { NECK_MOVES_AND_WORK_EXERCISES } from './exercises/neck-moves-and-work.js';
import { NECK_EXERCISES } from './exercises/neck.js';

/** The exercises that ship with the product, from the floor up, written in our own words. */
export const EXERCISES: readonly Exercise[] = [
  ...PLANTAR_FOOT_EXERCISES,
  ...CALF_EXERCISES,
  ...SOLEUS_EXERCISES,
  ...SHIN_EXERCISES,
  ...HAMSTRINGS_EXERCISES,
  ...QUADRICEPS_EXERCISES,
  ...HIP_FLEXORS_EXERCISES,
  ...ADDUCTORS_EXERCISES,
  ...GLUTEALS_EXERCISES,
  ...DEEP_HIP_ROTATORS_EXERCISES,
  ...LATERAL_HIP_EXERCISES,
  ...LOW_BACK_EXERCISES,
  ...ABDOMINALS_EXERCISES,
  ...LATERAL_TRUNK_EXERCISES,
  ...UPPER_BACK_EXERCISES,
  ...THORACIC_ROTATORS_EXERCISES,
  ...LATS_EXERCISES,
  ...PECTORALS_EXERCISES,
  ...ANTERIOR_SHOULDER_EXERCISES,
  ...POSTERIOR_SHOULDER_EXERCISES,
  ...SHOULDER_ROTATORS_EXERCISES,
  ...ELBOW_FLEXORS_EXERCISES,
  ...TRICEPS_EXERCISES,
  ...FOREARM_FLEXORS_EXERCISES,
  ...FOREARM_EXTENSORS_EXERCISES,
  ...NECK_EXERCISES,
  ...NECK_MOVES_AND_WORK_EXERCISES,
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

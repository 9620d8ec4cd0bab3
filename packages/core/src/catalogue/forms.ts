import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Technique } from '../technique/catalogue.js';
import type { Exercise } from './exercise.js';
import { EXERCISES } from './exercises.js';

/**
 * What a stretch of the catalogue pushes against when it is done as contract-relax. A stretch that is not here has nothing that does not
 * move, or should not be pushed (neck). Common practice, no source.
 */
export const PUSH_AGAINST: Readonly<Record<string, string>> = {
  'bent-knee-wall-calf': 'Push the ball of the back foot into the floor.',
  'straight-knee-wall-calf': 'Push the ball of the back foot into the floor.',
  'seated-strap-calf': 'Push the ball of the foot into the strap.',
  'toes-up-wall': 'Push the toes into the wall.',
  'seated-shin-pull': 'Push the back of the foot up against the hand.',
  'half-kneeling-hip-flexor': 'Push the back knee down and forward into the floor; it does not move.',
  'edge-hip-flexor': 'Lift the hanging thigh against your hand.',
  'bound-soles-sit': 'Push the knees up against the hands.',
  'wall-straddle': 'Push the legs together against the hands.',
  frog: 'Push the knees into the floor, as if to bring them together.',
  'knee-hug': 'Push the thigh away from you into the hands.',
  'crossed-knee-pull': 'Push the thigh away from you into the hands.',
  'chair-figure-four': 'Push the crossed knee up against the hand.',
  'lying-figure-four': 'Push the crossed knee against the hand.',
  'lying-leg-across': 'Push the leg outwards into the strap or hand.',
  'doorway-pectorals': 'Push the forearm forward into the frame.',
  'arm-across': 'Push the elbow away from you into the other hand.',
  'lying-arm-across': 'Push the elbow away from you into the other hand.',
  'doorway-outward-turn': 'Push the hand inwards into the frame.',
  'stick-outward-turn': 'Push the hand back into the stick.',
  'chair-elbow-kneel': 'Push the elbows down into the chair.',
  'table-hinge-lats': 'Push the hands down into the table.',
  'wall-arm-behind': 'Push the palm into the wall.',
  'overhead-triceps': 'Push the elbow forward into the other hand.',
  'palm-out-wrist-pull': 'Push the fingers forward into the other hand.',
  'back-of-hand-pull': 'Push the back of the hand into the other hand.',
  'supine-strap-hamstring': 'Push the heel away into the strap.',
  'supine-hands-hamstring': 'Push the thigh away into the hands.',
  'heel-on-chair-hamstring': 'Push the heel down into the chair.',
  'chair-hamstring-hinge': 'Push the heel down into the floor.',
  'side-lying-quadriceps': 'Push the foot back into the hand.',
  'prone-quadriceps': 'Push the foot back into the strap or hand.',
  'standing-quadriceps': 'Push the foot back into the hand.',
  'chair-twist': 'Turn back against the hand on the chair.',
};

/** Groups whose stretches are never moved through or pushed: the neck. Common practice, no source. */
const GENTLE_ONLY: readonly MuscleGroupId[] = ['upper-trapezius', 'neck-side', 'neck-front', 'neck-back'];

/**
 * Techniques an exercise can be done with, its own first. A hold can be pushed against where there is something to push against, and moved
 * in and out of; the end of a lowering can be held.
 */
export function techniquesOf(exercise: Exercise): Technique[] {
  const own = exercise.technique;
  if (own === 'loaded eccentric') return [own, 'loaded isometric'];
  if (own !== 'static hold' || GENTLE_ONLY.includes(exercise.primary)) return [own];
  return exercise.id in PUSH_AGAINST ? [own, 'contract-relax', 'moving stretch'] : [own, 'moving stretch'];
}

/** Exercises whose main aim is a group and that can be done with a technique: those made for it first, each in catalogue order. */
export function exercisesDoing(
  group: MuscleGroupId,
  technique: Technique,
  all: readonly Exercise[] = EXERCISES,
): Exercise[] {
  const able = all.filter((e) => e.primary === group && techniquesOf(e).includes(technique));
  return [...able.filter((e) => e.technique === technique), ...able.filter((e) => e.technique !== technique)];
}

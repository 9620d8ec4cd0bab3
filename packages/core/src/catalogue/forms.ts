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
  'seated-shin-pull': 'Push the top of the foot up against the hand.',
  'half-kneeling-hip-flexor': 'Try to drag the back knee forward over the floor.',
  'edge-hip-flexor': 'Lift the hanging thigh a finger’s breadth and keep it there.',
  'bound-soles-sit': 'Push the knees up against the forearms.',
  'wall-straddle': 'Push the legs together against the hands, hands inside the thighs.',
  frog: 'Push the knees into the floor, as if to bring them together.',
  'knee-hug': 'Push the thigh away from you into the hands.',
  'crossed-knee-pull': 'Push the thigh away from you into the hands.',
  'chair-figure-four': 'Press the crossed ankle and shin down into the other thigh.',
  'lying-figure-four': 'Push the lower thigh away into the hands, the ankle into it.',
  'lying-leg-across': 'Push the leg outwards into the strap or hand.',
  'doorway-pectorals': 'Push the forearm forward into the frame.',
  'arm-across': 'Push the elbow away from you into the other hand.',
  'lying-arm-across': 'Push the elbow away from you into the other hand.',
  'doorway-outward-turn': 'Push the hand inwards into the frame.',
  'stick-outward-turn': 'Push the hand inwards into the stick.',
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
  'strap-push-relax-hamstring': 'Push the heel away into the strap.',
  'seated-toe-pull': 'Push the toes into the hand.',
  'standing-shin': 'Push the toenails into the floor.',
  'seated-knee-over-toes': 'Push the ball of the foot down into the floor.',
  'split-stance-hip-flexor': 'Try to drag the back foot forward over the floor.',
  'sofa-quadriceps': 'Push the shin into the sofa.',
  'straddle-hinge': 'Press the heels towards one another; they do not move.',
  'front-shin-fold': 'Press the front shin into the floor.',
  'double-right-angle-sit': 'Press the front shin into the floor.',
  'standing-cross-lean': 'Press the back foot outwards into the floor.',
  'forearm-prop': 'Draw the elbows towards the knees; they do not move.',
  'seated-side-bend': 'Try to come up against the hand that holds the chair.',
  'clasped-hands-behind': 'Pull the hands apart; they do not move.',
  'seated-lean-back-hands': 'Push the hands down and forward into the floor.',
  'wall-elbow-slide': 'Push the elbow into the wall.',
  'strap-behind-back': 'Pull the lower hand down against the strap.',
  'prone-chest-roll': 'Push the palm into the floor.',
};

/** What an exercise is pushed against: what its coach wrote, or what the catalogue says; null where nothing does not move. */
export function pushAgainst({ id, pushAgainst: own }: Pick<Exercise, 'id' | 'pushAgainst'>): string | null {
  return own ?? PUSH_AGAINST[id] ?? null;
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

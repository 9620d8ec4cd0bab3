import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { CoreError } from '../errors.js';
import type { Exercise } from './exercise.js';

/** The stretches that ship with the product, written in our own words. One standard form a group. */
export const EXERCISES: readonly Exercise[] = [
  {
    id: 'bent-knee-wall-calf',
    name: 'Bent-knee calf stretch at a wall',
    aim: 'Lets the shin come further forward over the foot, for squatting and stairs.',
    primary: 'soleus',
    secondary: [],
    technique: 'static hold',
    position: 'standing',
    tags: [],
    props: ['wall'],
    sides: 'each',
    steps: [
      'Stand facing a wall, both hands on it at chest height.',
      'Put the foot to be stretched half a step behind the other, toes straight ahead.',
      'Bend both knees and sink, keeping the back heel heavy on the floor.',
      'Stop where the heel wants to lift; stay there and breathe.',
    ],
    breath: 'Slow and easy through the nose; let the knee drop a little on the way out.',
    endPoint: 'the heel begins to lift or the arch falls in',
    felt: 'low in the calf, towards the Achilles tendon',
    notFelt: 'pinching in the front of the ankle or pain in the tendon itself',
    faults: ['Heel lifting', 'Knee falling inside the big toe', 'Toes turned out'],
    holdRange: { min: 15, max: 120 },
    easier: 'Shorten the step and hold on to a table.',
    harder: 'Put the ball of the foot on a folded towel.',
    cautions: ['With poor balance keep both hands on the wall.', 'Ease off when the tendon is sore in the morning.'],
    notFor: ['A fresh calf or Achilles tear', 'A suspected clot: one calf swollen, hot and painful'],
    origin: 'practice',
  },
  {
    id: 'straight-knee-wall-calf',
    name: 'Straight-knee calf stretch at a wall',
    aim: 'Lengthens the upper calf for walking, running and going downstairs.',
    primary: 'calf',
    secondary: ['soleus'],
    technique: 'static hold',
    position: 'standing',
    tags: [],
    props: ['wall'],
    sides: 'each',
    steps: [
      'Stand facing a wall, both hands on it at chest height.',
      'Step one foot well back, toes straight ahead, knee straight but not locked.',
      'Lean the whole body towards the wall from the back ankle.',
      'Keep the back heel down and hold where the calf clearly pulls.',
    ],
    breath: 'Slow and easy; lean a little further as the calf gives.',
    endPoint: 'the heel begins to lift or the back knee bends',
    felt: 'in the thick upper part of the calf',
    notFelt: 'behind the knee as tingling, or in the front of the ankle',
    faults: ['Back foot turned out', 'Heel lifting', 'Hips left behind'],
    holdRange: { min: 15, max: 120 },
    easier: 'Shorten the step.',
    harder: 'Step further back.',
    cautions: ['With poor balance keep both hands on the wall.'],
    notFor: ['A fresh calf or Achilles tear', 'A suspected clot: one calf swollen, hot and painful'],
    origin: 'practice',
  },
  {
    id: 'supine-strap-hamstring',
    name: 'Lying hamstring stretch with a strap',
    aim: 'Lengthens the back of the thigh while the low back rests on the floor.',
    primary: 'hamstrings',
    secondary: ['calf'],
    technique: 'static hold',
    position: 'supine',
    tags: ['grip'],
    props: ['strap'],
    sides: 'each',
    steps: [
      'Lie on your back, a strap round one foot, the other knee bent with the foot on the floor.',
      'Raise the leg with the knee a little bent until the thigh stands upright.',
      'Slowly straighten the knee until the back of the thigh clearly pulls.',
      'Hold the strap with easy elbows; keep the seat on the floor.',
    ],
    breath: 'Out slowly; let the leg come a little nearer as it gives way.',
    endPoint: 'the seat lifts, the low back flattens hard, or the other leg moves',
    felt: 'in the middle of the back of the thigh',
    notFelt: 'as a nervy line behind the knee or into the foot: then point the toes away or bend the knee',
    faults: ['Pulling the toes hard', 'Shoulders creeping up', 'Knee locked'],
    holdRange: { min: 15, max: 120 },
    easier: 'Keep the knee well bent, or do it in a doorway with the heel on the frame.',
    harder: 'Lay the other leg flat on the floor.',
    cautions: [
      'Nerve feelings behind the leg: back off the knee or take the toes away.',
      'After the third month of pregnancy use the sitting form instead of lying long on the back.',
    ],
    notFor: ['A fresh hamstring tear', 'Leg pain that spreads below the knee, until cleared'],
    origin: 'practice',
  },
  {
    id: 'half-kneeling-hip-flexor',
    name: 'Half-kneeling hip flexor stretch',
    aim: 'Opens the front of the hip that sitting keeps short.',
    primary: 'hip-flexors',
    secondary: ['quadriceps'],
    technique: 'static hold',
    position: 'kneeling',
    tags: [],
    props: ['cushion'],
    sides: 'each',
    steps: [
      'Kneel on one knee on a cushion, the other foot flat in front.',
      'Squeeze the seat of the kneeling side and tuck the tail under.',
      'Keep ribs down and move the whole pelvis a little forward.',
      'Hold where the front of the hip clearly pulls.',
    ],
    breath: 'Slow and low; each breath out, squeeze the seat again.',
    endPoint: 'the low back begins to arch',
    felt: 'at the front of the kneeling hip, high up',
    notFelt: 'in the low back or as a pinch in the front hip',
    faults: ['Arching the low back', 'Front knee past the toes', 'Leaning forward'],
    holdRange: { min: 15, max: 120 },
    easier: 'Stand with the back foot on a low step, hands on a chair.',
    harder: 'Raise the arm of the kneeling side.',
    cautions: ['Who cannot kneel takes the standing form.', 'Hold on to a chair with poor balance.'],
    notFor: ['A hip replacement from the front that has not been cleared'],
    origin: 'practice',
  },
  {
    id: 'side-lying-quadriceps',
    name: 'Side-lying quadriceps stretch',
    aim: 'Lengthens the front of the thigh with the back supported.',
    primary: 'quadriceps',
    secondary: ['hip-flexors'],
    technique: 'static hold',
    position: 'side-lying',
    tags: ['grip'],
    props: ['strap'],
    sides: 'each',
    steps: [
      'Lie on the side that is not stretched, the lower knee drawn up.',
      'Take the upper foot with a hand or a strap, heel towards the seat.',
      'Squeeze the seat and bring the knee back in line with the body.',
      'Hold where the front of the thigh clearly pulls.',
    ],
    breath: 'Slow and easy; keep the ribs down.',
    endPoint: 'the low back arches or the knee drifts up',
    felt: 'along the front of the thigh',
    notFelt: 'in the knee joint or the low back',
    faults: ['Arching the back', 'Pulling the foot sideways', 'Knee lifted'],
    holdRange: { min: 15, max: 120 },
    easier: 'A longer strap, heel further away.',
    harder: 'Bring the knee a little behind the body.',
    cautions: ['A knee that hurts when bent: use the strap and stay in the free range.'],
    notFor: ['A recent knee operation that has not been cleared'],
    origin: 'practice',
  },
  {
    id: 'doorway-pectorals',
    name: 'Doorway chest stretch',
    aim: 'Opens the front of the chest after work at a desk.',
    primary: 'pectorals',
    secondary: ['anterior-shoulder'],
    technique: 'static hold',
    position: 'standing',
    tags: [],
    props: ['doorway'],
    sides: 'each',
    steps: [
      'Stand in a doorway, one forearm on the frame, elbow at shoulder height.',
      'Keep the shoulder down and the ribs in.',
      'Step through and turn the chest away until the front of the chest clearly pulls.',
    ],
    breath: 'Slow and wide into the ribs.',
    endPoint: 'the shoulder rolls forward or the low back arches',
    felt: 'across the front of the chest',
    notFelt: 'in the shoulder joint, or as tingling in the arm or hand',
    faults: ['Shoulder creeping up', 'Head pushed forward', 'Low back arched'],
    holdRange: { min: 15, max: 120 },
    easier: 'Put the elbow lower.',
    harder: 'Step further through.',
    cautions: ['Tingling in the arm or hand: stop and lower the arm.'],
    notFor: ['A shoulder that slips out or has been dislocated'],
    origin: 'practice',
  },
];

/**
 * An exercise by its id.
 * @throws CoreError `unknown-exercise`
 */
export function exerciseById(id: string): Exercise {
  const found = EXERCISES.find((e) => e.id === id);
  if (!found) throw new CoreError('unknown-exercise', `There is no exercise "${id}". Choose one from the library.`);
  return found;
}

/** Exercises whose main aim is a group, in catalogue order. */
export function exercisesFor(group: MuscleGroupId): Exercise[] {
  return EXERCISES.filter((e) => e.primary === group);
}

/** Groups that have at least one exercise, from the floor up as the catalogue lists them. */
export function trainableGroups(): MuscleGroupId[] {
  return [...new Set(EXERCISES.map((e) => e.primary))];
}

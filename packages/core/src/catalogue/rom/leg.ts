import { semFromMdc95 } from '../../math/measurement-error.js';
import type { RomTest } from '../rom-test.js';
import { AAOS, BOONE_AZEN, GONIOMETER_ERROR, inches, memory, practice, RIKLI_JONES, TAPE_ERROR } from './sources.js';

/** Knee to wall: how far the shin travels over a foot whose heel stays down. */
export const WEIGHT_BEARING_LUNGE: RomTest = {
  id: 'weight-bearing-lunge',
  name: 'Weight-bearing lunge',
  motion: 'ankle dorsiflexion, knee bent',
  purpose: 'How far the knee travels over the foot while the heel stays down: squats, stairs, landing.',
  position: 'standing',
  landmarks: ['longest toe', 'wall', 'centre of the kneecap'],
  steps: [
    'Barefoot, facing a wall, a tape on the floor at right angles to it.',
    'Foot on the tape, second toe and heel on its line, the knee touching the wall.',
    'Slide the foot back until the knee can only just touch with the heel down.',
    'Read the distance from the longest toe to the wall.',
  ],
  endPoint: 'the heel lifts, or the knee falls inside the line of the foot',
  instruments: ['tape'],
  unit: 'cm',
  reads: 'centimetres from toe to wall',
  better: 'more',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: 1,
  resolution: 0.1,
  plausible: { min: 0, max: 25 },
  scale: { stiffest: 0, freest: 16 },
  error: {
    sem: semFromMdc95(1.9),
    source: memory(
      'Powden CJ, Hoch JM, Hoch MC 2015, Man Ther 20(4):524-532: MDC 1.9 cm, same tester; the SEM is derived from it.',
    ),
  },
  sideThreshold: { value: 1.5, source: practice('Healthy sides mostly lie within 1.5 cm of each other.') },
  reference: {
    kind: 'distribution',
    mean: 9.5,
    sd: 3.1,
    source: memory(
      'Konor MM et al. 2012, Int J Sports Phys Ther 7(3):279-287: 9.5 (SD 3.1) cm in 20 healthy adults. A small sample.',
    ),
  },
  limits: [
    { group: 'soleus', weight: 1 },
    { group: 'calf', weight: 0.3 },
  ],
  cautions: [
    'If your balance is poor, the hands stay on the wall.',
    'Pinching in the front of the ankle ends the test: note it.',
  ],
  notFor: ['A fresh ankle or foot injury', 'Standing on this leg is not allowed'],
  faults: ['Heel lifting', 'Arch rolling in', 'Knee off the line', 'Foot turned out'],
};

const LUNGE_ANGLE: RomTest = {
  ...WEIGHT_BEARING_LUNGE,
  id: 'weight-bearing-lunge-angle',
  name: 'Weight-bearing lunge, angle',
  landmarks: ['front edge of the shin, 15 cm below the kneecap'],
  steps: [
    'The same lunge: heel down, knee towards the wall over the second toe.',
    'Put the inclinometer on the front of the shin, 15 cm below the kneecap.',
    'Read the angle of the shin from upright.',
  ],
  instruments: ['inclinometer', 'goniometer'],
  unit: 'deg',
  reads: 'degrees of the shin from upright',
  repeatTolerance: 3,
  resolution: 1,
  plausible: { min: 0, max: 70 },
  scale: { stiffest: 0, freest: 60 },
  error: {
    sem: semFromMdc95(4.7),
    source: memory('Powden et al. 2015, Man Ther 20(4):524-532: MDC 4.7°, same tester; the SEM is derived from it.'),
  },
  sideThreshold: null,
  reference: {
    kind: 'distribution',
    mean: 38.8,
    sd: 5.2,
    source: memory(
      'Konor et al. 2012, Int J Sports Phys Ther 7(3):279-287: inclinometer, 20 healthy adults. A small sample.',
    ),
  },
};

const STRAIGHT_KNEE_DORSIFLEXION: RomTest = {
  id: 'straight-knee-dorsiflexion',
  name: 'Dorsiflexion, knee straight',
  motion: 'ankle dorsiflexion, knee straight',
  purpose: 'How far the foot comes up when the upper calf is on stretch: walking, running, downhill.',
  position: 'supine',
  landmarks: ['head of the fibula', 'lateral malleolus', 'fifth metatarsal'],
  steps: [
    'On the back, knee straight, heel over the edge of the bench.',
    'The client pulls the foot up; the tester guides it without force.',
    'Read the angle from a right angle between shin and foot.',
  ],
  endPoint: 'the knee bends, or the foot turns out instead of coming up',
  instruments: ['goniometer', 'inclinometer'],
  unit: 'deg',
  reads: 'degrees beyond a right angle',
  better: 'more',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: 3,
  resolution: 1,
  plausible: { min: -30, max: 45 },
  scale: { stiffest: -15, freest: 30 },
  error: { sem: 2, source: GONIOMETER_ERROR },
  sideThreshold: null,
  reference: {
    kind: 'table',
    rows: [{ sex: 'male', ages: [20, 54], value: { mean: 12.2, sd: 4.1 } }],
    source: BOONE_AZEN,
    otherwise: { value: 20, source: AAOS },
  },
  limits: [
    { group: 'calf', weight: 1 },
    { group: 'soleus', weight: 0.4 },
    { group: 'plantar-foot', weight: 0.2 },
  ],
  cautions: ['Tingling or a sharp line behind the knee ends the test: note it.'],
  notFor: ['A fresh calf or Achilles tear'],
  faults: ['Knee bending', 'Foot turning out', 'Reading the toes instead of the foot'],
};

const PLANTARFLEXION: RomTest = {
  ...STRAIGHT_KNEE_DORSIFLEXION,
  id: 'plantarflexion',
  name: 'Plantarflexion',
  motion: 'ankle plantarflexion',
  purpose: 'How far the foot points: kneeling, sitting on the heels, dance.',
  steps: [
    'On the back, knee straight, heel over the edge of the bench.',
    'The client points the foot as far as it goes by itself.',
    'Read the angle from a right angle between shin and foot.',
  ],
  endPoint: 'the foot turns in, or the calf cramps',
  reads: 'degrees beyond a right angle, pointing',
  repeatTolerance: 5,
  plausible: { min: 0, max: 90 },
  scale: { stiffest: 10, freest: 80 },
  error: { sem: 3, source: GONIOMETER_ERROR },
  reference: {
    kind: 'table',
    rows: [{ sex: 'male', ages: [20, 54], value: { mean: 54.3, sd: 5.9 } }],
    source: BOONE_AZEN,
    otherwise: { value: 50, source: AAOS },
  },
  limits: [{ group: 'shin', weight: 1 }],
  cautions: ['A cramp in the calf ends the test; let the foot come up.'],
  notFor: ['A fresh sprain on the outside of the ankle'],
  faults: ['Foot turning in', 'Toes curled instead of the foot pointed'],
};

const GREAT_TOE_EXTENSION: RomTest = {
  id: 'great-toe-extension',
  name: 'Great toe extension',
  motion: 'first toe joint, extension',
  purpose: 'How far the big toe bends up: push-off in walking and running, lunges on the toes.',
  position: 'sitting',
  landmarks: ['inner side of the first metatarsal', 'first toe joint', 'first toe bone'],
  steps: [
    'Sitting, foot flat on the floor, ankle at a right angle.',
    'Hold the ball of the foot down and lift the big toe until it stops by itself.',
    'Read the angle of the toe from the floor.',
  ],
  endPoint: 'the ball of the foot leaves the floor',
  instruments: ['goniometer'],
  unit: 'deg',
  reads: 'degrees from the floor',
  better: 'more',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: 5,
  resolution: 1,
  plausible: { min: 0, max: 120 },
  scale: { stiffest: 0, freest: 100 },
  error: { sem: 3, source: GONIOMETER_ERROR },
  sideThreshold: null,
  reference: { kind: 'nominal', value: 70, source: AAOS },
  limits: [{ group: 'plantar-foot', weight: 1 }],
  cautions: ['Pain inside the joint ends the test: note it.'],
  notFor: ['A gouty or freshly operated toe'],
  faults: ['Ball of the foot lifting', 'Ankle moving along'],
};

/** Hamstrings: how far the knee is from straight with the thigh upright. */
export const ACTIVE_KNEE_EXTENSION: RomTest = {
  id: 'active-knee-extension',
  name: 'Active knee extension',
  motion: 'knee extension, hip at 90°',
  purpose: 'How short the hamstrings are, without the low back helping.',
  position: 'supine',
  landmarks: ['greater trochanter', 'lateral knee joint line', 'lateral malleolus'],
  steps: [
    'On the back, other leg flat, thigh of the tested leg upright and held there.',
    'Foot relaxed. The client straightens the knee slowly as far as it goes by itself.',
    'Read the angle that is missing to a straight knee.',
  ],
  endPoint: 'the thigh leaves the upright, the pelvis tilts, or the other leg bends',
  instruments: ['goniometer', 'inclinometer'],
  unit: 'deg',
  reads: 'degrees short of straight',
  better: 'less',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: 5,
  resolution: 1,
  plausible: { min: -15, max: 100 },
  scale: { stiffest: 70, freest: 0 },
  error: {
    sem: 3,
    source: practice(
      'A working default until you have measured your own: printed errors of this test range too widely to quote one.',
    ),
  },
  sideThreshold: null,
  reference: {
    kind: 'nominal',
    value: 20,
    source: memory(
      'Magee, Orthopedic Physical Assessment: within about 20° of straight. A convention without a spread.',
    ),
  },
  limits: [{ group: 'hamstrings', weight: 1 }],
  cautions: ['If there is tingling behind the knee or in the foot, point the toes away; note it if it doesn’t go.'],
  notFor: ['A fresh hamstring tear', 'Leg pain spreading below the knee, until cleared'],
  faults: ['Thigh drifting away from upright', 'Pelvis rolling back', 'Foot pulled up hard'],
};

const STRAIGHT_LEG_RAISE: RomTest = {
  ...ACTIVE_KNEE_EXTENSION,
  id: 'straight-leg-raise',
  name: 'Straight-leg raise',
  motion: 'hip flexion, knee straight',
  purpose: 'How far the straight leg comes up: hamstrings and what is behind the leg together.',
  landmarks: ['greater trochanter', 'lateral knee joint line', 'line of the trunk'],
  steps: [
    'On the back, both legs straight, the other leg held flat.',
    'Raise the leg slowly, knee straight, foot relaxed, to the first firm resistance.',
    'Read the angle of the thigh from the floor.',
  ],
  endPoint: 'the knee bends, the pelvis rolls, or the other leg lifts',
  instruments: ['inclinometer', 'goniometer'],
  reads: 'degrees of the leg from the floor',
  better: 'more',
  plausible: { min: 10, max: 150 },
  scale: { stiffest: 20, freest: 120 },
  error: {
    sem: 3.5,
    source: practice(
      'A working default: errors printed within one session are smaller, between assessments larger (9-16° for a real change).',
    ),
  },
  reference: {
    kind: 'table',
    rows: [
      { sex: 'male', ages: [20, 79], value: { mean: 68.5, sd: 6.8 } },
      { sex: 'female', ages: [20, 79], value: { mean: 76.3, sd: 9.5 } },
    ],
    source: memory('Youdas JW et al. 2005, JOSPT 35(4):246-252: passive raise, 214 adults of 20-79 years.'),
    otherwise: { value: 80, source: memory('Kendall; Magee: about 80° (70-90°), without a spread.') },
  },
};

const SIT_AND_REACH: RomTest = {
  id: 'sit-and-reach',
  name: 'Sit-and-reach',
  motion: 'trunk and hip flexion, knees straight',
  purpose:
    'Reach towards the feet with the legs straight: hamstrings and back together; a field test, not a hamstring test alone.',
  position: 'sitting',
  landmarks: ['fingertips', 'box with its zero 26 cm before the feet'],
  steps: [
    'Sit with straight knees, bare soles against the box, its 26 cm mark at the soles.',
    'One hand on the other, breathe out and reach slowly as far as it goes; stay there two seconds.',
    'Read the mark at the fingertips.',
  ],
  endPoint: 'a knee bends, or the hands move unevenly',
  instruments: ['reach box'],
  unit: 'cm',
  reads: 'centimetres on a box with 26 cm at the feet',
  better: 'more',
  sides: 'none',
  valueRule: 'best',
  repeatTolerance: 1.5,
  resolution: 0.5,
  plausible: { min: 0, max: 65 },
  scale: { stiffest: 0, freest: 55 },
  error: { sem: 1.5, source: practice('About 1-2 cm is usual; a working default until you have measured your own.') },
  sideThreshold: null,
  reference: {
    kind: 'grades',
    rows: (
      [
        ['male', 20, 30, 40],
        ['female', 20, 33, 41],
        ['male', 30, 28, 38],
        ['female', 30, 32, 41],
        ['male', 40, 24, 35],
        ['female', 40, 30, 38],
        ['male', 50, 24, 35],
        ['female', 50, 30, 39],
        ['male', 60, 20, 33],
        ['female', 60, 27, 35],
      ] as const
    ).map(([sex, from, good, excellent]) => ({ sex, ages: [from, from + 9] as const, value: { good, excellent } })),
    source: memory(
      'CSEP, CPAFLA 3rd ed. 2003, in ACSM GETP: grades by decade and sex, box zero at 26 cm, best of two.',
    ),
  },
  limits: [
    { group: 'hamstrings', weight: 0.7 },
    { group: 'low-back', weight: 0.3 },
  ],
  cautions: ['No bouncing; with back trouble use the active knee extension instead.'],
  notFor: ['Brittle bones', 'A disc trouble that spreads into the leg', 'The first two hours after waking'],
  faults: ['Knees bending', 'Jerking forward', 'One hand ahead of the other'],
};

const CHAIR_SIT_AND_REACH: RomTest = {
  ...SIT_AND_REACH,
  id: 'chair-sit-and-reach',
  name: 'Chair sit-and-reach',
  purpose:
    'The same reach from a chair, one leg straight: for people of 60 and over, and anyone who can’t get to the floor.',
  landmarks: ['fingertips', 'tip of the shoe'],
  steps: [
    'On the front edge of a steady chair against a wall, one leg straight with the heel on the floor, the other foot flat.',
    'One hand on the other, breathe out and reach towards the toes; stay two seconds.',
    'Read the distance from the fingertips to the tip of the shoe: short of it is negative.',
  ],
  instruments: ['ruler'],
  reads: 'centimetres past the toes, negative when short',
  sides: 'body',
  plausible: { min: -50, max: 40 },
  scale: { stiffest: -30, freest: 25 },
  error: { sem: 2, source: TAPE_ERROR },
  reference: {
    kind: 'middle half',
    rows: (
      [
        ['female', 60, -0.5, 5],
        ['female', 65, -0.5, 4.5],
        ['female', 70, -1, 4],
        ['female', 75, -1.5, 3.5],
        ['female', 80, -2, 3],
        ['female', 85, -2.5, 2.5],
        ['female', 90, -4.5, 1],
        ['male', 60, -2.5, 4],
        ['male', 65, -3, 3],
        ['male', 70, -3, 3],
        ['male', 75, -4, 2],
        ['male', 80, -5.5, 1.5],
        ['male', 85, -5.5, 0.5],
        ['male', 90, -6.5, -0.5],
      ] as const
    ).map(([sex, from, low, high]) => ({
      sex,
      ages: [from, from + 4] as const,
      value: { low: inches(low), high: inches(high) },
    })),
    source: RIKLI_JONES,
  },
  cautions: ['The chair stands against a wall.', 'No bouncing; stop at dizziness.'],
  notFor: ['Brittle bones', 'A hip replacement not cleared for bending'],
};

const FINGER_TO_FLOOR: RomTest = {
  ...SIT_AND_REACH,
  id: 'finger-to-floor',
  name: 'Finger to floor',
  purpose:
    'How near the fingertips come to the floor with straight knees: the motion people mean by touching their toes.',
  position: 'standing',
  landmarks: ['middle fingertip', 'floor'],
  steps: [
    'Barefoot, feet together, knees straight.',
    'Roll down slowly, arms hanging, as far as it goes by itself.',
    'Read the distance from the fingertips to the floor; on a step, below the edge is negative.',
  ],
  endPoint: 'a knee bends',
  instruments: ['tape'],
  reads: 'centimetres to the floor, negative below it',
  better: 'less',
  valueRule: 'mean',
  plausible: { min: -30, max: 80 },
  scale: { stiffest: 50, freest: -15 },
  error: { sem: 2, source: TAPE_ERROR },
  reference: { kind: 'nominal', value: 0, source: practice('Fingertips touch the floor.') },
  cautions: ['Come up slowly: stop at dizziness.', 'With high blood pressure or eye trouble use the sitting form.'],
};

/** Tests of ankle, toe, knee and hamstrings. */
export const LEG_TESTS: readonly RomTest[] = [
  WEIGHT_BEARING_LUNGE,
  LUNGE_ANGLE,
  STRAIGHT_KNEE_DORSIFLEXION,
  PLANTARFLEXION,
  GREAT_TOE_EXTENSION,
  ACTIVE_KNEE_EXTENSION,
  STRAIGHT_LEG_RAISE,
  SIT_AND_REACH,
  CHAIR_SIT_AND_REACH,
  FINGER_TO_FLOOR,
];

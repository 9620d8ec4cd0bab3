import type { RomTest } from '../rom-test.js';
import {
  AAOS,
  BOONE_AZEN,
  GONIOMETER_ERROR,
  inches,
  memory,
  practice,
  RIKLI_JONES,
  TAPE_ERROR,
  YOUDAS_NECK,
} from './sources.js';

/** Men of 20-54 years by Boone & Azen, a consensus value easy else. */
const booneAzen = (mean: number, sd: number, otherwise: number): RomTest['reference'] => ({
  kind: 'table',
  rows: [{ sex: 'male', ages: [20, 54], value: { mean, sd } }],
  source: BOONE_AZEN,
  otherwise: { value: otherwise, source: AAOS },
});

const NECK_ERROR = {
  sem: 2.8,
  source: memory(
    'Audette I et al. 2010, JOSPT 40:318-323: SEM 1.6-2.8° between days with a neck device; the upper end is taken.',
  ),
};

const SIDE_BEND_SLIDE: RomTest = {
  id: 'side-bend-slide',
  name: 'Side-bend slide',
  motion: 'trunk side-bend',
  purpose: 'How far the hand slides down the leg: the side of the trunk that is left behind is stretched.',
  position: 'standing',
  landmarks: ['middle fingertip at rest', 'middle fingertip at the end'],
  steps: [
    'Back against a wall, feet a hand apart; mark the fingertip on the thigh.',
    'Slide the hand down the side of the leg, shoulders on the wall.',
    'Read the distance between the two marks. Named by the side bent to; the other side is stretched.',
  ],
  endPoint: 'a heel lifts, the trunk turns, or a shoulder leaves the wall',
  instruments: ['tape'],
  unit: 'cm',
  reads: 'centimetres of slide, to the side named',
  better: 'more',
  sides: 'direction',
  valueRule: 'mean',
  repeatTolerance: 1.5,
  resolution: 0.5,
  plausible: { min: 0, max: 45 },
  scale: { stiffest: 0, freest: 32 },
  error: { sem: 1.2, source: TAPE_ERROR },
  sideThreshold: null,
  reference: {
    kind: 'none',
    why: 'The slide depends on height and arm length; compare the two sides and earlier assessments.',
  },
  limits: [
    { group: 'lateral-trunk', weight: 1 },
    { group: 'low-back', weight: 0.3 },
    { group: 'lats', weight: 0.2 },
  ],
  cautions: ['Leg symptoms while bending end the test: note them.'],
  notFor: ['Leg pain spreading below the knee, until cleared'],
  faults: ['Turning', 'Leaning forward', 'Heel lifting'],
};

const SEATED_ROTATION: RomTest = {
  ...SIDE_BEND_SLIDE,
  id: 'seated-rotation',
  name: 'Seated rotation',
  motion: 'thoracic rotation, sitting',
  purpose: 'How far the chest turns over a still pelvis: look behind, throw, swing.',
  position: 'sitting',
  landmarks: ['line of both shoulders', 'line of the pelvis'],
  steps: [
    'On a stool, a cushion held between the knees, a stick across the chest.',
    'Turn slowly as far as it goes, looking along.',
    'Read the angle of the stick from straight ahead. Named by the side turned to.',
  ],
  endPoint: 'a knee moves forward or the trunk leans',
  instruments: ['goniometer', 'inclinometer'],
  unit: 'deg',
  reads: 'degrees, to the side named',
  repeatTolerance: 5,
  resolution: 1,
  plausible: { min: 0, max: 100 },
  scale: { stiffest: 10, freest: 80 },
  error: { sem: 3, source: GONIOMETER_ERROR },
  reference: { kind: 'nominal', value: 45, source: AAOS },
  limits: [
    { group: 'thoracic-rotators', weight: 1 },
    { group: 'lateral-trunk', weight: 0.3 },
  ],
  notFor: ['Brittle bones', 'A fresh rib or back injury'],
  faults: ['Knees moving', 'Leaning', 'Arms pulled round instead of the chest'],
};

const LUMBAR_LOCKED_ROTATION: RomTest = {
  ...SEATED_ROTATION,
  id: 'lumbar-locked-rotation',
  name: 'Lumbar-locked rotation',
  motion: 'thoracic rotation, low back kept still',
  purpose: 'Turns the upper back alone: sitting on the heels keeps the low back out.',
  position: 'all fours',
  landmarks: ['between the shoulder blades'],
  steps: [
    'Sit on the heels, forearms on the floor, one hand behind the head or on the back.',
    'Turn the elbow up and open the chest as far as it goes.',
    'Read the inclinometer across the upper back. Named by the side turned to.',
  ],
  endPoint: 'the buttocks leave the heels or shift to one side',
  instruments: ['inclinometer'],
  reference: { kind: 'nominal', value: 45, source: practice('About 40-50°.') },
  limits: [{ group: 'thoracic-rotators', weight: 1 }],
  notFor: ['Knees that can’t take kneeling', 'Brittle bones'],
};

const SHOULDER_FLEXION: RomTest = {
  id: 'shoulder-flexion',
  name: 'Shoulder flexion, lying',
  motion: 'shoulder flexion',
  purpose: 'How far the arm goes overhead with the back flat: lats and pectorals.',
  position: 'supine',
  landmarks: ['edge of the shoulder blade', 'outer elbow', 'line of the trunk'],
  steps: [
    'On the back, knees bent, low back flat.',
    'Raise the straight arm overhead, thumb up, as far as it goes by itself.',
    'Read the angle of the arm from the side of the body.',
  ],
  endPoint: 'the ribs or the low back lift, or the elbow bends',
  instruments: ['goniometer', 'inclinometer'],
  unit: 'deg',
  reads: 'degrees from the side of the body',
  better: 'more',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: 5,
  resolution: 1,
  plausible: { min: 60, max: 210 },
  scale: { stiffest: 100, freest: 195 },
  error: { sem: 3, source: GONIOMETER_ERROR },
  sideThreshold: null,
  reference: booneAzen(165, 5, 180),
  limits: [
    { group: 'lats', weight: 1 },
    { group: 'pectorals', weight: 0.5 },
    { group: 'triceps', weight: 0.2 },
  ],
  cautions: ['A pinch on top of the shoulder or tingling in the hand ends the test: note it.'],
  notFor: ['A shoulder that slips out', 'A fresh shoulder operation'],
  faults: ['Ribs flaring', 'Elbow bending', 'Arm drifting out'],
};

const SHOULDER_EXTERNAL_ROTATION: RomTest = {
  ...SHOULDER_FLEXION,
  id: 'shoulder-external-rotation',
  name: 'Shoulder external rotation at 90°',
  motion: 'shoulder external rotation, arm out at 90°',
  purpose: 'How far the forearm tips back: pectorals and the front of the shoulder.',
  landmarks: ['point of the elbow', 'wrist', 'upright'],
  steps: [
    'On the back, arm out at 90°, elbow bent to a right angle, a towel under the upper arm.',
    'Let the hand tip back as far as it goes by itself.',
    'Read the angle of the forearm from upright.',
  ],
  endPoint: 'the shoulder blade tips or the low back lifts',
  reads: 'degrees of the forearm from upright, backward',
  plausible: { min: 0, max: 150 },
  scale: { stiffest: 20, freest: 130 },
  reference: booneAzen(99.6, 7.6, 90),
  limits: [
    { group: 'shoulder-rotators', weight: 0.7 },
    { group: 'pectorals', weight: 0.6 },
    { group: 'anterior-shoulder', weight: 0.5 },
  ],
};

const SHOULDER_INTERNAL_ROTATION: RomTest = {
  ...SHOULDER_EXTERNAL_ROTATION,
  id: 'shoulder-internal-rotation',
  name: 'Shoulder internal rotation at 90°',
  motion: 'shoulder internal rotation, arm out at 90°',
  purpose: 'How far the forearm tips forward: the back of the shoulder.',
  steps: [
    'On the back, arm out at 90°, elbow bent to a right angle, a hand on the front of the shoulder.',
    'Let the hand tip forward until the shoulder is about to lift.',
    'Read the angle of the forearm from upright.',
  ],
  endPoint: 'the front of the shoulder lifts',
  reads: 'degrees of the forearm from upright, forward',
  plausible: { min: 0, max: 120 },
  scale: { stiffest: 10, freest: 95 },
  reference: booneAzen(67.1, 4.1, 70),
  limits: [
    { group: 'posterior-shoulder', weight: 1 },
    { group: 'shoulder-rotators', weight: 0.5 },
  ],
};

const HORIZONTAL_ABDUCTION: RomTest = {
  ...SHOULDER_FLEXION,
  id: 'shoulder-horizontal-abduction',
  name: 'Shoulder horizontal abduction',
  motion: 'shoulder horizontal abduction',
  purpose: 'How far the arm opens below the level of the bench: pectorals.',
  landmarks: ['edge of the shoulder blade', 'outer elbow', 'level of the bench'],
  steps: [
    'On the back at the edge of the bench, arm out to the side, elbow straight, palm up.',
    'Let the arm sink below the bench by its weight.',
    'Read the angle of the arm below level.',
  ],
  endPoint: 'the trunk turns or the shoulder blade lifts',
  reads: 'degrees below level',
  plausible: { min: -30, max: 90 },
  scale: { stiffest: -10, freest: 70 },
  reference: booneAzen(45.4, 6.2, 45),
  limits: [
    { group: 'pectorals', weight: 1 },
    { group: 'anterior-shoulder', weight: 0.5 },
    { group: 'elbow-flexors', weight: 0.2 },
  ],
};

const BACK_SCRATCH: RomTest = {
  ...SIDE_BEND_SLIDE,
  id: 'back-scratch',
  name: 'Back scratch',
  motion: 'both shoulders, one hand from above and one from below',
  purpose: 'How near the hands come behind the back: dressing, washing, reaching a zip.',
  landmarks: ['both middle fingertips'],
  steps: [
    'Standing, one hand over the shoulder down the back, palm to the skin.',
    'The other hand from below up the back, palm out; reach towards each other.',
    'Read the gap (negative) or overlap (positive) of the middle fingers. Named by the upper hand.',
  ],
  endPoint: 'the hands pull each other or the trunk twists',
  instruments: ['ruler'],
  reads: 'centimetres of overlap, negative for a gap',
  valueRule: 'best',
  sides: 'body',
  plausible: { min: -60, max: 25 },
  scale: { stiffest: -35, freest: 15 },
  error: { sem: 1.5, source: TAPE_ERROR },
  reference: {
    kind: 'middle half',
    rows: (
      [
        ['female', 60, -3, 1.5],
        ['female', 65, -3.5, 1.5],
        ['female', 70, -4, 1],
        ['female', 75, -5, 0.5],
        ['female', 80, -5.5, 0],
        ['female', 85, -7, -1],
        ['female', 90, -8, -1],
        ['male', 60, -6.5, 0],
        ['male', 65, -7.5, -1],
        ['male', 70, -8, -1],
        ['male', 75, -9, -2],
        ['male', 80, -9.5, -2],
        ['male', 85, -9.5, -3],
        ['male', 90, -10.5, -4],
      ] as const
    ).map(([sex, from, low, high]) => ({
      sex,
      ages: [from, from + 4] as const,
      value: { low: inches(low), high: inches(high) },
    })),
    source: RIKLI_JONES,
  },
  limits: [
    { group: 'shoulder-rotators', weight: 1 },
    { group: 'triceps', weight: 0.4 },
    { group: 'lats', weight: 0.3 },
    { group: 'anterior-shoulder', weight: 0.3 },
  ],
  cautions: ['A pinch in the shoulder or tingling in the hand ends the test: note it.'],
  notFor: ['A shoulder that slips out', 'A fresh shoulder operation'],
  faults: ['Hands pulling', 'Head pushed forward', 'Low back arched'],
};

const NECK_ROTATION: RomTest = {
  ...SEATED_ROTATION,
  id: 'neck-rotation',
  name: 'Neck rotation',
  motion: 'cervical rotation',
  purpose: 'How far the head turns: driving, looking over the shoulder.',
  landmarks: ['tip of the nose', 'point of the shoulder', 'crown'],
  steps: [
    'Sitting tall against a back rest, hands on the thighs.',
    'Turn the head slowly by itself, eyes level, as far as it goes.',
    'Read the angle from straight ahead. Named by the side turned to.',
  ],
  endPoint: 'the shoulders turn along or the chin drops',
  plausible: { min: 0, max: 110 },
  scale: { stiffest: 15, freest: 95 },
  error: NECK_ERROR,
  reference: { kind: 'nominal', value: 60, source: AAOS },
  limits: [
    { group: 'neck-side', weight: 0.7 },
    { group: 'upper-trapezius', weight: 0.5 },
    { group: 'neck-front', weight: 0.4 },
  ],
  cautions: [
    'Never pushed by hand.',
    'Dizziness, double vision, tingling or a new strong headache ends the assessment: refer.',
  ],
  notFor: ['Neck with dizziness, drop attacks, trouble speaking or swallowing', 'Inflammatory arthritis of the neck'],
  faults: ['Shoulders turning', 'Chin dropping', 'Slumping'],
};

const NECK_SIDE_BEND: RomTest = {
  ...NECK_ROTATION,
  id: 'neck-side-bend',
  name: 'Neck side-bend',
  motion: 'cervical side-bend',
  purpose: 'How far the ear goes to the shoulder: the side left behind is stretched.',
  landmarks: ['bridge of the nose', 'seventh neck bone'],
  steps: [
    'Sitting tall against a back rest, hands under the thighs.',
    'Take the ear towards the shoulder by itself, nose ahead.',
    'Read the angle from upright. Named by the side bent to; the other side is stretched.',
  ],
  endPoint: 'the shoulder comes up or the head turns',
  instruments: ['inclinometer', 'goniometer'],
  plausible: { min: 0, max: 80 },
  scale: { stiffest: 5, freest: 65 },
  reference: { kind: 'nominal', value: 45, source: AAOS },
  limits: [
    { group: 'upper-trapezius', weight: 1 },
    { group: 'neck-side', weight: 1 },
  ],
};

const NECK_FLEXION: RomTest = {
  ...NECK_ROTATION,
  id: 'neck-flexion',
  name: 'Neck flexion',
  motion: 'cervical flexion',
  purpose: 'How far the chin comes to the chest: the back of the neck.',
  landmarks: ['side of the head', 'seventh neck bone'],
  steps: [
    'Sitting tall against a back rest.',
    'Chin in, then nod the head down by itself.',
    'Read the angle from upright.',
  ],
  endPoint: 'the upper back leaves the rest',
  instruments: ['inclinometer'],
  reads: 'degrees from upright',
  sides: 'none',
  plausible: { min: 0, max: 90 },
  scale: { stiffest: 10, freest: 75 },
  reference: { kind: 'nominal', value: 45, source: AAOS },
  limits: [{ group: 'neck-back', weight: 1 }],
};

const neckDecades = (sex: 'female' | 'male', values: readonly (readonly [mean: number, sd: number])[]) =>
  values.map(([mean, sd], i) => ({ sex, ages: [20 + 10 * i, 29 + 10 * i] as const, value: { mean, sd } }));

const NECK_EXTENSION: RomTest = {
  ...NECK_FLEXION,
  id: 'neck-extension',
  name: 'Neck extension',
  motion: 'cervical extension',
  purpose: 'How far the head goes back: the front of the neck.',
  steps: [
    'Sitting tall against a back rest that ends below the shoulder blades.',
    'Chin in, then look up slowly by itself; stay a moment and come back.',
    'Read the angle from upright.',
  ],
  endPoint: 'the upper back arches, or anything but a stretch is felt',
  plausible: { min: 0, max: 120 },
  scale: { stiffest: 20, freest: 100 },
  reference: {
    kind: 'table',
    rows: [
      ...neckDecades('male', [
        [76.7, 12.8],
        [68.2, 12.8],
        [62.5, 12.2],
        [59.9, 10.4],
        [57.4, 10.5],
        [53.7, 14.4],
      ]),
      ...neckDecades('female', [
        [85.6, 10.6],
        [78, 13.8],
        [77.5, 13.2],
        [65.3, 16],
        [65.2, 13.3],
        [54.8, 10.2],
      ]),
    ],
    source: YOUDAS_NECK,
    otherwise: { value: 45, source: AAOS },
  },
  limits: [{ group: 'neck-front', weight: 1 }],
};

const WRIST_EXTENSION: RomTest = {
  id: 'wrist-extension',
  name: 'Wrist extension',
  motion: 'wrist extension',
  purpose: 'How far the hand bends back: hands on the floor, push-ups, handwork.',
  position: 'sitting',
  landmarks: ['inner elbow', 'inner wrist', 'fifth metacarpal'],
  steps: [
    'Sitting, forearm flat on a table, palm down, hand over the edge.',
    'Lift the hand by itself, fingers loose.',
    'Read the angle of the hand from the forearm.',
  ],
  endPoint: 'the forearm leaves the table or the hand turns sideways',
  instruments: ['goniometer'],
  unit: 'deg',
  reads: 'degrees from the line of the forearm',
  better: 'more',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: 5,
  resolution: 1,
  plausible: { min: 0, max: 120 },
  scale: { stiffest: 15, freest: 100 },
  error: { sem: 3, source: GONIOMETER_ERROR },
  sideThreshold: null,
  reference: booneAzen(74, 6.6, 70),
  limits: [{ group: 'forearm-flexors', weight: 1 }],
  cautions: ['Tingling in the fingers ends the test: note it.'],
  notFor: ['An inflamed or freshly injured wrist'],
  faults: ['Forearm lifting', 'Fingers stretched hard'],
};

const WRIST_FLEXION: RomTest = {
  ...WRIST_EXTENSION,
  id: 'wrist-flexion',
  name: 'Wrist flexion',
  motion: 'wrist flexion',
  purpose: 'How far the hand bends forward: the top of the forearm.',
  steps: [
    'Sitting, forearm flat on a table, palm down, hand over the edge.',
    'Let the hand drop and bend by itself, fingers loose.',
    'Read the angle of the hand from the forearm.',
  ],
  reference: booneAzen(74.8, 6.6, 80),
  limits: [{ group: 'forearm-extensors', weight: 1 }],
};

/** Tests of trunk, shoulder, neck and wrist. */
export const UPPER_TESTS: readonly RomTest[] = [
  SIDE_BEND_SLIDE,
  SEATED_ROTATION,
  LUMBAR_LOCKED_ROTATION,
  SHOULDER_FLEXION,
  SHOULDER_EXTERNAL_ROTATION,
  SHOULDER_INTERNAL_ROTATION,
  HORIZONTAL_ABDUCTION,
  BACK_SCRATCH,
  NECK_ROTATION,
  NECK_SIDE_BEND,
  NECK_FLEXION,
  NECK_EXTENSION,
  WRIST_EXTENSION,
  WRIST_FLEXION,
];

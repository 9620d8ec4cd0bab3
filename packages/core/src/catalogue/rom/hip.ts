import type { RomTest } from '../rom-test.js';
import { AAOS, GONIOMETER_ERROR, memory, practice, ROACH_MILES, TAPE_ERROR } from './sources.js';

/** Mean and SD of Roach & Miles by age, both sexes. */
const roachMiles = (
  young: readonly [number, number],
  middle: readonly [number, number],
  old: readonly [number, number],
  otherwise: number,
): RomTest['reference'] => ({
  kind: 'table',
  rows: (
    [
      [25, 39, young],
      [40, 59, middle],
      [60, 74, old],
    ] as const
  ).map(([from, to, [mean, sd]]) => ({ sex: null, ages: [from, to] as const, value: { mean, sd } })),
  source: ROACH_MILES,
  otherwise: { value: otherwise, source: AAOS },
});

const HARVEY = memory('Harvey D 1998, Br J Sports Med 32(1):68-70: mean of 117 elite athletes, no spread.');

const THOMAS_HIP: RomTest = {
  id: 'thomas-hip',
  name: 'Modified Thomas, hip',
  motion: 'hip extension, knee free',
  purpose: 'How far the thigh drops below level when the other knee is held: the hip flexors of who sits a lot.',
  position: 'supine',
  landmarks: ['greater trochanter', 'lateral knee joint line', 'level of the bench'],
  steps: [
    'Sit on the very edge of the bench and roll back, both knees to the chest.',
    'Hold one knee so that the low back just stays flat; let the other leg hang.',
    'Read the angle of the hanging thigh from level: below level is positive.',
  ],
  endPoint: 'the low back leaves the bench, or the thigh drifts sideways',
  instruments: ['goniometer', 'inclinometer'],
  unit: 'deg',
  reads: 'degrees below level, negative above it',
  better: 'more',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: 5,
  resolution: 1,
  plausible: { min: -45, max: 45 },
  scale: { stiffest: -30, freest: 30 },
  error: { sem: 3, source: GONIOMETER_ERROR },
  sideThreshold: null,
  reference: { kind: 'nominal', value: 11.9, source: HARVEY },
  limits: [
    { group: 'hip-flexors', weight: 1 },
    { group: 'quadriceps', weight: 0.3 },
  ],
  cautions: [
    'Help the client back onto the bench; the edge can tip.',
    'A pinch in the front of the held hip ends the test.',
  ],
  notFor: ['A hip replacement that has not been cleared', 'Late pregnancy'],
  faults: ['Low back arching', 'Held knee pulled too far', 'Thigh drifting out'],
};

const THOMAS_KNEE: RomTest = {
  ...THOMAS_HIP,
  id: 'thomas-knee',
  name: 'Modified Thomas, knee',
  motion: 'knee flexion, hip extended',
  purpose: 'How far the hanging knee stays bent: the part of the quadriceps that crosses the hip.',
  landmarks: ['greater trochanter', 'lateral knee joint line', 'lateral malleolus'],
  steps: [
    'In the same position, leg hanging loose.',
    'Leave the thigh where it hangs and let the shin drop.',
    'Read the bend of the knee from straight.',
  ],
  reads: 'degrees of knee bend',
  plausible: { min: 0, max: 120 },
  scale: { stiffest: 15, freest: 90 },
  error: { sem: 4, source: GONIOMETER_ERROR },
  reference: { kind: 'nominal', value: 52.5, source: HARVEY },
  limits: [{ group: 'quadriceps', weight: 1 }],
};

const THOMAS_DRIFT: RomTest = {
  ...THOMAS_HIP,
  id: 'thomas-drift',
  name: 'Modified Thomas, drift',
  motion: 'hip abduction while extending',
  purpose: 'How far the hanging thigh drifts out: the outer hip pulling it there.',
  landmarks: ['both front hip bones', 'centre of the kneecap'],
  steps: [
    'In the same position, leg hanging loose.',
    'Look along the body: let the thigh lie where it wants.',
    'Read the angle of the thigh out from the line of the body.',
  ],
  endPoint: 'the pelvis turns',
  reads: 'degrees out from the line of the body',
  better: 'less',
  plausible: { min: -10, max: 50 },
  scale: { stiffest: 40, freest: 0 },
  reference: { kind: 'nominal', value: 15.6, source: HARVEY },
  limits: [{ group: 'lateral-hip', weight: 1 }],
};

const PRONE_KNEE_BEND: RomTest = {
  id: 'prone-knee-bend',
  name: 'Prone knee bend',
  motion: 'knee flexion, hip straight',
  purpose: 'How near the heel comes to the buttock with the hip straight: the front of the thigh.',
  position: 'prone',
  landmarks: ['greater trochanter', 'lateral knee joint line', 'lateral malleolus'],
  steps: [
    'Face down, pelvis flat, both legs straight.',
    'Bend the knee slowly, heel towards the buttock, to the first firm resistance.',
    'Read the bend of the knee from straight.',
  ],
  endPoint: 'the buttocks lift or the low back arches',
  instruments: ['goniometer', 'inclinometer'],
  unit: 'deg',
  reads: 'degrees of knee bend',
  better: 'more',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: 5,
  resolution: 1,
  plausible: { min: 40, max: 170 },
  scale: { stiffest: 70, freest: 160 },
  error: {
    sem: 5,
    source: practice('A working default: agreement between testers is modest for this test; measure your own error.'),
  },
  sideThreshold: null,
  reference: { kind: 'nominal', value: 135, source: AAOS },
  limits: [
    { group: 'quadriceps', weight: 1 },
    { group: 'hip-flexors', weight: 0.3 },
  ],
  cautions: [
    'A knee that hurts when bent: stop there and note it.',
    'Use a cushion under the belly when the back arches.',
  ],
  notFor: ['A recent knee operation', 'Late pregnancy'],
  faults: ['Seat lifting', 'Thigh sliding out'],
};

const HIP_ABDUCTION: RomTest = {
  id: 'hip-abduction',
  name: 'Hip abduction',
  motion: 'hip abduction',
  purpose: 'How far the leg opens to the side: adductors.',
  position: 'supine',
  landmarks: ['both front hip bones', 'centre of the kneecap'],
  steps: [
    'On the back, legs straight, kneecaps up, a hand on the other front hip bone.',
    'Slide the leg out until the pelvis is about to move.',
    'Read the angle of the thigh from the line of the body.',
  ],
  endPoint: 'the other hip bone moves or the leg turns out',
  instruments: ['goniometer'],
  unit: 'deg',
  reads: 'degrees out from the line of the body',
  better: 'more',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: 5,
  resolution: 1,
  plausible: { min: 0, max: 90 },
  scale: { stiffest: 10, freest: 75 },
  error: { sem: 3, source: GONIOMETER_ERROR },
  sideThreshold: null,
  reference: roachMiles([44, 11], [42, 11], [39, 12], 45),
  limits: [{ group: 'adductors', weight: 1 }],
  cautions: ['A pinch in the groin ends the test: note it.'],
  notFor: ['A fresh groin strain'],
  faults: ['Pelvis moving along', 'Leg turning out', 'Knee bending'],
};

const BENT_KNEE_FALL_OUT: RomTest = {
  ...HIP_ABDUCTION,
  id: 'bent-knee-fall-out',
  name: 'Bent-knee fall-out',
  motion: 'hip abduction and external rotation, knee bent',
  purpose: 'How near the bent knee falls to the floor: adductors and the front of the hip.',
  landmarks: ['head of the fibula', 'floor or bench'],
  steps: [
    'On the back, knee bent with the foot flat beside the other knee.',
    'Let the knee fall out by its weight, a hand on the other front hip bone.',
    'Read the distance from the head of the fibula to the floor.',
  ],
  instruments: ['tape'],
  unit: 'cm',
  reads: 'centimetres from knee to floor',
  better: 'less',
  repeatTolerance: 1,
  resolution: 0.5,
  plausible: { min: 0, max: 50 },
  scale: { stiffest: 35, freest: 0 },
  error: { sem: 1.1, source: practice('A real change is of the order of 3 cm; a working default.') },
  reference: {
    kind: 'distribution',
    mean: 13,
    sd: 4.4,
    source: memory('Mosler AB et al. 2017, J Sci Med Sport 20:339-343: professional male footballers.'),
  },
  limits: [
    { group: 'adductors', weight: 1 },
    { group: 'deep-hip-rotators', weight: 0.2 },
  ],
  faults: ['Pelvis rolling along', 'Foot sliding away'],
};

const HIP_INTERNAL_ROTATION: RomTest = {
  id: 'hip-internal-rotation',
  name: 'Hip internal rotation',
  motion: 'hip internal rotation, hip straight',
  purpose: 'How far the thigh turns in: deep rotators, squat and change of direction.',
  position: 'prone',
  landmarks: ['centre of the kneecap', 'front edge of the shin'],
  steps: [
    'Face down, knees together, the tested knee bent to a right angle.',
    'Let the foot fall outward until the other side of the pelvis is about to lift.',
    'Read the angle of the shin from upright.',
  ],
  endPoint: 'the pelvis lifts on the tested side',
  instruments: ['inclinometer', 'goniometer'],
  unit: 'deg',
  reads: 'degrees of the shin from upright',
  better: 'more',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: 5,
  resolution: 1,
  plausible: { min: -10, max: 90 },
  scale: { stiffest: 0, freest: 65 },
  error: { sem: 3, source: GONIOMETER_ERROR },
  sideThreshold: null,
  reference: roachMiles([33, 7], [31, 8], [30, 7], 45),
  limits: [{ group: 'deep-hip-rotators', weight: 1 }],
  cautions: ['A pinch in the groin ends the test: note it.'],
  notFor: ['A hip replacement that has not been cleared', 'Late pregnancy'],
  faults: ['Pelvis lifting', 'Knee sliding out'],
};

const HIP_EXTERNAL_ROTATION: RomTest = {
  ...HIP_INTERNAL_ROTATION,
  id: 'hip-external-rotation',
  name: 'Hip external rotation',
  motion: 'hip external rotation, hip straight',
  purpose: 'How far the thigh turns out: sitting cross-legged, the front of the hip.',
  steps: [
    'Face down, the tested knee bent to a right angle.',
    'Let the foot fall inward across the other leg until the pelvis is about to lift.',
    'Read the angle of the shin from upright.',
  ],
  reference: roachMiles([34, 8], [32, 8], [29, 9], 45),
  limits: [
    { group: 'lateral-hip', weight: 0.6 },
    { group: 'adductors', weight: 0.4 },
  ],
};

const HIP_FLEXION: RomTest = {
  ...HIP_ABDUCTION,
  id: 'hip-flexion',
  name: 'Hip flexion, knee bent',
  motion: 'hip flexion',
  purpose: 'How far the knee comes to the chest: gluteals and the back of the hip.',
  landmarks: ['greater trochanter', 'lateral knee joint line', 'line of the trunk'],
  steps: [
    'On the back, other leg flat.',
    'Bring the knee to the chest by hand until the other thigh is about to lift.',
    'Read the angle of the thigh from the floor.',
  ],
  endPoint: 'the other thigh lifts or the low back rounds',
  reads: 'degrees of the thigh from the floor',
  plausible: { min: 60, max: 160 },
  scale: { stiffest: 80, freest: 150 },
  reference: roachMiles([122, 12], [120, 14], [118, 13], 120),
  limits: [
    { group: 'gluteals', weight: 1 },
    { group: 'low-back', weight: 0.2 },
  ],
  cautions: ['A pinch in the front of the hip ends the test: note it.'],
  notFor: ['A hip replacement not cleared beyond 90°'],
  faults: ['Other thigh lifting', 'Knee drifting out'],
};

const SIDE_SPLIT_HEIGHT: RomTest = {
  ...HIP_ABDUCTION,
  id: 'side-split-height',
  name: 'Side split height',
  motion: 'both hips, abduction',
  purpose: 'Height of the pelvis above the floor in the widest supported straddle: for who works towards the split.',
  position: 'standing',
  landmarks: ['crotch', 'floor'],
  steps: [
    'Feet wide on a floor that does not slip, hands on blocks or a chair.',
    'Slide apart slowly to the first firm resistance, kneecaps up.',
    'Read the height of the crotch above the floor.',
  ],
  endPoint: 'the feet roll in, the knees turn, or the hands no longer carry',
  instruments: ['tape'],
  unit: 'cm',
  reads: 'centimetres above the floor',
  better: 'less',
  sides: 'none',
  repeatTolerance: 2,
  resolution: 0.5,
  plausible: { min: 0, max: 110 },
  scale: { stiffest: 80, freest: 0 },
  error: { sem: 2, source: TAPE_ERROR },
  reference: {
    kind: 'none',
    why: 'The height depends on leg length; compare only with the client’s own earlier assessments.',
  },
  limits: [{ group: 'adductors', weight: 1 }],
  cautions: ['Warm, supported, and never bounced.', 'A pinch in the groin or pain inside the knee ends the test.'],
  notFor: ['Beginners', 'Pregnancy', 'A fresh groin strain or knee trouble on the inside'],
  faults: ['Feet rolling in', 'Dropping without the hands'],
};

/** Tests of the hip. */
export const HIP_TESTS: readonly RomTest[] = [
  THOMAS_HIP,
  THOMAS_KNEE,
  THOMAS_DRIFT,
  PRONE_KNEE_BEND,
  HIP_ABDUCTION,
  BENT_KNEE_FALL_OUT,
  HIP_INTERNAL_ROTATION,
  HIP_EXTERNAL_ROTATION,
  HIP_FLEXION,
  SIDE_SPLIT_HEIGHT,
];

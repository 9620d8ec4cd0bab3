import { CoreError } from '../errors.js';
import type { RomTest } from '../measuring/rom-test.js';
import { semFromMdc95 } from '../measuring/error.js';

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
  sided: true,
  valueRule: 'mean',
  repeatTolerance: 1,
  resolution: 0.1,
  plausible: { min: 0, max: 25 },
  scale: { stiffest: 0, freest: 16 },
  error: {
    sem: semFromMdc95(1.9),
    source: {
      origin: 'memory',
      text: 'Powden CJ, Hoch JM, Hoch MC 2015, Man Ther 20(4):524-532: MDC 1.9 cm, same tester; the SEM is derived from it.',
    },
  },
  sideThreshold: {
    value: 1.5,
    source: { origin: 'practice', text: 'Healthy sides mostly lie within 1.5 cm of each other.' },
  },
  reference: {
    kind: 'distribution',
    mean: 9.5,
    sd: 3.1,
    source: {
      origin: 'memory',
      text: 'Konor MM et al. 2012, Int J Sports Phys Ther 7(3):279-287: 9.5 (SD 3.1) cm in 20 healthy adults. A small sample.',
    },
  },
  limits: [
    { group: 'soleus', weight: 1 },
    { group: 'calf', weight: 0.3 },
  ],
  cautions: [
    'With poor balance the hands stay on the wall.',
    'Pinching in the front of the ankle ends the test: note it.',
  ],
  notFor: ['A fresh ankle or foot injury', 'Standing on this leg is not allowed'],
  faults: ['Heel lifting', 'Arch rolling in', 'Knee off the line', 'Foot turned out'],
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
  sided: true,
  valueRule: 'mean',
  repeatTolerance: 5,
  resolution: 1,
  plausible: { min: -15, max: 100 },
  scale: { stiffest: 70, freest: 0 },
  error: {
    sem: 3,
    source: {
      origin: 'practice',
      text: 'A working default until you have measured your own: printed errors of this test range too widely to quote one.',
    },
  },
  sideThreshold: null,
  reference: {
    kind: 'nominal',
    value: 20,
    source: {
      origin: 'memory',
      text: 'Magee, Orthopedic Physical Assessment: within about 20° of straight. A convention without a spread.',
    },
  },
  limits: [{ group: 'hamstrings', weight: 1 }],
  cautions: ['A nervy feeling behind the knee or in the foot: point the toes away, and note it when it stays.'],
  notFor: ['A fresh hamstring tear', 'Leg pain spreading below the knee, until cleared'],
  faults: ['Thigh drifting away from upright', 'Pelvis rolling back', 'Foot pulled up hard'],
};

/** The range-of-motion tests that ship with the product, in the order of positions of a visit. */
export const ROM_TESTS: readonly RomTest[] = [WEIGHT_BEARING_LUNGE, ACTIVE_KNEE_EXTENSION];

/**
 * A test by its id.
 * @throws CoreError `unknown-test`
 */
export function romTestById(id: string): RomTest {
  const test = ROM_TESTS.find((t) => t.id === id);
  if (!test) throw new CoreError('unknown-test', `There is no test "${id}". Choose one from the battery.`);
  return test;
}

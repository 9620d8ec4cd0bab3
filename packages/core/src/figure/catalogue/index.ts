import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import { EXERCISES } from '../../catalogue/exercises.js';
import { ROM_TESTS } from '../../catalogue/tests.js';
import type { Figure } from '../figure.js';
import { ANKLE_FIGURES } from './ankle.js';
import { HIP_FIGURES } from './hip.js';
import { ARM_HOLD_AND_WORK_FIGURES } from './arm-holds-and-work.js';
import { BREATHING_FIGURES } from './breathing.js';
import { SHOULDER_HOLD_FIGURES } from './holds-shoulder.js';
import { TRUNK_HOLD_FIGURES } from './holds-trunk.js';
import { NECK_MOVES_AND_WORK_FIGURES } from './neck-moves-and-work.js';
import { WARM_UP_FIGURES } from './warm-up.js';
import { SHOULDER_WORK_FIGURES } from './work-shoulder.js';
import { TRUNK_WORK_FIGURES } from './work-trunk.js';
import { HIP_HOLD_FIGURES } from './holds-hip.js';
import { HIP_WORK_FIGURES } from './work-hip.js';
import { LEG_HOLD_FIGURES } from './holds-leg.js';
import { LEG_WORK_FIGURES } from './work-leg.js';
import { RELEASE_FIGURES } from './release.js';
import { TRUNK_FIGURES } from './trunk.js';
import { NECK_FIGURES } from './neck.js';
import { SHOULDER_FIGURES } from './shoulder.js';
import { TEST_FIGURES } from './tests.js';
import { THIGH_FIGURES } from './thigh.js';

/** The figures that ship with the product, by the id of their exercise or test. */
export const FIGURES: Readonly<Record<string, Figure>> = {
  ...ANKLE_FIGURES,
  ...THIGH_FIGURES,
  ...HIP_FIGURES,
  ...TRUNK_FIGURES,
  ...SHOULDER_FIGURES,
  ...NECK_FIGURES,
  ...SHOULDER_HOLD_FIGURES,
  ...SHOULDER_WORK_FIGURES,
  ...ARM_HOLD_AND_WORK_FIGURES,
  ...NECK_MOVES_AND_WORK_FIGURES,
  ...BREATHING_FIGURES,
  ...WARM_UP_FIGURES,
  ...TRUNK_HOLD_FIGURES,
  ...TRUNK_WORK_FIGURES,
  ...HIP_HOLD_FIGURES,
  ...HIP_WORK_FIGURES,
  ...LEG_HOLD_FIGURES,
  ...LEG_WORK_FIGURES,
  ...RELEASE_FIGURES,
  ...TEST_FIGURES,
};

/** Groups to mark on a figure, and whether on both sides: those an exercise stretches, or the first that limits a test. */
export function figureGroups(id: string): { readonly groups: readonly MuscleGroupId[]; readonly both: boolean } {
  const exercise = EXERCISES.find((e) => e.id === id);
  if (exercise) return { groups: [exercise.primary], both: exercise.sides === 'both' };
  const test = ROM_TESTS.find((t) => t.id === id);
  return { groups: test ? test.limits.slice(0, 1).map((l) => l.group) : [], both: test?.sides === 'none' };
}

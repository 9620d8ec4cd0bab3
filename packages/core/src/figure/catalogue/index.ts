import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import { EXERCISES } from '../../catalogue/exercises.js';
import { ROM_TESTS } from '../../catalogue/tests.js';
import type { Figure } from '../figure.js';
import { ANKLE_FIGURES } from './ankle.js';
import { HIP_FIGURES } from './hip.js';
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
  ...TEST_FIGURES,
};

/** Groups to mark on a figure, and whether on both sides: those an exercise stretches, or the first that limits a test. */
export function figureGroups(id: string): { readonly groups: readonly MuscleGroupId[]; readonly both: boolean } {
  const exercise = EXERCISES.find((e) => e.id === id);
  if (exercise) return { groups: [exercise.primary], both: exercise.sides === 'both' };
  const test = ROM_TESTS.find((t) => t.id === id);
  return { groups: test ? test.limits.slice(0, 1).map((l) => l.group) : [], both: test?.sides === 'none' };
}

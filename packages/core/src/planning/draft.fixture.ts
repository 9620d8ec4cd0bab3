import { exerciseById } from '../catalogue/exercises.js';
import { styleById } from '../styles/index.js';
import type { Prescription } from '../technique/prescription.js';
import { buildBlock } from './block.js';
import { blockInputOf, newLane, type BlockDraft, type PlanContext } from './draft.js';
import { dayPlanOf } from './day-plan/day-plan.js';
import type { PlanClient } from './limits.js';

export const adult: PlanClient = { age: 40, experience: 'regular', trainingDays: [1, 3, 5], gentleGroups: [] };
export const context: PlanContext = { client: adult, findStyle: styleById, findExercise: exerciseById };
export const draft: BlockDraft = {
  startDate: '2026-03-09',
  weeks: 8,
  ramp: 0.2,
  easierEvery: 4,
  easierWeeks: null,
  missedWeeks: [],
  away: [],
  lanesPerSession: 5,
  dayPlans: [dayPlanOf({ trainingDays: [1, 3, 5] })],
  smallestPlate: null,
  lanes: [
    newLane('a', 'soleus', 'steady-hold', [
      { technique: 'static hold', exerciseId: 'bent-knee-wall-calf', dayPlanId: null },
    ]),
    newLane('b', 'hamstrings', 'steady-hold', [
      { technique: 'static hold', exerciseId: 'supine-strap-hamstring', dayPlanId: null },
    ]),
  ],
};
export const planOf = (d: BlockDraft, c: PlanContext = context) => buildBlock(blockInputOf(d, c));
export const hold = (sets: number, holdSeconds: number): Prescription => ({
  technique: 'static hold',
  sets,
  holdSeconds,
  sessionsPerWeek: 3,
  sensation: 5,
});

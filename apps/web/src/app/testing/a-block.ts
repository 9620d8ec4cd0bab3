import type { Block } from '@yandle/contract';
import {
  addDays,
  blockInputOf,
  buildBlock,
  dayPlanOf,
  exerciseById,
  newLane,
  scheduleRetests,
  styleById,
  type BlockDraft,
  type MuscleGroupId,
  NO_EFFECT,
} from '@yandle/core';
import { PATH } from './screen';

/** A lane of one static hold, with the id "l-" and its group. */
export const aLane = (group: MuscleGroupId, exerciseId: string, over: object = {}) => ({
  ...newLane(`l-${group}`, group, 'steady-hold', [{ technique: 'static hold', exerciseId, dayPlanId: null }]),
  ...over,
});

/** Choices for a block of two lanes that began on Monday 9 March 2026. */
export const aDraft = (over: Partial<BlockDraft> = {}): BlockDraft => ({
  startDate: '2026-03-09',
  weeks: 8,
  ramp: 0.2,
  easierEvery: 4,
  easierWeeks: null,
  missedWeeks: [],
  away: [],
  lanesPerSession: 5,
  dayPlans: [dayPlanOf({ trainingDays: PATH.client.trainingDays, minutesPerSession: PATH.client.minutesPerSession })],
  smallestPlate: null,
  lanes: [aLane('soleus', 'bent-knee-wall-calf'), aLane('hamstrings', 'supine-strap-hamstring')],
  ...over,
});

/** The block that the server would make of some choices, for the client of the specs. */
export function aBlock(choices: BlockDraft = aDraft(), over: Partial<Block> = {}): Block {
  const c = PATH.client;
  const plan = buildBlock(
    blockInputOf(choices, {
      client: {
        age: 46,
        experience: c.experience,
        trainingDays: c.trainingDays,
        gentleGroups: [],
        cautions: NO_EFFECT,
        hypermobile: false,
        minutesPerSession: c.minutesPerSession,
      },
      findStyle: styleById,
      findExercise: exerciseById,
    }),
  );
  return {
    id: 'b1',
    clientId: 'c1',
    version: 2,
    revision: 1,
    choices,
    basis: null,
    startDate: choices.startDate,
    endDate: addDays(choices.startDate, 7 * choices.weeks - 1),
    weeks: choices.weeks,
    lanes: plan.lanes.map((l, i) => ({ id: choices.lanes[i]!.id, ...l })),
    retests: scheduleRetests(plan.retestWeeks, choices.startDate, []),
    shortages: plan.shortages,
    changeableFrom: 1,
    endedAt: null,
    ...over,
  };
}

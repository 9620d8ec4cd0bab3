import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import { buildBlock } from './block.js';
import { applyFix } from './revision/edit.js';
import { checkBlock } from './check/check.js';
import { blockInputOf, newLane, type BlockDraft, type PlanContext } from './draft.js';
import { dayPlanOf } from './day-plan/day-plan.js';
import type { LockedCell } from './plan.js';
import { styleById } from '../styles/index.js';
import { adult, hold, lock } from './rules.fixture.js';

describe('fixes', () => {
  const draft = (locked: readonly LockedCell[], over: Partial<BlockDraft> = {}): BlockDraft => ({
    startDate: '2026-03-09',
    weeks: 8,
    ramp: 0.2,
    easierEvery: 4,
    easierWeeks: null,
    missedWeeks: [],
    away: [],
    lanesPerSession: 5,
    dayPlans: [dayPlanOf({ trainingDays: [1, 3, 5], minutesPerSession: 20 })],
    smallestPlate: null,
    lanes: [
      {
        ...newLane('l', 'soleus', 'steady-hold', [
          { technique: 'static hold', exerciseId: 'bent-knee-wall-calf', dayPlanId: null },
        ]),
        locked,
      },
    ],
    ...over,
  });
  const context: PlanContext = {
    client: { ...adult, minutesPerSession: 20 },
    findStyle: styleById,
    findExercise: exerciseById,
  };

  it('applied one after the other leave nothing broken', () => {
    let d = draft([lock(2, hold(4, 60, 3, 6)), lock(3, hold(5, 90, 3, 6)), lock(4, hold(4, 60, 3, 6))], {
      easierEvery: null,
    });
    for (let i = 0; i < 30; i++) {
      const input = blockInputOf(d, context);
      const fix = checkBlock(input, buildBlock(input)).find((v) => v.fix !== null)?.fix;
      if (!fix) break;
      d = applyFix(d, fix);
    }
    const input = blockInputOf(d, context);
    expect(checkBlock(input, buildBlock(input))).toEqual([]);
  });
});

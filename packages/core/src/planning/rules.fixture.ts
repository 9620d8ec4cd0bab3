import type { Prescription } from '../technique/prescription.js';
import { buildBlock } from './block.js';
import { type BlockRuleId, type Violation } from './check/violation.js';
import { checkBlock } from './check/check.js';
import type { BlockInput, LaneInput, LockedCell } from './plan.js';

export const adult = { age: 40, experience: 'regular', trainingDays: [1, 3, 5], gentleGroups: [] } as const;
export const steady = (over: Partial<LaneInput> = {}): LaneInput => ({
  group: 'soleus',
  styleId: 'steady-hold',
  ...over,
});
export const hold = (sets: number, holdSeconds: number, sessionsPerWeek = 3, sensation = 5): Prescription => ({
  technique: 'static hold',
  sets,
  holdSeconds,
  sessionsPerWeek,
  sensation,
});
export const lock = (week: number, prescription: Prescription): LockedCell => ({ week, prescription });
export const ask = (lanes: readonly LaneInput[], over: Partial<BlockInput> = {}): BlockInput => ({
  client: adult,
  lanes,
  weeks: 8,
  ramp: 0.2,
  easierEvery: 4,
  ...over,
});
export const check = (input: BlockInput): Violation[] => checkBlock(input, buildBlock(input));
export const broken = (input: BlockInput, rule: BlockRuleId) => check(input).filter((v) => v.rule === rule);
export const doses = (input: BlockInput, lane = 0) => buildBlock(input).lanes[lane]!.weeks.map((w) => w.dose);

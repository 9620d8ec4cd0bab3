import { plainSegment } from './segment.js';
import type { TechniqueKind } from './shape.js';

/** Slow pressure with roller or ball. It stretches nothing: its seconds are logged, not counted as dose. */
export const ROLLING: TechniqueKind = {
  breath: 'Slow and even; let tight spots melt on the breath out.',
  begin: 'Find the place; lean on lightly.',
  unit: 'seconds',
  loaded: false,
  stretches: false,
  still: false,
  held: false,
  planned: true,
  calms: true,
  demands: ['pressure'],
  section: 0,
  fields: ['sets', 'holdSeconds', 'sessionsPerWeek'],
  needs: [],
  amount: { min: 30, max: 120 },
  defaults: { holdSeconds: 30, amountFloor: 20, stepSize: 1, step: 5, cap: 60 },
  handStep: 5,
  variables: [],
  extra: {},
  logged: () => 1,
  dose: () => 0,
  beats: () => [],
  segments: (b) => [plainSegment('roll', b.holdSeconds, { code: 'roll' }, b.holdSeconds)],
};

import { plainSegment, stageSeconds } from './segment.js';
import type { TechniqueKind } from './shape.js';

/** The end position, held and breathed into. Stages belong to a hold. */
export const STATIC_HOLD: TechniqueKind = {
  breath: 'Slow and easy through the nose; settle a little on each breath out.',
  begin: 'Go to the first clear pull.',
  unit: 'seconds',
  loaded: false,
  stretches: true,
  still: true,
  held: true,
  planned: true,
  calms: true,
  demands: [],
  section: 3,
  fields: ['sets', 'holdSeconds', 'sessionsPerWeek'],
  needs: [],
  amount: { min: 15, max: 120 },
  defaults: { holdSeconds: 30, amountFloor: 20, stepSize: 5, step: 5, cap: 60 },
  handStep: 5,
  variables: [],
  extra: {},
  logged: () => 1,
  dose: (b) => b.holdSeconds,
  beats: () => [],
  segments: (b, _, { stages }) => {
    if (stages.length < 2) return [plainSegment('hold', b.holdSeconds, { code: 'hold' }, b.holdSeconds)];
    const seconds = stageSeconds(b.holdSeconds, stages);
    return stages.map(({ name }, i) => ({
      ...plainSegment('hold', seconds[i]!, { code: 'stage', args: { name } }, seconds[i]),
      ends: i === stages.length - 1,
    }));
  },
};

import { plainSegment } from './segment.js';
import type { TechniqueKind } from './shape.js';

/** A position held by work, not by a stretch: a plank. It strains as a push does. Its seconds are logged, not counted as dose. */
export const ACTIVATION_HOLD: TechniqueKind = {
  breath: 'Keep breathing evenly; never hold the breath.',
  begin: 'Get into line; begin without strain.',
  unit: 'seconds',
  loaded: false,
  stretches: false,
  still: false,
  held: true,
  planned: false,
  calms: false,
  demands: ['push'],
  section: 4,
  fields: ['sets', 'holdSeconds', 'sessionsPerWeek'],
  needs: [],
  amount: { min: 10, max: 60 },
  defaults: { holdSeconds: 20, amountFloor: 10, stepSize: 1, step: 5, cap: 60 },
  handStep: 5,
  variables: [],
  extra: {},
  logged: () => 1,
  dose: () => 0,
  beats: () => [],
  segments: (b) => [plainSegment('hold', b.holdSeconds, { code: 'hold' }, b.holdSeconds)],
};

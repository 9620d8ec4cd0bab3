import { plainSegment, supportArgs } from './segment.js';
import type { TechniqueKind } from './shape.js';

/** The loaded end position, held. */
export const LOADED_ISOMETRIC: TechniqueKind = {
  breath: 'Keep breathing evenly; never hold the breath.',
  begin: 'Go to the first clear pull.',
  unit: 'seconds',
  loaded: true,
  stretches: true,
  still: false,
  held: false,
  planned: true,
  calms: false,
  demands: ['load'],
  section: 2,
  fields: ['sets', 'holdSeconds', 'sessionsPerWeek', 'assistance'],
  needs: [],
  amount: { min: 10, max: 45 },
  defaults: { holdSeconds: 30, amountFloor: 20, stepSize: 1, step: 5, cap: 60 },
  handStep: 1,
  variables: ['assistance', 'load'],
  extra: {},
  logged: () => 1,
  dose: (b) => b.holdSeconds,
  beats: () => [],
  segments: (b) => [plainSegment('hold', b.holdSeconds, { code: 'hold-loaded', args: supportArgs(b) }, b.holdSeconds)],
};

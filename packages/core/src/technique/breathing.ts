import { breathBeats } from './beats.js';
import { repeatedSegment } from './segment.js';
import type { TechniqueKind } from './shape.js';
import { breathOf } from './timings.js';

/** Slow breaths at the client's own pace. */
export const BREATHING: TechniqueKind = {
  breath: 'In through the nose, out twice as long.',
  begin: 'Let the breath come to rest.',
  unit: 'breaths',
  loaded: false,
  stretches: false,
  still: false,
  held: false,
  planned: true,
  calms: true,
  demands: [],
  section: 5,
  fields: ['sets', 'reps', 'sessionsPerWeek'],
  needs: [],
  amount: { min: 5, max: 20 },
  defaults: { holdSeconds: 0, amountFloor: 4, stepSize: 1, step: 1, cap: 12 },
  handStep: 1,
  variables: [],
  extra: {},
  logged: () => 1,
  dose: () => 0,
  beats: (_, t) => breathBeats(breathOf(t)),
  segments: (b, t, { turns }) => {
    const breaths = b.reps ?? 0;
    return [
      repeatedSegment('breaths', breathBeats(breathOf(t)), breaths, turns, { code: 'breathe', args: { breaths } }),
    ];
  },
};

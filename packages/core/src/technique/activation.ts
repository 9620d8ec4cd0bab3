import type { TechniqueKind } from './shape.js';
import { workBeats, workSegments } from './work-repetitions.js';

/** Repetitions that use the new range. */
export const ACTIVATION: TechniqueKind = {
  breath: 'Out as you work, in as you let go.',
  begin: 'Get ready; begin without effort.',
  unit: 'repetitions',
  loaded: false,
  stretches: false,
  still: false,
  held: false,
  planned: true,
  calms: false,
  demands: [],
  section: 4,
  fields: ['sets', 'reps', 'sessionsPerWeek'],
  needs: [],
  amount: { min: 5, max: 20 },
  defaults: { holdSeconds: 0, amountFloor: 4, stepSize: 1, step: 1, cap: 12 },
  handStep: 1,
  variables: [],
  extra: {},
  logged: () => 1,
  dose: () => 0,
  beats: workBeats,
  segments: workSegments,
};

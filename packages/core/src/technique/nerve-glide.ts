import type { TechniqueKind } from './shape.js';
import { workBeats, workSegments } from './work-repetitions.js';

/** Easy movement of a nerve in its bed. Never planned by a style; off for whoever is not qualified (domain rule 2.6, 9). */
export const NERVE_GLIDE: TechniqueKind = {
  breath: 'Easy and even.',
  begin: 'Only as far as it stays easy.',
  unit: 'repetitions',
  loaded: false,
  stretches: false,
  still: false,
  held: false,
  planned: false,
  calms: true,
  demands: ['nerve'],
  section: 1,
  fields: [],
  needs: [],
  amount: { min: 5, max: 12 },
  defaults: { holdSeconds: 0, amountFloor: 4, stepSize: 1, step: 1, cap: 12 },
  handStep: 1,
  variables: [],
  extra: {},
  logged: () => 1,
  dose: () => 0,
  beats: workBeats,
  segments: workSegments,
};

import type { Style } from '../style.js';
import { LOAD_STEP, NELSON, O_SULLIVAN, PRACTICE } from './sources.js';

/** Strength at length: lower into the stretch under load, later hold the loaded end position. */
export const LOADED_RANGE: Style = {
  id: 'loaded-range',
  name: 'Loaded range',
  summary:
    'Lower slowly into the stretch: help goes first, then repetitions and plates take turns; in the second phase hold the loaded end.',
  phases: [
    {
      technique: 'loaded eccentric',
      start: { sets: 2, holdSeconds: 2, sessionsPerWeek: 2, reps: 6, lowerSeconds: 3, assistance: 2 },
      order: [
        { variable: 'assistance', until: 0 },
        { variable: 'reps', until: 8 },
        { variable: 'load', until: 2 },
        { variable: 'sets', until: 3 },
        { variable: 'load', until: null },
      ],
      experiencedOrder: [
        { variable: 'assistance', until: 0 },
        { variable: 'load', until: 4 },
        { variable: 'reps', until: 8 },
        { variable: 'sets', until: 3 },
        { variable: 'load', until: null },
      ],
      step: {},
      caps: { assistance: 0, reps: 8, sets: 3, sessionsPerWeek: 3, sensation: 5 },
      amountFloor: 4,
      stepSize: 1,
    },
    {
      technique: 'loaded isometric',
      start: { sets: 2, holdSeconds: 20, sessionsPerWeek: 2, assistance: 0 },
      order: [
        { variable: 'assistance', until: 0 },
        { variable: 'holdSeconds', until: null },
        { variable: 'sets', until: null },
        { variable: 'load', until: null },
      ],
      step: { holdSeconds: 5 },
      caps: { assistance: 0, holdSeconds: 30, sets: 3, sessionsPerWeek: 3, sensation: 5 },
      amountFloor: 10,
      stepSize: 5,
    },
  ],
  before: null,
  after: null,
  doseCap: null,
  easierWeeks: true,
  easierEvery: 4,
  sources: [O_SULLIVAN, NELSON, LOAD_STEP, PRACTICE],
};

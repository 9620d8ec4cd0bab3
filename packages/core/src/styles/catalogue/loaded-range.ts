import type { Style } from '../style.js';
import { LOAD_STEP, NELSON, O_SULLIVAN, PRACTICE } from './sources.js';

/** Strength at length: lower into the stretch under load, later hold the loaded end position. */
export const LOADED_RANGE: Style = {
  id: 'loaded-range',
  name: 'Loaded range',
  summary:
    'Lower slowly into the stretch, helped at first; from the second phase hold the loaded end. Help goes first, load comes last.',
  phases: [
    {
      technique: 'loaded eccentric',
      start: { sets: 2, holdSeconds: 2, sessionsPerWeek: 2, reps: 6, lowerSeconds: 3, assistance: 2 },
      order: ['assistance', 'reps', 'sets', 'load'],
      step: {},
      caps: { assistance: 0, reps: 8, sets: 3, load: 20, sessionsPerWeek: 3, sensation: 5 },
      amountFloor: 4,
      stepSize: 1,
    },
    {
      technique: 'loaded isometric',
      start: { sets: 2, holdSeconds: 20, sessionsPerWeek: 2, assistance: 0 },
      order: ['assistance', 'holdSeconds', 'sets', 'load'],
      step: { holdSeconds: 5 },
      caps: { assistance: 0, holdSeconds: 30, sets: 3, load: 20, sessionsPerWeek: 3, sensation: 5 },
      amountFloor: 10,
      stepSize: 1,
    },
  ],
  before: null,
  after: null,
  doseCap: null,
  easierWeeks: true,
  easierEvery: 4,
  sources: [O_SULLIVAN, NELSON, LOAD_STEP, PRACTICE],
};

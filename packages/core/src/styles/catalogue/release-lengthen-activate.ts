import type { Style } from '../style.js';
import { GARBER, PRACTICE, ROLLING } from './sources.js';

/** Roll, lengthen, then use the new length. */
export const RELEASE_LENGTHEN_ACTIVATE: Style = {
  id: 'release-lengthen-activate',
  name: 'Release-lengthen-activate',
  summary: 'Rolling first, then a static hold, then repetitions that use the length; the hold grows first.',
  phases: [
    {
      technique: 'static hold',
      start: { sets: 1, holdSeconds: 30, sessionsPerWeek: 3 },
      order: [
        { variable: 'holdSeconds', until: null },
        { variable: 'activationReps', until: null },
        { variable: 'sets', until: null },
      ],
      step: { holdSeconds: 5, activationReps: 2 },
      caps: { holdSeconds: 60, activationReps: 16, sets: 3, sessionsPerWeek: 3, sensation: 6 },
      amountFloor: 20,
      stepSize: 5,
    },
  ],
  before: { technique: 'rolling', sets: 1, amount: 60, cap: 120 },
  after: { technique: 'activation', sets: 1, amount: 10, cap: 16 },
  doseCap: null,
  easierWeeks: true,
  easierEvery: 4,
  sources: [ROLLING, GARBER, PRACTICE],
};

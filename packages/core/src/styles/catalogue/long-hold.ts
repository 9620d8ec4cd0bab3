import type { Style } from '../style.js';
import { FELAND_AGE, PRACTICE, THOMAS, WEEKLY } from './sources.js';

/** The patient school: one long, easy, gravity-assisted hold. */
export const LONG_HOLD: Style = {
  id: 'long-hold',
  name: 'Long hold',
  summary: 'One long easy hold from 45 s, four days a week; the hold grows to two minutes, then sets are added.',
  phases: [
    {
      technique: 'static hold',
      start: { sets: 1, holdSeconds: 45, sessionsPerWeek: 4 },
      order: [
        { variable: 'holdSeconds', until: null },
        { variable: 'sets', until: null },
      ],
      step: { holdSeconds: 10 },
      caps: { holdSeconds: 120, sets: 3, sessionsPerWeek: 4, sensation: 5 },
      amountFloor: 30,
      stepSize: 5,
    },
  ],
  before: null,
  after: null,
  doseCap: null,
  easierWeeks: true,
  easierEvery: 4,
  sources: [FELAND_AGE, THOMAS, WEEKLY, PRACTICE],
};

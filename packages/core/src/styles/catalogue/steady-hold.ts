import type { Style } from '../style.js';
import { BANDY, GARBER, PRACTICE, WEEKLY } from './sources.js';

/** The guideline school: short static holds; hold, sets and days grow in turn, the sensation last. */
export const STEADY_HOLD: Style = {
  id: 'steady-hold',
  name: 'Steady hold',
  summary: 'Static holds from 2 × 30 s; hold, sets and days grow in turn, and sensation last.',
  phases: [
    {
      technique: 'static hold',
      start: { sets: 2, holdSeconds: 30, sessionsPerWeek: 3 },
      order: [
        { variable: 'holdSeconds', until: 45 },
        { variable: 'sets', until: 3 },
        { variable: 'sessionsPerWeek', until: 5 },
        { variable: 'holdSeconds', until: 60 },
        { variable: 'sets', until: 4 },
        { variable: 'sessionsPerWeek', until: 6 },
        { variable: 'sensation', until: null },
      ],
      step: { holdSeconds: 5 },
      caps: { holdSeconds: 60, sets: 4, sessionsPerWeek: 6, sensation: 6 },
      amountFloor: 20,
      stepSize: 5,
    },
  ],
  before: null,
  after: null,
  doseCap: null,
  easierWeeks: true,
  easierEvery: 4,
  sources: [GARBER, BANDY, WEEKLY, PRACTICE],
};

import type { Style } from '../style.js';
import { BANDY, GARBER, PRACTICE, WEEKLY } from './sources.js';

/** The guideline school: short static holds, the hold grows first, then sets, then days, and the sensation last. */
export const STEADY_HOLD: Style = {
  id: 'steady-hold',
  name: 'Steady hold',
  summary: 'Static holds from 2 × 30 s; the hold grows first, then sets, then days, and sensation last.',
  phases: [
    {
      technique: 'static hold',
      start: { sets: 2, holdSeconds: 30, sessionsPerWeek: 3 },
      order: ['holdSeconds', 'sets', 'sessionsPerWeek', 'sensation'],
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

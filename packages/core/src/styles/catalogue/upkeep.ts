import type { Style } from '../style.js';
import { GARBER, PRACTICE } from './sources.js';

/** Keeps what is there: short holds after training, never more than three minutes a week. */
export const UPKEEP: Style = {
  id: 'upkeep',
  name: 'Upkeep',
  summary: 'One short hold after training, three days a week; keeps a range rather than widening it.',
  phases: [
    {
      technique: 'static hold',
      start: { sets: 1, holdSeconds: 15, sessionsPerWeek: 3 },
      order: [
        { variable: 'sets', until: null },
        { variable: 'holdSeconds', until: null },
      ],
      step: { holdSeconds: 5 },
      caps: { holdSeconds: 30, sets: 2, sessionsPerWeek: 3, sensation: 5 },
      amountFloor: 15,
      stepSize: 5,
    },
  ],
  before: null,
  after: null,
  doseCap: 180,
  easierWeeks: false,
  easierEvery: null,
  sources: [GARBER, PRACTICE],
};

import type { Style } from '../style.js';
import { BANDY_MOVING, PRACTICE } from './sources.js';

/** Moving stretches, most days of the week. */
export const MOVE_THROUGH: Style = {
  id: 'move-through',
  name: 'Move through',
  summary: 'Slow repetitions with a short pause at the end, five days a week; repetitions, then sets, then depth.',
  phases: [
    {
      technique: 'moving stretch',
      start: { sets: 1, holdSeconds: 2, sessionsPerWeek: 5, reps: 6 },
      order: [
        { variable: 'reps', until: null },
        { variable: 'sets', until: null },
        { variable: 'depth', until: null },
      ],
      step: { reps: 2 },
      caps: { reps: 12, sets: 4, depth: 2, sessionsPerWeek: 5, sensation: 5 },
      amountFloor: 5,
      stepSize: 1,
    },
  ],
  before: null,
  after: null,
  doseCap: null,
  easierWeeks: true,
  easierEvery: 4,
  sources: [BANDY_MOVING, PRACTICE],
};

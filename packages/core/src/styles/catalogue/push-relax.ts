import type { Style } from '../style.js';
import { FELAND_PUSH, GARBER, PRACTICE, SHARMAN } from './sources.js';

/** Contract-relax: push against something that does not move, let go, go a little further. */
export const PUSH_RELAX: Style = {
  id: 'push-relax',
  name: 'Push-relax',
  summary: 'Three cycles of push, let go, stretch; the stretch grows first, then the push, then cycles, then sets.',
  phases: [
    {
      technique: 'contract-relax',
      start: { sets: 1, holdSeconds: 15, sessionsPerWeek: 3, cycles: 3, pushSeconds: 6, effort: 20 },
      order: [
        { variable: 'holdSeconds', until: null },
        { variable: 'effort', until: null },
        { variable: 'cycles', until: null },
        { variable: 'sets', until: null },
      ],
      step: { holdSeconds: 5, effort: 10 },
      caps: { holdSeconds: 30, effort: 75, sets: 3, cycles: 4, sessionsPerWeek: 3, sensation: 6 },
      amountFloor: 10,
      // The player counts it, so a stretch phase need not be a multiple of five: 15 → 18 s keeps a ramp that 20 s would break.
      stepSize: 1,
    },
  ],
  before: null,
  after: null,
  doseCap: null,
  easierWeeks: true,
  easierEvery: 4,
  sources: [GARBER, FELAND_PUSH, SHARMAN, PRACTICE],
};

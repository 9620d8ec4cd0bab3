import type { Style } from './style.js';

/** The guideline school: short static holds, the hold grows first, then sets, then days, and intensity last. */
export const STEADY_HOLD: Style = {
  id: 'steady-hold',
  name: 'Steady hold',
  summary: 'Static holds from 2 × 30 s; the hold grows first, then sets, then days, and intensity last.',
  technique: 'static hold',
  start: { sets: 2, holdSeconds: 30, sessionsPerWeek: 3 },
  order: ['holdSeconds', 'sets', 'sessionsPerWeek', 'sensation'],
  step: { holdSeconds: 5, sets: 1, sessionsPerWeek: 1, sensation: 1 },
  holdFloor: 20,
  caps: { holdSeconds: 60, sets: 4, sessionsPerWeek: 6, sensation: 6 },
  easierEvery: 4,
  sources: [
    {
      origin: 'memory',
      text: 'Garber CE et al. 2011, Med Sci Sports Exerc 43(7):1334-1359: holds of 10-30 s for most adults (30-60 s when older), 2-4 repetitions, 60 s in all per exercise, at least 2-3 days a week, to tightness or slight discomfort.',
    },
    {
      origin: 'memory',
      text: 'Bandy WD, Irion JM 1994, Phys Ther 74(9):845-850: 30 s held daily did as much as 60 s and more than 15 s.',
    },
    { origin: 'practice', text: 'Order of progression, step sizes, caps and the easier week.' },
  ],
};

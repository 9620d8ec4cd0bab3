import type { Series } from './series.js';

/** Series of our own making that every studio begins with, of the routines that ship. */
export const SERIES: readonly Series[] = [
  {
    id: 'small-week',
    name: 'A week of one small routine a day',
    note: 'Something short every day, each day another part: to begin with, or to come back after a break.',
    entries: [
      'neck-and-shoulders',
      'feet-and-ankles',
      'desk-break',
      'standing-only',
      'morning-in-bed',
      'chair-only',
      'evening-breath',
    ].map((routineId, i) => ({ day: i + 1, routineId })),
  },
];

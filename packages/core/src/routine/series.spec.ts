import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import { buildTimeline } from '../session/timeline.js';
import { ROUTINES } from './catalogue.js';
import { inDays, repeatedSeries, SERIES_BOUNDS, seriesDates, seriesLength } from './series.js';
import { SERIES } from './series-catalogue.js';

const entries = [
  { day: 8, routineId: 'b' },
  { day: 1, routineId: 'a' },
  { day: 3, routineId: 'b' },
  { day: 3, routineId: 'a' },
];

describe('a series of routines', () => {
  it('is laid on dates from its first day on, each routine with its days', () => {
    expect(seriesDates({ entries }, '2026-02-27')).toEqual([
      { routineId: 'a', dates: ['2026-02-27', '2026-03-01'] },
      { routineId: 'b', dates: ['2026-03-01', '2026-03-06'] },
    ]);
    expect(seriesLength({ entries })).toBe(8);
    expect(seriesLength({ entries: [] })).toBe(0);
    expect(seriesDates({ entries: [] }, '2026-02-27')).toEqual([]);
  });
  it('keeps the order of a day', () => {
    expect(inDays(entries).map((e) => `${e.day}${e.routineId}`)).toEqual(['1a', '3b', '3a', '8b']);
  });
  it('can be repeated, as far as a series goes', () => {
    expect(repeatedSeries([{ day: 2, routineId: 'a' }]).map((e) => e.day)).toEqual([2, 4]);
    const long = [{ day: SERIES_BOUNDS.days - 1, routineId: 'a' }];
    expect(repeatedSeries(long)).toEqual(long);
  });
});

describe('the series that ship', () => {
  it('name routines that ship, one a day, each of a quarter of an hour at most', () => {
    for (const s of SERIES) {
      expect(s.entries.map((e) => e.day)).toEqual(s.entries.map((_, i) => i + 1));
      for (const e of s.entries) {
        const r = ROUTINES.find((x) => x.id === e.routineId)!;
        expect(buildTimeline(r.items, r, undefined, exerciseById).totalSeconds, r.name).toBeLessThanOrEqual(900);
      }
    }
    // Seven days, no routine twice.
    expect(new Set(SERIES[0]!.entries.map((e) => e.routineId)).size).toBe(7);
  });
});

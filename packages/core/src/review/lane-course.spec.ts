import { describe, expect, it } from 'vitest';
import { addDays } from '../schedule/plain-date.js';
import type { DatedResult } from '../trend/series.js';
import { laneFound, type MeasuredGoal } from './lane-course.js';

const START = '2026-01-05';
const at = (values: readonly number[]): DatedResult[] =>
  values.map((value, i) => ({ date: addDays(START, 7 * i), value, sem: 1, df: null }));

/** Straight leg raise to 80° by week 12, limited by the hamstrings, a little by the calf. */
const goal = (over: Partial<MeasuredGoal> = {}): MeasuredGoal => ({
  test: {
    better: 'more',
    unit: 'deg',
    limits: [
      { group: 'hamstrings', weight: 1, side: 'same' },
      { group: 'calf', weight: 0.3, side: 'same' },
    ],
  },
  aim: { value: 80, by: addDays(START, 84), setOn: START },
  sides: [at([60, 81, 82]), at([62, 80, 84])],
  adherence: 0.9,
  ...over,
});
const today = addDays(START, 50);

describe('what goals say of a lane', () => {
  it('is reached when the last two results of both sides meet it', () => {
    expect(laneFound('hamstrings', [goal()], today)).toEqual({ goalTwice: true, plateau: false });
    const sides = [at([60, 81, 82]), at([62, 79, 84])];
    expect(laneFound('hamstrings', [goal({ sides })], today).goalTwice).toBe(false);
    expect(laneFound('hamstrings', [goal({ sides: [at([81, 82]), at([84])] })], today).goalTwice).toBe(false);
    expect(laneFound('hamstrings', [goal({ sides: [at([81, 82]), []] })], today).goalTwice).toBe(false);
  });

  it('is reached where less is freer, too', () => {
    const test = { ...goal().test, better: 'less' } as const;
    const sides = [at([9, 5, 4])];
    expect(laneFound('hamstrings', [goal({ test, sides, aim: { ...goal().aim, value: 5 } })], today).goalTwice).toBe(
      true,
    );
  });

  it('is not reached while another goal of the group is not', () => {
    const other = goal({ aim: { ...goal().aim, value: 90 } });
    expect(laneFound('hamstrings', [goal(), other], today).goalTwice).toBe(false);
  });

  it('is nothing for a group that hardly limits the test, and without goals', () => {
    expect(laneFound('calf', [goal()], today)).toEqual({ goalTwice: false, plateau: false });
    expect(laneFound('hamstrings', [], today)).toEqual({ goalTwice: false, plateau: false });
  });

  // Twenty degrees in twelve weeks are needed; seven weeks of readings around 60° with an error of 1° are surely slower.
  it('is a plateau of one side, where it was practised', () => {
    const flat = at([60, 60.5, 60, 60.5, 60, 60.5, 60, 60.5]);
    const rising = at([60, 62, 64, 66, 68, 70, 72, 74]);
    const day = addDays(START, 49);
    expect(laneFound('hamstrings', [goal({ sides: [rising, flat] })], day).plateau).toBe(true);
    expect(laneFound('hamstrings', [goal({ sides: [rising, rising] })], day).plateau).toBe(false);
    expect(laneFound('hamstrings', [goal({ sides: [rising, flat], adherence: 0.79 })], day).plateau).toBe(false);
    expect(laneFound('hamstrings', [goal({ sides: [rising, flat], adherence: null })], day).plateau).toBe(false);
  });

  // A change is given four weeks before another is asked for (domain 2.3).
  it('is no plateau while what was changed for the last one is younger than four weeks', () => {
    const flat = at([60, 60.5, 60, 60.5, 60, 60.5, 60, 60.5]);
    const found = (week: number, changed: { week: number; styleId: string | null } | null) =>
      laneFound('hamstrings', [goal({ sides: [flat] })], addDays(START, 49), { week, changed }).plateau;
    expect([5, 8, 9].map((week) => found(week, { week: 5, styleId: 'push-relax' }))).toEqual([false, false, true]);
    expect(found(5, null)).toBe(true);
  });
});

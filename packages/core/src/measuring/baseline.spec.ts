import { describe, expect, it } from 'vitest';
import { addDays } from '../schedule/plain-date.js';
import { romTestById } from '../catalogue/tests.js';
import { asOneResult, choiceOf, countedSeries, fromBaseline, type DayValue } from './baseline.js';

const START = '2026-03-02';
const at = (...rows: [day: number, value: number][]): DayValue[] =>
  rows.map(([day, value]) => ({ date: addDays(START, day), value, sem: 3 }));
const lane = (chosen: number, firstSession: number | null) => ({
  chosenOn: addDays(START, chosen),
  firstSession: firstSession === null ? null : addDays(START, firstSession),
});

describe('the baseline of a change', () => {
  const twice = at([0, 30], [3, 36], [28, 38]);
  it('is the second day where the first one made the lane', () => {
    expect(countedSeries(twice, lane(0, 5))).toMatchObject({ baseline: 'second day', series: twice.slice(1) });
    expect(fromBaseline(twice, lane(0, 5))!.before.value).toBe(36);
    // Measured in the morning of the first session, cold: still before it.
    expect(countedSeries(twice, lane(1, 3)).baseline).toBe('second day');
    expect(countedSeries(twice, lane(2, null)).baseline).toBe('second day');
  });
  it('is the chosen day, and says so, where nobody measured again before the first session', () => {
    expect(countedSeries(twice, lane(0, 2))).toMatchObject({ baseline: 'chosen', series: twice });
    expect(fromBaseline(twice, lane(0, 2))!.before.value).toBe(30);
  });
  it('is the first result where it chose nothing: no lane, or one made of a later result', () => {
    expect(countedSeries(twice, null).baseline).toBe('as it came');
    expect(countedSeries(twice, lane(28, 35)).baseline).toBe('as it came');
    expect(countedSeries(twice, lane(-3, 5)).baseline).toBe('as it came');
  });
});

describe('the lane that a test chose', () => {
  it('is the first of a group that limits it by half or more', () => {
    const knee = romTestById('active-knee-extension');
    const choices = [
      { group: 'neck-side' as const, ...lane(0, 1) },
      { group: 'hamstrings' as const, ...lane(7, 9) },
      { group: 'hamstrings' as const, ...lane(90, 91) },
    ];
    expect(choiceOf(knee, choices)).toMatchObject(lane(7, 9));
    expect(choiceOf(knee, choices.slice(0, 1))).toBeNull();
  });
});

describe('several days as one result', () => {
  // SEM/√m: 3/√4 = 1.5.
  it('is their mean with an error that shrinks by their root', () => {
    expect(asOneResult(at([0, 30], [2, 32], [4, 34], [6, 36]))).toMatchObject({ value: 33, sem: 1.5 });
  });
  it('takes the newest days within ten of each other, and before the first session those of the baseline', () => {
    const c = fromBaseline(at([0, 20], [2, 30], [4, 34], [25, 38], [28, 40], [32, 42]), lane(0, 5))!;
    expect(c.before).toMatchObject({ value: 32, dates: [addDays(START, 2), addDays(START, 4)] });
    expect(c.now).toMatchObject({ value: 40, dates: [25, 28, 32].map((d) => addDays(START, d)) });
    // The mean of two days: 3/√2; of three: 3/√3.
    expect(c.before.sem).toBeCloseTo(2.1213, 4);
    expect(c.now.sem).toBeCloseTo(1.7321, 4);
  });
  it('never counts a day on both ends, nor one that was trained to the baseline', () => {
    expect(fromBaseline(at([0, 30], [4, 34]), null)).toMatchObject({ before: { value: 30 }, now: { value: 34 } });
    const c = fromBaseline(at([0, 20], [2, 30], [4, 34]), lane(0, 20))!;
    expect([c.before.value, c.now.value]).toEqual([30, 34]);
    expect(fromBaseline(at([0, 30]), null)).toBeNull();
    expect(fromBaseline(at([0, 20], [2, 30]), lane(0, 5))).toBeNull();
  });
});

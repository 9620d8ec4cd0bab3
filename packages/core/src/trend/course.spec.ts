import { describe, expect, it } from 'vitest';
import { addDays, daysBetween } from '../schedule/plain-date.js';
import { courseOf, neededRate, trendOf, type Aim } from './course.js';
import { FORECAST_WEEKS, forecastOf, meetingOf, plainForecast } from './forecast.js';
import { lineThrough, lineWithProcess } from './line.js';
import type { DatedResult } from './series.js';

const START = '2026-01-05';
const at = (days: readonly number[], values: readonly number[], sem = 3): DatedResult[] =>
  days.map((d, i) => ({ date: addDays(START, d), value: values[i]!, sem }));
const UNEVEN = at([0, 7, 10, 28, 35, 63, 64, 90], [30, 33, 31.5, 36, 35, 41, 40, 43.5]).map((r, i) => ({
  ...r,
  sem: [3, 3, 2, 3, 3, 3, 2, 3][i]!,
}));
const DEG = { better: 'more', unit: 'deg' } as const;
const SPREAD = 8;

// scripts/independent/trend.py: scipy.optimize.curve_fit with absolute errors, and numpy.
describe('lineThrough', () => {
  it('agrees with a general fit: level at day 0, slope and its error', () => {
    const line = lineThrough(UNEVEN);
    expect(line.level - line.slope * line.centre).toBeCloseTo(30.608022, 5);
    expect(line.slope).toBeCloseTo(0.14888516, 7);
    expect(Math.sqrt(line.slopeVariance)).toBeCloseTo(0.03141507, 7);
  });
  it('takes what the errors do not explain as a variance of its own, by moments', () => {
    const odd = UNEVEN.map((r, i) => ({ ...r, value: r.value + (i % 2 ? -9 : 9) }));
    expect(lineWithProcess(odd).process).toBeCloseTo(78.275666, 5);
    expect(lineWithProcess(UNEVEN).process).toBe(0);
  });
  it('refuses one day, and results without an error', () => {
    const refused = expect.objectContaining({ code: 'invalid-series' });
    expect(() => lineThrough(at([3, 3], [1, 2]))).toThrow(refused);
    expect(() => lineThrough(at([0, 7], [1, 2], 0))).toThrow(refused);
  });
});

describe('meetingOf', () => {
  // scripts/independent/trend.py: the days at which the best line through (day, 60) is worse by 1.645² at most, by search.
  it('is the interval that a likelihood ratio gives', () => {
    const meeting = meetingOf(lineThrough(UNEVEN), 60, 1)!;
    expect(meeting.from).toBeCloseTo(155.175, 2);
    expect(meeting.to).toBeCloseTo(283.5646, 2);
  });
  it('is the same where less is freer', () => {
    const turned = UNEVEN.map((r) => ({ ...r, value: -r.value }));
    expect(meetingOf(lineThrough(turned), -60, -1)).toEqual(meetingOf(lineThrough(UNEVEN), 60, 1));
  });
  it('has an open end while no change is not excluded, and says nothing of a value within the level’s own band', () => {
    const unsure = lineThrough(at([0, 7, 14, 21, 28], [30, 32, 31, 33, 32]));
    const open = meetingOf(unsure, 60, 1)!;
    expect(open.to).toBeNull();
    expect(open.from).toBeGreaterThan(28);
    expect(meetingOf(unsure, 32, 1)).toBeNull();
    expect(meetingOf(lineThrough(at([0, 7, 14, 21, 28], [60, 55, 50, 45, 40], 1)), 70, 1)).toBeNull();
  });
});

describe('forecastOf', () => {
  it('reaches no further than half a year, and leaves an end open that lies beyond', () => {
    const rising = at([0, 7, 14, 21, 28, 35, 42], [30, 32, 34, 36, 38, 40, 42], 1);
    const furthest = addDays(START, 42 + FORECAST_WEEKS * 7);
    const far = forecastOf(rising, 42 + 2 * (FORECAST_WEEKS + 20), 1, SPREAD)!;
    expect(far).toEqual({ earliest: furthest, latest: null });
    // Eight to go at two a week: four weeks after the last date.
    const near = plainForecast(rising, 50, 1)!;
    expect(near.earliest < addDays(START, 42 + 28)).toBe(true);
    expect(near.latest! > addDays(START, 42 + 28)).toBe(true);
  });
  it('shows no two ends from five dates with an error of 3°: "between 30 and 31 March" was noise', () => {
    const lucky = at([0, 7, 14, 21, 28], [30, 34, 38, 42, 46]);
    expect(plainForecast(lucky, 60, 1)!.latest).not.toBeNull();
    expect(forecastOf(lucky, 60, 1, SPREAD)).toMatchObject({ latest: null });
  });
  it('is wider for an error that few clients gave', () => {
    const known = at([0, 14, 28, 42, 56, 70, 84], [30, 33, 36, 39, 42, 45, 48]);
    const own = known.map((r) => ({ ...r, df: 4 }));
    const days = (s: readonly DatedResult[]): number => {
      const f = plainForecast(s, 60, 1)!;
      return daysBetween(f.earliest, f.latest!);
    };
    expect(days(own)).toBeGreaterThan(days(known));
  });
});

describe('neededRate', () => {
  const series = at([0, 7, 14, 21], [30, 28, 35, 40]);
  it('is fixed by the result that stood when the aim was set', () => {
    const aim: Aim = { value: 48, by: addDays(START, 7 + 70), setOn: addDays(START, 8) };
    expect(neededRate(series, 'more', aim)).toBeCloseTo(20 / 69, 10);
    expect(neededRate([...series, ...at([28], [60])], 'more', aim)).toBeCloseTo(20 / 69, 10);
  });
  it('takes half a year without a date, the first result where nothing was set, and is none where it was met', () => {
    expect(neededRate(series, 'more', { value: 56, by: null, setOn: null })).toBeCloseTo(26 / (FORECAST_WEEKS * 7), 10);
    expect(neededRate(series, 'more', { value: 25, by: null, setOn: null })).toBeNull();
    expect(neededRate(series, 'less', { value: 21, by: addDays(START, 9), setOn: null })).toBeCloseTo(1, 10);
  });
});

describe('courseOf', () => {
  const weeks = [0, 7, 14, 21, 28, 35, 42];
  const rising = [30, 32, 34, 36, 38, 40, 42];
  const trend = (values: readonly number[], days = weeks, sem = 1) => trendOf(at(days, values, sem))!;
  const on = (adherence: number | null, day = 42) => ({ adherence, today: addDays(START, day) });
  const aimOf = (value: number, day: number | null): Aim => ({
    value,
    by: day === null ? null : addDays(START, day),
    setOn: START,
  });

  it('makes no trend below five dates', () => {
    expect(trendOf(at([0, 7, 14, 21], [1, 2, 3, 4]))).toBeNull();
    expect(trendOf(at([0, 7, 14, 21, 21], [1, 2, 3, 4, 5]))).toBeNull();
  });
  it('is on course when the rate is at least what the goal needed, with a range of dates around the true one', () => {
    const c = courseOf(trend(rising), DEG, aimOf(50, 84), on(0.9));
    expect(c.state).toBe('on course');
    expect(c.needed).toBeCloseTo(20 / 84, 10);
    expect(c.forecast!.earliest < addDays(START, 70)).toBe(true);
    expect(c.forecast!.latest! > addDays(START, 70)).toBe(true);
  });
  it('reads a falling number as freer where less is better', () => {
    const falling = rising.map((v) => 80 - v);
    const less = { better: 'less', unit: 'deg' } as const;
    expect(courseOf(trend(falling), less, aimOf(30, 84), on(0.9)).state).toBe('on course');
    expect(courseOf(trend(falling), DEG, aimOf(90, null), on(0.9)).state).toBe('moving away');
  });
  it('says moving away only where the known error cannot make it: falling ranks alone are not enough', () => {
    // A perfect run downwards of 1° in all, at an error of 3°.
    const little = trend([40, 39.8, 39.6, 39.4, 39.2, 39.1, 39], weeks, 3);
    expect(little.mannKendall.p).toBeLessThan(0.01);
    expect(courseOf(little, DEG, aimOf(45, 84), on(0.9)).state).not.toBe('moving away');
  });
  it('makes five equal readings no certainty: the interval is as wide as the error allows', () => {
    const same = trend([30, 30, 30, 30, 30], [0, 7, 14, 21, 28], 3);
    // By hand: 1.96·3/√Σ(x − 14)² = 5.88/22.136 a day.
    expect(same.slope.high).toBeCloseTo(0.26563, 4);
    expect(same.slope.low).toBeCloseTo(-0.26563, 4);
    expect(courseOf(same, DEG, aimOf(35, 84), on(0.9)).state).toBe('cannot tell yet');
  });
  it('calls a plateau with adherence and four weeks, at the second look that is surely too slow', () => {
    const slow = [30, 30.2, 30, 30.3, 30.1, 30.3, 30.2];
    const aim = aimOf(45, 98);
    expect(courseOf(trend(slow), DEG, aim, on(0.85)).state).toBe('plateau');
    expect(courseOf(trend(slow), DEG, aim, on(0.7)).state).toBe('cannot tell yet');
    expect(courseOf(trend(slow), DEG, aim, on(null)).state).toBe('cannot tell yet');
    expect(courseOf(trend(slow.slice(0, 5), [0, 3, 6, 9, 12]), DEG, aim, on(0.85)).state).toBe('cannot tell yet');
    // Five dates in four weeks: the first look that can tell. The second says it.
    expect(courseOf(trend(slow.slice(0, 5), weeks.slice(0, 5)), DEG, aim, on(0.85)).state).toBe('cannot tell yet');
    expect(courseOf(trend(slow.slice(0, 6), weeks.slice(0, 6)), DEG, aim, on(0.85)).state).toBe('plateau');
    // Against a reference alone nobody has set out for anything.
    expect(courseOf(trend(slow), DEG, { ...aim, setOn: null }, on(0.85)).state).toBe('cannot tell yet');
    // At an error of 5° the same readings may still be on course.
    expect(courseOf(trend(slow, weeks, 5), DEG, aim, on(0.85)).state).toBe('cannot tell yet');
  });
  it('is past its date the day after, whatever the trend, until it is reached', () => {
    expect(courseOf(trend(rising), DEG, aimOf(60, 42), on(0.9)).state).not.toBe('past its date');
    expect(courseOf(trend(rising), DEG, aimOf(60, 42), on(0.9, 43))).toMatchObject({
      state: 'past its date',
      why: 'date-over',
    });
    expect(courseOf(trend(rising), DEG, aimOf(40, 42), on(0.9, 43)).state).toBe('reached');
  });
  it('gives no forecast while nothing can be told', () => {
    const noisy = courseOf(trend([30, 34, 29, 35, 31, 33, 30], weeks, 3), DEG, aimOf(33, null), on(0.5));
    expect(noisy).toMatchObject({ state: 'cannot tell yet', forecast: null });
  });
  it('says reached on two results in a row, and on course when only the line is there', () => {
    expect(courseOf(trend(rising), DEG, aimOf(40, null), on(0.9)).state).toBe('reached');
    const once = courseOf(trend([30, 32, 34, 36, 38, 39.5, 45]), DEG, aimOf(40, null), on(0.9));
    expect(once).toMatchObject({ state: 'on course', why: 'trend-is-there', forecast: null });
    expect(courseOf(trend(rising), DEG, null, on(0.9)).state).toBe('cannot tell yet');
  });
  it('needs the rate, not only a rise', () => {
    const c = courseOf(trend(rising), DEG, aimOf(60, 49), on(0.5));
    expect(c).toMatchObject({ state: 'cannot tell yet', why: 'rate-unsure' });
  });

  it('calls no plateau of a client on course at some look in more than one block of twenty (simulated, its own arithmetic)', () => {
    // A client who gains 1° a week for twelve weeks and wanted just that; errors of 3° from a fixed table of normal scores.
    let state = 1;
    const uniform = (): number => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
    const normal = (): number => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const blocks = 300;
    let said = 0;
    for (let i = 0; i < blocks; i++) {
      const days = Array.from({ length: 13 }, (_, w) => 7 * w);
      const all = at(
        days,
        days.map((d) => 40 + d / 7 + 3 * normal()),
      );
      const looks = all.slice(4).map((_, k) => all.slice(0, 5 + k));
      const ever = looks.some(
        (s) => courseOf(trendOf(s)!, DEG, aimOf(52, 84), { adherence: 0.9, today: s.at(-1)!.date }).state === 'plateau',
      );
      if (ever) said++;
    }
    expect(said / blocks).toBeLessThanOrEqual(0.05);
  });
});

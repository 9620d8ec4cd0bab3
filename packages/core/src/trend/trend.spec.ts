import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalCdf } from '../math/normal.js';
import { addDays } from '../schedule/plain-date.js';
import { courseOf, FORECAST_WEEKS, trendOf } from './course.js';
import { retention, withinSessionEffect } from './effects.js';
import { localLevel } from './local-level.js';
import { mannKendall, varianceOfS } from './mann-kendall.js';
import { byDate, type DatedResult } from './series.js';
import { theilSen } from './theil-sen.js';

const START = '2026-01-05';
const at = (days: readonly number[], values: readonly number[], sem = 3): DatedResult[] =>
  days.map((d, i) => ({ date: addDays(START, d), value: values[i]!, sem }));

// Annual flow of the Nile 1871-1970, 10⁸ m³ (open data).
const NILE = [
  1120, 1160, 963, 1210, 1160, 1160, 813, 1230, 1370, 1140, 995, 935, 1110, 994, 1020, 960, 1180, 799, 958, 1140, 1100,
  1210, 1150, 1250, 1260, 1220, 1030, 1100, 774, 840, 874, 694, 940, 833, 701, 916, 692, 1020, 1050, 969, 831, 726, 456,
  824, 702, 1120, 1100, 832, 764, 821, 768, 845, 864, 862, 698, 845, 744, 796, 1040, 759, 781, 865, 845, 944, 984, 897,
  822, 1010, 771, 676, 649, 846, 812, 742, 801, 1040, 860, 874, 848, 890, 744, 749, 838, 1050, 918, 986, 797, 923, 975,
  815, 1020, 906, 901, 1170, 912, 746, 919, 718, 714, 740,
];

describe('theilSen', () => {
  it('agrees with the example of Sen 1968 (J Am Stat Assoc 63:1379-1389): slope 4, interval 26/7 to 35/8', () => {
    const s = theilSen([1, 2, 3, 4, 10, 12, 18], [9, 15, 19, 20, 45, 55, 78]);
    expect(s.slope).toBeCloseTo(4, 10);
    expect(s.low).toBeCloseTo(26 / 7, 10);
    expect(s.high).toBeCloseTo(35 / 8, 10);
  });
  it('is not bent by one odd value (Helsel & Hirsch, Statistical Methods in Water Resources, ch. 10): slope 1, intercept 0', () => {
    expect(theilSen([1, 2, 3, 4, 5, 6, 7], [1, 2, 3, 4, 5, 16, 7])).toMatchObject({ slope: 1, intercept: 0 });
  });
  it('agrees with scipy.stats.theilslopes 1.17.1, both levels and with ties', () => {
    const x = [0, 7, 10, 28, 35, 63, 64, 90];
    const y = [30, 33, 31.5, 36, 35, 41, 40, 43.5];
    const s95 = theilSen(x, y);
    expect([s95.slope, s95.intercept]).toEqual([expect.closeTo(1 / 7, 10), expect.closeTo(31, 10)]);
    expect([s95.low, s95.high]).toEqual([expect.closeTo(0.1111111111, 9), expect.closeTo(0.1746031746, 9)]);
    const s90 = theilSen(x, y, 0.9);
    expect([s90.low, s90.high]).toEqual([expect.closeTo(0.1209677419, 9), expect.closeTo(0.1724137931, 9)]);
    const tied = theilSen([0, 7, 7, 14, 21, 28, 28, 40], [5, 6, 6, 6, 8, 7, 9, 8]);
    expect([tied.slope, tied.low, tied.high]).toEqual([
      expect.closeTo(0.0759615385, 9),
      0,
      expect.closeTo(0.1428571429, 9),
    ]);
  });
  it('moves with the data: shifting adds to the intercept, scaling scales the slope', () => {
    const values = fc.array(fc.integer({ min: -60, max: 60 }), { minLength: 4, maxLength: 12 });
    fc.assert(
      fc.property(values, fc.integer({ min: 1, max: 9 }), fc.integer({ min: -50, max: 50 }), (y, k, c) => {
        const x = y.map((_, i) => i * 7);
        const a = theilSen(x, y);
        const b = theilSen(
          x,
          y.map((v) => k * v + c),
        );
        expect(b.slope).toBeCloseTo(k * a.slope, 8);
        expect(b.low).toBeCloseTo(k * a.low, 8);
        expect(b.intercept).toBeCloseTo(k * a.intercept + c, 6);
        expect(a.low).toBeLessThanOrEqual(a.slope);
        expect(a.high).toBeGreaterThanOrEqual(a.slope);
      }),
    );
  });
  it('refuses results of one day', () => {
    expect(() => theilSen([3, 3], [1, 2])).toThrow(expect.objectContaining({ code: 'invalid-series' }));
  });
});

describe('mannKendall', () => {
  it('gives S 21, variance 44.333 and Z 3.004 for the data of Sen 1968', () => {
    const mk = mannKendall([1, 2, 3, 4, 10, 12, 18], [9, 15, 19, 20, 45, 55, 78]);
    expect(mk.s).toBe(21);
    expect(mk.variance).toBeCloseTo(44.333, 3);
    expect(mk.z).toBeCloseTo(3.004, 3);
  });
  it('corrects for ties in both: S/√Var has the probability of scipy.stats.kendalltau 1.17.1, 0.01333899', () => {
    const x = [0, 7, 7, 14, 21, 28, 28, 40];
    const y = [5, 6, 6, 6, 8, 7, 9, 8];
    const mk = mannKendall(x, y);
    expect(2 * (1 - normalCdf(mk.s / Math.sqrt(varianceOfS(x, y))))).toBeCloseTo(0.01333899, 6);
  });
  it('calls a flat series no trend', () => {
    expect(mannKendall([0, 1, 2, 3], [5, 5, 5, 5])).toMatchObject({ s: 0, z: 0 });
    expect(mannKendall([0, 1, 2, 3], [5, 5, 5, 5]).p).toBeCloseTo(1, 8);
  });
  it('changes sign when time runs backwards', () => {
    const y = [3, 4, 2, 8, 9, 11];
    const x = [0, 1, 2, 3, 4, 5];
    expect(mannKendall(x, [...y].reverse()).s).toBe(-mannKendall(x, y).s);
  });
});

describe('localLevel', () => {
  it('finds the level variance 1,469.1 of the Nile series at observation variance 15,099 (Durbin & Koopman 2001)', () => {
    const days = NILE.map((_, i) => i);
    const fit = localLevel(at(days, NILE, Math.sqrt(15_099)));
    expect(fit.q).toBeCloseTo(1469.1, 0);
    // Log likelihood and smoothed values by the dense normal distribution in scipy/numpy.
    expect(fit.logLikelihood).toBeCloseTo(-632.5456, 3);
    expect(fit.points[0]!.level).toBeCloseTo(1111.668, 1);
    expect(fit.points[50]!.level).toBeCloseTo(829.551, 1);
    expect(fit.points[99]!.level).toBeCloseTo(798.371, 1);
    expect((fit.points[50]!.high - fit.points[50]!.low) / 2 / 1.96).toBeCloseTo(Math.sqrt(2326.72), 1);
  });
  it('takes irregular dates and unequal errors as the dense normal distribution does (numpy)', () => {
    const y = [30, 33, 31.5, 36, 35, 41, 40, 43.5];
    const sems = [3, 3, 2, 3, 3, 3, 2, 3];
    const rows = at([0, 7, 10, 28, 35, 63, 64, 90], y).map((r, i) => ({ ...r, sem: sems[i]! }));
    const fit = localLevel(rows);
    expect(fit.q).toBeCloseTo(0.53981, 4);
    expect(fit.logLikelihood).toBeCloseTo(-18.37689, 5);
    const levels = [31.5407, 32.1876, 32.3186, 35.0935, 35.792, 39.9161, 39.9984, 42.1319];
    fit.points.forEach((p, i) => expect(p.level).toBeCloseTo(levels[i]!, 3));
    expect((fit.points[7]!.high - fit.points[7]!.low) / 3.92).toBeCloseTo(2.41426, 4);
  });
  it('draws a straight line through readings that differ by error only', () => {
    const fit = localLevel(at([0, 10, 20, 30, 40], [30, 31, 29, 30, 30], 3));
    expect(fit.q).toBe(0);
    for (const p of fit.points) expect(p.level).toBeCloseTo(30, 6);
    // Five readings of one unchanged state: the band is that of their mean.
    expect((fit.points[2]!.high - fit.points[2]!.low) / 3.92).toBeCloseTo(3 / Math.sqrt(5), 6);
  });
  it('puts results of one day together, and refuses what it cannot smooth', () => {
    const [one] = byDate([
      { date: START, value: 30, sem: 3 },
      { date: START, value: 36, sem: 3 },
    ]);
    expect(one).toMatchObject({ value: 33, sem: 3 });
    // 1/9 against 1/36: the surer one counts four times.
    const [weighted] = byDate([
      { date: START, value: 30, sem: 3 },
      { date: START, value: 40, sem: 6 },
    ]);
    expect(weighted!.value).toBeCloseTo(32, 10);
    const [free] = byDate([
      { date: START, value: 30, sem: 0 },
      { date: START, value: 40, sem: 6 },
    ]);
    expect(free!.value).toBe(35);
    expect(() => localLevel(at([0, 1], [1, 2]))).toThrow(expect.objectContaining({ code: 'invalid-series' }));
    expect(() => localLevel(at([0, 1, 2], [1, 2, 3], 0))).toThrow(expect.objectContaining({ code: 'invalid-series' }));
    expect(() => byDate(at([0], [NaN]))).toThrow(expect.objectContaining({ code: 'invalid-series' }));
  });
});

describe('courseOf', () => {
  const weeks = [0, 7, 14, 21, 28, 35, 42];
  const rising = [30, 32, 34, 36, 38, 40, 42];
  const trend = (values: readonly number[], days = weeks) => trendOf(at(days, values, 1))!;

  it('makes no trend below five dates', () => {
    expect(trendOf(at([0, 7, 14, 21], [1, 2, 3, 4]))).toBeNull();
    expect(trendOf(at([0, 7, 14, 21, 21], [1, 2, 3, 4, 5]))).toBeNull();
  });
  it('is on course when the rate is at least what the goal needs, with a range of dates', () => {
    // 2 a week, 8 to go: four weeks after the last date, a little more by the smoothed value.
    const c = courseOf(trend(rising), 'more', { value: 50, by: addDays(START, 42 + 42) }, 0.9);
    expect(c.state).toBe('on course');
    expect(c.forecast!.earliest >= addDays(START, 42 + 27)).toBe(true);
    expect(c.forecast!.earliest <= addDays(START, 42 + 32)).toBe(true);
    expect(c.forecast!.latest! >= c.forecast!.earliest).toBe(true);
  });
  it('reads a falling number as freer where less is better', () => {
    const falling = rising.map((v) => 80 - v);
    expect(courseOf(trend(falling), 'less', { value: 30, by: addDays(START, 84) }, 0.9).state).toBe('on course');
    expect(courseOf(trend(falling), 'more', { value: 90, by: null }, 0.9).state).toBe('moving away');
  });
  it('calls a plateau only with adherence, four weeks and four dates', () => {
    const slow = [30, 30.2, 30, 30.3, 30.1, 30.3, 30.2];
    const aim = { value: 45, by: addDays(START, 42 + 56) };
    expect(courseOf(trend(slow), 'more', aim, 0.85).state).toBe('plateau');
    expect(courseOf(trend(slow), 'more', aim, 0.7).state).toBe('cannot tell yet');
    expect(courseOf(trend(slow), 'more', aim, null).state).toBe('cannot tell yet');
    const short = trend(slow.slice(0, 5), [0, 3, 6, 9, 12]);
    expect(courseOf(short, 'more', aim, 0.85).state).toBe('cannot tell yet');
  });
  it('gives no forecast while the interval includes no change, and none beyond half a year', () => {
    const noisy = courseOf(trend([30, 34, 29, 35, 31, 33, 30]), 'more', { value: 45, by: null }, 0.5);
    expect(noisy).toMatchObject({ state: 'cannot tell yet', forecast: null });
    const far = courseOf(trend(rising), 'more', { value: 42 + 2 * (FORECAST_WEEKS + 8), by: null }, 0.5);
    expect(far.forecast).toBeNull();
  });
  it('leaves the late end open when only the early one is within half a year', () => {
    const c = courseOf(trend([30, 30.4, 31.6, 31.2, 33.4, 32.2, 35]), 'more', { value: 46, by: null }, null);
    expect(c.forecast).toMatchObject({ latest: null });
  });
  it('says reached on two results in a row, and on course when only the smoothed value is there', () => {
    expect(courseOf(trend(rising), 'more', { value: 40, by: null }, 0.9).state).toBe('reached');
    const once = courseOf(trend([30, 32, 34, 36, 38, 39.5, 45]), 'more', { value: 40, by: null }, 0.9);
    expect(once).toMatchObject({ state: 'on course', needed: null });
    expect(courseOf(trend(rising), 'more', null, 0.9).state).toBe('cannot tell yet');
  });
  it('needs the rate, not only a rise', () => {
    const c = courseOf(trend(rising), 'more', { value: 60, by: addDays(START, 49) }, 0.5);
    expect(c).toMatchObject({ state: 'cannot tell yet', why: 'rate-unsure' });
  });
});

describe('effects', () => {
  const r = (day: number, value: number, sem = 2): DatedResult => ({ date: addDays(START, day), value, sem });
  it('reads a within-session effect against the measurement error', () => {
    // MDC95 of SEM 2 and 2: 1.96·√8 = 5.54.
    expect(withinSessionEffect({ value: 40, sem: 2 }, { value: 47, sem: 2 }, 'more').class).toBe('improved');
    expect(withinSessionEffect({ value: 40, sem: 2 }, { value: 45, sem: 2 }, 'more').class).toBe(
      'no detectable change',
    );
  });
  it('says what a break left of a gain', () => {
    expect(retention(r(0, 30), r(40, 40), r(70, 36), addDays(START, 40), 'more')).toEqual({
      gain: 10,
      kept: 6,
      share: 0.6,
      breakDays: 30,
    });
    expect(retention(r(0, 40), r(40, 30), r(70, 34), addDays(START, 40), 'less')!.share).toBeCloseTo(0.6, 10);
  });
  it('says nothing after a short break or without a real gain', () => {
    expect(retention(r(0, 30), r(40, 40), r(50, 36), addDays(START, 40), 'more')).toBeNull();
    expect(retention(r(0, 30), r(40, 34), r(70, 32), addDays(START, 40), 'more')).toBeNull();
    expect(() => retention(r(0, 30), r(40, 40), r(40, 36), addDays(START, 40), 'more')).toThrow(
      expect.objectContaining({ code: 'invalid-series' }),
    );
  });
});

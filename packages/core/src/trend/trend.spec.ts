import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalCdf } from '../math/normal.js';
import { addDays } from '../schedule/plain-date.js';
import { retention, withinSessionEffect } from './effects.js';
import { levelsAtDrift, localLevel } from './local-level.js';
import { mannKendall, varianceOfS } from './mann-kendall.js';
import { chanceOfS, groupSizes } from './rank-distribution.js';
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

// Uneven dates and errors, as in scripts/independent/trend.py.
const UNEVEN = at([0, 7, 10, 28, 35, 63, 64, 90], [30, 33, 31.5, 36, 35, 41, 40, 43.5]).map((r, i) => ({
  ...r,
  sem: [3, 3, 2, 3, 3, 3, 2, 3][i]!,
}));

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
  it('agrees with scipy.stats.theilslopes 1.17.1, with and without ties', () => {
    const x = [0, 7, 10, 28, 35, 63, 64, 90];
    const y = [30, 33, 31.5, 36, 35, 41, 40, 43.5];
    const s95 = theilSen(x, y);
    expect([s95.slope, s95.intercept]).toEqual([expect.closeTo(1 / 7, 10), expect.closeTo(31, 10)]);
    expect([s95.low, s95.high]).toEqual([expect.closeTo(0.1111111111, 9), expect.closeTo(0.1746031746, 9)]);
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
  // Hollander & Wolfe, Nonparametric Statistical Methods, table of Kendall's K (from memory): for n = 5 only K = 10 has a tail below 2.5 %.
  it('needs the whole range of slopes at five dates, where the normal would take less', () => {
    const y = [30, 32, 31, 35, 34];
    const slopes = y.flatMap((a, i) => y.slice(i + 1).map((b, j) => (b - a) / (7 * (j + 1))));
    const s = theilSen([0, 7, 14, 21, 28], y);
    expect([s.low, s.high]).toEqual([Math.min(...slopes), Math.max(...slopes)]);
  });
  it('refuses results of one day', () => {
    expect(() => theilSen([3, 3], [1, 2])).toThrow(expect.objectContaining({ code: 'invalid-series' }));
  });
});

describe('chanceOfS', () => {
  it('counts inversions as all orders of the values do, with and without equal ones', () => {
    const orders = (xs: readonly number[]): number[][] =>
      xs.length <= 1
        ? [[...xs]]
        : xs.flatMap((x, i) => orders([...xs.slice(0, i), ...xs.slice(i + 1)]).map((r) => [x, ...r]));
    const sOf = (xs: readonly number[]): number =>
      xs.reduce((sum, a, i) => sum + xs.slice(i + 1).reduce((t, b) => t + Math.sign(b - a), 0), 0);
    for (const values of [
      [1, 2, 3, 4, 5],
      [1, 1, 2, 3],
      [1, 1, 2, 2, 2],
      [1, 1, 1, 2, 3, 3],
      [4, 4, 4, 4],
    ]) {
      const all = orders(values).map(sOf);
      for (let s = -15; s <= 15; s++) {
        const reached = all.filter((x) => x >= s).length / all.length;
        expect(chanceOfS(s, groupSizes(values)), `${values.join()} ${s}`).toBeCloseTo(reached, 10);
      }
    }
  });
});

describe('mannKendall', () => {
  // scripts/independent/trend.py: all orders one by one; the first and the last also by scipy.stats.kendalltau, method exact.
  it.each([
    [[30, 31, 33, 34, 36], 10, 1 / 60],
    [[30, 31, 31, 34, 36], 9, 1 / 30],
    [[30, 30, 31, 34, 34, 36], 13, 1 / 90],
    [[5, 7, 6, 6, 8, 9, 9], 15, 0.0253968],
    [[30, 33, 31.5, 36, 35, 41, 40, 43.5], 22, 0.005506],
  ])('counts the chance of %j out below ten dates', (y, s, p) => {
    const mk = mannKendall(
      y.map((_, i) => i),
      y,
    );
    expect(mk.s).toBe(s);
    expect(mk.p).toBeCloseTo(p, 6);
  });
  it('needs a perfect run at five dates: one swap and it is no trend', () => {
    expect(mannKendall([0, 1, 2, 3, 4], [1, 2, 3, 4, 5]).p).toBeLessThan(0.05);
    expect(mannKendall([0, 1, 2, 3, 4], [1, 2, 3, 5, 4]).p).toBeGreaterThan(0.05);
  });
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

describe('levelsAtDrift', () => {
  it('agrees with the Nile series at level variance 1,469.1 and observation variance 15,099 (Durbin & Koopman 2001)', () => {
    const series = at(
      NILE.map((_, i) => i),
      NILE,
      Math.sqrt(15_099),
    );
    const fit = levelsAtDrift(series, 1469.1);
    // They find 1,469.1 by maximum likelihood: less and more are less likely.
    expect(fit.logLikelihood).toBeGreaterThan(levelsAtDrift(series, 1400).logLikelihood);
    expect(fit.logLikelihood).toBeGreaterThan(levelsAtDrift(series, 1540).logLikelihood);
    // Log likelihood and smoothed values by the dense normal distribution in scipy/numpy.
    expect(fit.logLikelihood).toBeCloseTo(-632.5456, 3);
    expect([0, 50, 99].map((i) => fit.level[i])).toEqual(
      [1111.668, 829.551, 798.371].map((v) => expect.closeTo(v, 1) as number),
    );
    expect(fit.variance[50]).toBeCloseTo(2326.72, 0);
  });
  // scripts/independent/trend.py: the mean of a normal given the readings, q = 0.5 a day.
  it('takes irregular dates and unequal errors as the dense normal distribution does (numpy)', () => {
    const { level, variance } = levelsAtDrift(UNEVEN, 0.5);
    const levels = [31.59698, 32.21802, 32.35386, 35.09003, 35.80022, 39.88577, 39.96978, 42.05582];
    level.forEach((v, i) => expect(v).toBeCloseTo(levels[i]!, 3));
    const sds = [1.9462, 1.5637, 1.4553, 1.8109, 1.8637, 1.5377, 1.4935, 2.3857];
    variance.forEach((v, i) => expect(Math.sqrt(v)).toBeCloseTo(sds[i]!, 3));
  });
  it('draws a straight line through readings that differ by error only', () => {
    const { level, variance } = levelsAtDrift(at([0, 10, 20, 30, 40], [30, 31, 29, 30, 30], 3), 0);
    for (const v of level) expect(v).toBeCloseTo(30, 6);
    // Five readings of one unchanged state: the error is that of their mean.
    expect(Math.sqrt(variance[2]!)).toBeCloseTo(3 / Math.sqrt(5), 6);
  });
});

describe('localLevel', () => {
  // scripts/independent/trend.py: the same average of dense normal distributions (numpy, scipy).
  it('averages over drifts by their likelihood, with what they differ by in the band', () => {
    const points = localLevel(UNEVEN);
    const levels = [31.438, 32.227, 32.295, 35.172, 35.743, 39.927, 39.985, 42.239];
    const halves = [4.253, 3.349, 3.058, 3.858, 3.959, 3.231, 3.064, 5.08];
    points.forEach((p, i) => {
      expect(p.level).toBeCloseTo(levels[i]!, 2);
      expect((p.high - p.low) / 2).toBeCloseTo(halves[i]!, 2);
    });
  });
  it('keeps a band on the last date that a rising course cannot leave at once', () => {
    // One degree a week, read without any slip at an error of 3°: a single most likely drift is 0 here, its line lies 2.5° low at the end.
    const points = localLevel(at([0, 7, 14, 21, 28, 35], [30, 31, 32, 33, 34, 35]));
    expect(points.at(-1)!.high).toBeGreaterThan(36);
    expect(points.at(-1)!.low).toBeLessThan(35);
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

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anova } from './anova.js';
import { blandAltman } from './bland-altman.js';
import { icc, ICC_FORMS, iccLabel, type IccForm } from './icc.js';
import { ownError } from './own-error.js';
import { chiSquareQuantile, fQuantile, tQuantile } from '../../math/quantiles.js';

// Shrout PE, Fleiss JL 1979, Psychol Bull 86:420-428, table 2: six targets, four judges (from memory, decimals derived by hand).
const JUDGES = [
  [9, 2, 5, 8],
  [6, 1, 3, 2],
  [8, 4, 6, 8],
  [7, 1, 2, 6],
  [10, 5, 6, 9],
  [6, 2, 4, 7],
];

describe('quantiles', () => {
  // Printed tables: F(0.95; 3, 10) = 3.708, χ²(0.975; 15) = 27.488, t(0.975; 16) = 2.120.
  it('agree with printed tables', () => {
    expect(fQuantile(0.95, 3, 10)).toBeCloseTo(3.708, 3);
    expect(chiSquareQuantile(0.975, 15)).toBeCloseTo(27.488, 3);
    expect(tQuantile(0.975, 16)).toBeCloseTo(2.12, 3);
  });
});

describe('anova', () => {
  it('gives the mean squares printed by Shrout & Fleiss', () => {
    const a = anova(JUDGES);
    expect(a.bms).toBeCloseTo(11.24, 2);
    expect(a.wms).toBeCloseTo(6.26, 2);
    expect(a.jms).toBeCloseTo(32.49, 2);
    expect(a.ems).toBeCloseTo(1.02, 2);
  });

  it('adds up: the within square is made of raters and residual', () => {
    const number = fc.double({ min: -50, max: 150, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.array(number, { minLength: 3, maxLength: 3 }), { minLength: 3, maxLength: 12 }),
        (table) => {
          const a = anova(table);
          const within = (a.jms * (a.k - 1) + a.ems * (a.n - 1) * (a.k - 1)) / (a.n * (a.k - 1));
          expect(a.wms).toBeCloseTo(within, 6);
        },
      ),
    );
  });

  it.each([
    [[]],
    [
      [
        [1, 2],
        [3, 4],
      ],
    ],
    [[[1], [2], [3]]],
    [[[1, 2], [3, 4], [5]]],
    [
      [
        [1, 2],
        [3, NaN],
        [5, 6],
      ],
    ],
  ])('refuses %j', (table) => {
    expect(() => anova(table)).toThrow(expect.objectContaining({ code: 'invalid-reliability' }));
  });
});

describe('icc', () => {
  it.each<[IccForm, number, number]>([
    ['1,1', 0.17, 0.16574],
    ['2,1', 0.29, 0.28976],
    ['3,1', 0.71, 0.71484],
    ['1,k', 0.44, 0.4428],
    ['2,k', 0.62, 0.62005],
    ['3,k', 0.91, 0.90931],
  ])('ICC(%s) is %d as printed by Shrout & Fleiss', (form, printed, decimals) => {
    const { value } = icc(anova(JUDGES), form);
    expect(value).toBeCloseTo(printed, 2);
    expect(value).toBeCloseTo(decimals, 4);
  });

  // 95 % intervals of the same data as a common R routine prints them (from memory).
  it.each<[IccForm, number, number]>([
    ['1,1', -0.13, 0.72],
    ['2,1', 0.02, 0.76],
    ['3,1', 0.34, 0.95],
    ['1,k', -0.88, 0.91],
    ['2,k', 0.07, 0.93],
    ['3,k', 0.68, 0.99],
  ])('the interval of ICC(%s) is %d to %d', (form, low, high) => {
    const { interval } = icc(anova(JUDGES), form);
    expect(interval!.low).toBeCloseTo(low, 2);
    expect(interval!.high).toBeCloseTo(high, 2);
  });

  it('holds its value inside its interval, narrower at less confidence', () => {
    for (const form of ICC_FORMS) {
      const wide = icc(anova(JUDGES), form);
      const narrow = icc(anova(JUDGES), form, 0.8);
      expect(wide.interval!.low).toBeLessThan(narrow.interval!.low);
      expect(narrow.interval!.low).toBeLessThan(narrow.value);
      expect(narrow.interval!.high).toBeGreaterThan(narrow.value);
      expect(wide.interval!.high).toBeGreaterThan(narrow.interval!.high);
    }
  });

  it('is bounded, or says that there is no interval: studies of three to six clients with any reliability', () => {
    const reading = fc.integer({ min: -30, max: 30 });
    const study = fc
      .integer({ min: 3, max: 6 })
      .chain((n) => fc.array(fc.tuple(reading, reading), { minLength: n, maxLength: n }));
    let without = 0;
    fc.assert(
      fc.property(study, (rows) => {
        const a = anova(rows);
        fc.pre(a.ems > 0 && a.bms > 0);
        for (const form of ICC_FORMS) {
          const { value, interval, why } = icc(a, form);
          expect(value).toBeGreaterThanOrEqual(-1);
          expect(value).toBeLessThanOrEqual(1);
          expect(interval === null).toBe(why !== null);
          if (interval === null) without++;
          else {
            expect(interval.low).toBeGreaterThanOrEqual(-1);
            expect(interval.low).toBeLessThanOrEqual(value + 1e-9);
            expect(interval.high).toBeGreaterThanOrEqual(value - 1e-9);
            expect(interval.high).toBeLessThanOrEqual(1);
          }
        }
      }),
      { numRuns: 400 },
    );
    expect(without).toBeGreaterThan(0);
  });

  // Koo & Li 2016: below .5 poor, to .75 moderate, to .9 good, above excellent (from memory).
  it('has the labels of Koo & Li', () => {
    expect([0.49, 0.5, 0.75, 0.9, 0.91].map(iccLabel)).toEqual(['poor', 'moderate', 'good', 'good', 'excellent']);
  });
});

describe('ownError', () => {
  it('is the root of the error mean square, other testers added', () => {
    const e = ownError(JUDGES);
    // √1.0194 and √(1.0194 + (32.4861 − 1.0194)/6), by hand from the printed squares.
    expect(e.sameTester.value).toBeCloseTo(1.0097, 3);
    expect(e.otherTester).toBeCloseTo(2.5032, 3);
    // t·√2·1.0097 with the printed t of 15 degrees of freedom, 2.131 and 1.753.
    expect(e.mdc95).toBeCloseTo(3.043, 3);
    expect(e.mdc90).toBeCloseTo(2.503, 3);
    expect(e.agreement.value).toBeCloseTo(0.29, 2);
    expect(e.consistency.value).toBeCloseTo(0.71, 2);
  });

  // χ² table, 15 degrees of freedom: 27.488 at 97.5 %, 6.262 at 2.5 %.
  it('has an interval from the χ² table', () => {
    const { sameTester, anova: a } = ownError(JUDGES);
    expect(sameTester.low).toBeCloseTo(Math.sqrt((15 * a.ems) / 27.488), 3);
    expect(sameTester.high).toBeCloseTo(Math.sqrt((15 * a.ems) / 6.262), 3);
  });

  it('says plainly when few clients make it wide, and not when there are ten', () => {
    expect(ownError(JUDGES).tooFew).toMatchObject({ clients: 6 });
    const ten = Array.from({ length: 10 }, (_, i) => [30 + 3 * i, 31 + 3 * i + (i % 2)]);
    expect(ownError(ten).tooFew).toBeNull();
  });

  it('does not see a constant shift between days as the same tester’s error', () => {
    const shifted = Array.from({ length: 10 }, (_, i) => [30 + 3 * i, 34 + 3 * i + (i % 2 ? 0.2 : -0.2)]);
    const e = ownError(shifted);
    // By hand: differences 4 ± 0.2, SD 0.2·√(10/9), SEM = SD/√2.
    expect(e.sameTester.value).toBeCloseTo((0.2 * Math.sqrt(10 / 9)) / Math.SQRT2, 6);
    expect(e.otherTester).toBeGreaterThan(2.5);
  });
});

describe('blandAltman', () => {
  // Bland JM, Altman DG 1986, Lancet i:307-310: peak flow of 17 people with two meters, first reading of each (data from memory).
  const LARGE = [494, 395, 516, 434, 476, 557, 413, 442, 650, 433, 417, 656, 267, 478, 178, 423, 427];
  const MINI = [512, 430, 520, 428, 500, 600, 364, 380, 658, 445, 432, 626, 260, 477, 259, 350, 451];
  const b = blandAltman(LARGE.map((x, i) => [x, MINI[i]!] as const));

  it('gives the bias and SD that were published', () => {
    expect(b.n).toBe(17);
    expect(b.bias.value).toBeCloseTo(-2.1, 1);
    expect(b.sd).toBeCloseTo(38.8, 1);
    expect(b.bias.low).toBeCloseTo(-22.0, 0);
    expect(b.bias.high).toBeCloseTo(17.8, 1);
  });

  // Published with 2 SD: −79.7 to 75.5; with 1.96 SD, derived: −78.10 to 73.86. Standard error of a limit 16.3, t = 2.12.
  it('gives the limits and their own intervals', () => {
    expect(b.lower.value).toBeCloseTo(-78.1, 1);
    expect(b.upper.value).toBeCloseTo(73.86, 1);
    expect((b.upper.high - b.upper.value) / 2.12).toBeCloseTo(16.28, 1);
    expect(b.lower.value - b.lower.low).toBeCloseTo(b.upper.high - b.upper.value, 9);
  });

  it('has a point for each pair', () => {
    expect(b.points[0]).toEqual({ mean: 503, difference: -18 });
  });

  it('refuses too few pairs and gaps', () => {
    const refused = expect.objectContaining({ code: 'invalid-reliability' });
    expect(() => blandAltman([[1, 2]])).toThrow(refused);
    expect(() =>
      blandAltman([
        [1, 2],
        [2, NaN],
        [3, 4],
      ]),
    ).toThrow(refused);
  });
});

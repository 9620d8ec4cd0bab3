import { semFromIcc, semFromMdc95 } from '../math/measurement-error.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changeBetween } from './change.js';
import { errorOf, mdc90, mdc95, meanError, resultSem, smallestGainSeen } from './error.js';
import { resultOfReadings } from './result.js';

describe('semFromIcc, mdc95 and mdc90', () => {
  // SD·√(1−ICC), 1.96·√2·SEM and 1.645·√2·SEM (Weir 2005, J Strength Cond Res 19:231-240), worked by hand to four places.
  it.each([
    [8, 0.9, 2.5298, 7.0123, 5.8853],
    [2.7, 0.95, 0.6037, 1.6735, 1.4045],
    [10, 0.81, 4.3589, 12.0823, 10.1405],
    [5, 0.98, 0.7071, 1.96, 1.645],
    [7, 1, 0, 0, 0],
  ])('SD %d, ICC %d', (sd, icc, sem, m95, m90) => {
    expect(semFromIcc(sd, icc)).toBeCloseTo(sem, 4);
    expect(mdc95(semFromIcc(sd, icc))).toBeCloseTo(m95, 3);
    expect(mdc90(semFromIcc(sd, icc))).toBeCloseTo(m90, 3);
  });

  // Fletcher JP, Bandy WD 2008, JOSPT 38:640-645 print SEM 2.3-4.0° with MDC 5.4-9.3° for the neck (values from memory): a 90 % MDC.
  it('gives the printed MDC90 of a neck study from its printed SEM', () => {
    expect(mdc90(2.3)).toBeCloseTo(5.4, 1);
    expect(mdc90(4.0)).toBeCloseTo(9.3, 1);
  });

  // Powden et al. 2015, Man Ther 20(4):524-532, MDC 1.9 cm (from memory); 1.9/2.7719 by hand.
  it('derives a SEM from a printed MDC', () => {
    expect(semFromMdc95(1.9)).toBeCloseTo(0.6855, 4);
  });

  it('undoes itself', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 50, noNaN: true }), (sem) => {
        expect(semFromMdc95(mdc95(sem))).toBeCloseTo(sem, 9);
      }),
    );
  });

  it('adds unlike errors as squares: 3 and 4 make 5', () => {
    expect(mdc95(3, 4)).toBeCloseTo(1.96 * 5, 12);
    expect(mdc90(3, 4)).toBeCloseTo(1.645 * 5, 12);
  });

  it.each([
    () => semFromIcc(-1, 0.5),
    () => semFromIcc(1, 1.2),
    () => semFromIcc(1, NaN),
    () => mdc95(-1),
    () => mdc95(1, NaN),
    () => mdc90(-1),
    () => mdc90(1, -1),
    () => semFromMdc95(-0.1),
  ])('refuses impossible figures (%#)', (work) => {
    expect(work).toThrow(expect.objectContaining({ code: 'invalid-error-figure' }));
  });
});

describe('resultSem', () => {
  const source = { origin: 'practice', text: '' } as const;
  it('keeps the printed error and never goes below the rounding of the instrument', () => {
    expect(resultSem({ error: { sem: 3, source }, resolution: 1 })).toBe(3);
    // SD of a uniform rounding error: step/√12 = 0.2887 of a step.
    expect(resultSem({ error: { sem: 0.1, source }, resolution: 5 })).toBeCloseTo(1.4434, 4);
  });
});

describe('errorOf', () => {
  const source = { origin: 'practice', text: '' } as const;
  const rule = { valueRule: 'mean', better: 'more', repeatTolerance: 5, plausible: { min: -90, max: 180 } } as const;
  const test = { ...rule, error: { sem: 3, source }, resolution: 1 };
  const of = (...readings: number[]) => errorOf(test, resultOfReadings(readings, rule)).sem;

  // By hand: σ = 5/2.77 = 1.8051°, σ² = 3.2582. SEM² + σ²(1/k − 1/2).
  it('is the published one for an agreeing pair, larger for a single reading, a little smaller for three that agree', () => {
    expect(of(40, 42)).toBeCloseTo(3, 10);
    expect(of(40)).toBeCloseTo(Math.sqrt(9 + 3.2582 / 2), 4);
    expect(of(20, 40, 30, 41, 42)).toBeCloseTo(Math.sqrt(9 - 3.2582 / 6), 4);
  });
  // Sum of squares about 35: 500, variance 125; a median of five normal values has π/2 times the variance of their mean.
  it('carries the spread that readings show when they never agree', () => {
    expect(of(30, 40, 35, 50, 20)).toBeCloseTo(Math.sqrt(9 + (125 * Math.PI) / 10 - 3.2582 / 2), 3);
    expect(of(30, 42)).toBeCloseTo(Math.sqrt(9 + 72 / 2 - 3.2582 / 2), 3);
  });
  it('does not add a single reading’s error where the study had single readings too', () => {
    const single = { ...test, error: { sem: 3, source, readings: 1 } };
    expect(errorOf(single, resultOfReadings([40], rule)).sem).toBeCloseTo(3, 10);
  });
  it('takes a lone best of several as a single reading', () => {
    const best = { ...test, valueRule: 'best' } as const;
    const lone = errorOf(best, resultOfReadings([38, 30, 31], { ...rule, valueRule: 'best' })).sem;
    expect(lone).toBeCloseTo(Math.sqrt(9 + 3.2582 / 2), 4);
    expect(errorOf(best, resultOfReadings([38, 36], { ...rule, valueRule: 'best' })).sem).toBeCloseTo(3, 10);
  });
  it('is never finer than the instrument', () => {
    const fine = { ...test, error: { sem: 0.1, source } };
    expect(errorOf(fine, null).sem).toBeCloseTo(1 / Math.sqrt(12), 6);
    expect(errorOf(fine, resultOfReadings([40, 41, 42, 60, 70], rule)).sem).toBeCloseTo(1 / Math.sqrt(12), 6);
  });

  // Student's t, printed tables: 2.262 at 97.5 % and 1.833 at 95 % with 9 degrees of freedom.
  it('of few clients is judged by their degrees of freedom', () => {
    const own = { sem: 3, df: 9 };
    expect(mdc95(own)).toBeCloseTo(2.262 * Math.SQRT2 * 3, 2);
    expect(mdc90(own)).toBeCloseTo(1.833 * Math.SQRT2 * 3, 2);
    expect(changeBetween(40, 40 + 2.262 * Math.SQRT2 * 3, 'more', [own, own]).probability).toBeCloseTo(0.975, 4);
    expect(changeBetween(40, 49, 'more', [3, 3]).class).toBe('improved');
    expect(changeBetween(40, 49, 'more', [own, own]).class).toBe('no detectable change');
  });

  it('of several days shrinks with their root', () => {
    expect(meanError([{ sem: 3 }, { sem: 3 }, { sem: 3 }, { sem: 3 }]).sem).toBeCloseTo(1.5, 10);
    expect(() => meanError([])).toThrow(expect.objectContaining({ code: 'invalid-series' }));
  });

  // 2.8·√2·3 (1.96 + 0.84: the printed points of the normal for 95 % two-sided and 80 % power).
  it('tells which gain is seen four times in five: 11.9° at an error of 3°', () => {
    expect(smallestGainSeen(3)).toBeCloseTo(11.88, 2);
    expect(smallestGainSeen({ sem: 3, df: 9 })).toBeCloseTo((2.262 + 0.84) * Math.SQRT2 * 3, 2);
  });
});

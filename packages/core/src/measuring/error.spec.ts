import { semFromIcc, semFromMdc95 } from '../math/measurement-error.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mdc90, mdc95, resultSem } from './error.js';

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

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changeBetween, falseChangesExpected } from './change.js';
import { mdc95 } from './error.js';

describe('changeBetween', () => {
  it('knows which way is better', () => {
    expect(changeBetween(38, 29, 'less', [3, 3])).toMatchObject({ class: 'improved', delta: -9, gain: 9 });
    expect(changeBetween(29, 38, 'less', [3, 3])).toMatchObject({ class: 'worse', delta: 9, gain: -9 });
    expect(changeBetween(6, 9, 'more', [0.69, 0.69]).class).toBe('improved');
    expect(changeBetween(9, 6, 'more', [0.69, 0.69]).class).toBe('worse');
  });

  // Weir 2005: SEM 3° makes an MDC95 of 8.3°.
  it('calls nothing a change that error alone can make', () => {
    expect(changeBetween(38, 30, 'less', [3, 3]).class).toBe('no detectable change');
    expect(changeBetween(38, 29.7, 'less', [3, 3]).class).toBe('no detectable change');
    expect(changeBetween(38, 29.6, 'less', [3, 3]).class).toBe('improved');
  });

  it('gives 0.975 at the MDC, 0.5 at no change, 1 without any error', () => {
    expect(changeBetween(0, mdc95(3), 'more', [3, 3]).probability).toBeCloseTo(0.975, 4);
    expect(changeBetween(5, 5, 'more', [3, 3]).probability).toBe(0.5);
    expect(changeBetween(5, 6, 'more', [0, 0])).toMatchObject({ probability: 1, class: 'improved' });
  });

  it('is the same when the readings are mirrored and better is turned', () => {
    const n = fc.double({ min: 0, max: 90, noNaN: true });
    fc.assert(
      fc.property(n, n, (a, b) => {
        const x = changeBetween(a, b, 'more', [2, 3]);
        const y = changeBetween(-a, -b, 'less', [2, 3]);
        expect(y.class).toBe(x.class);
        expect(y.gain).toBeCloseTo(x.gain, 9);
        expect(y.probability).toBeCloseTo(x.probability, 9);
      }),
    );
  });

  // Domain 2.2: one false change in 24 results.
  it('counts how many changes chance makes', () => {
    expect(falseChangesExpected(24)).toBeCloseTo(1.2, 10);
  });

  it('refuses what is no number', () => {
    expect(() => changeBetween(NaN, 1, 'more', [1, 1])).toThrow(expect.objectContaining({ code: 'not-comparable' }));
    expect(() => changeBetween(1, Infinity, 'more', [1, 1])).toThrow(
      expect.objectContaining({ code: 'not-comparable' }),
    );
  });
});

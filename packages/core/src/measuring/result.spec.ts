import { ACTIVE_KNEE_EXTENSION, WEIGHT_BEARING_LUNGE } from '../catalogue/rom/leg.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CoreError } from '../errors.js';
import { MAX_READINGS, resultOfReadings, readingsWanted, type ReadingRule } from './result.js';

/** Less is better, tolerance 5. */
const knee = ACTIVE_KNEE_EXTENSION;
/** More is better, tolerance 1. */
const lunge = WEIGHT_BEARING_LUNGE;

// The rule itself is common practice, no source: 2 readings, a third when they disagree. Values below are worked by hand.
describe('resultOfReadings', () => {
  it('takes the mean of two readings that agree', () => {
    expect(resultOfReadings([31, 32], knee)).toMatchObject({ value: 31.5, spread: 1, steadiness: 'repeatable' });
  });

  it('accepts readings exactly at the tolerance, and no further', () => {
    expect(resultOfReadings([30, 35], knee).steadiness).toBe('repeatable');
    expect(resultOfReadings([30, 35.1], knee).steadiness).toBe('third-needed');
  });

  it('uses the closest two of three and leaves the stray out', () => {
    expect(resultOfReadings([31, 38, 32], knee)).toMatchObject({ value: 31.5, used: [31, 32], spread: 1 });
  });

  it('of two equally close pairs takes the later: the client has settled', () => {
    expect(resultOfReadings([30, 34, 32], knee).used).toEqual([34, 32]);
    expect(resultOfReadings([30, 32, 34], knee).used).toEqual([32, 34]);
  });

  it('asks for more while three disagree, and uses three of four', () => {
    expect(resultOfReadings([20, 30, 40], knee).steadiness).toBe('third-needed');
    expect(resultOfReadings([20, 30, 40, 32], knee).steadiness).toBe('third-needed');
    expect(resultOfReadings([20, 30, 34, 32], knee)).toMatchObject({ value: 32, used: [30, 34, 32], spread: 4 });
  });

  it('after five that do not agree the median stands, unsteady', () => {
    expect(resultOfReadings([10, 20, 30, 40, 50], knee)).toMatchObject({ value: 30, steadiness: 'unsteady' });
  });

  it('marks a run of readings that only gets freer', () => {
    expect(resultOfReadings([34, 33, 31], knee).stillEasing).toBe(true);
    expect(resultOfReadings([31, 33, 34], knee).stillEasing).toBe(false);
    expect(resultOfReadings([8.1, 8.4, 8.9], lunge).stillEasing).toBe(true);
    expect(resultOfReadings([8.1, 8.4], lunge).stillEasing).toBe(false);
  });

  it('marks a single reading', () => {
    expect(resultOfReadings([27], knee)).toMatchObject({ value: 27, spread: 0, steadiness: 'single' });
  });

  it('follows best and median where a test says so', () => {
    const rule = (over: Partial<ReadingRule>): ReadingRule => ({ ...lunge, ...over });
    expect(resultOfReadings([8, 8.6], rule({ valueRule: 'best' })).value).toBe(8.6);
    // Domain 2.10, 7: the best of 38, 30, 31 is 38, marked unsteady; with another near it, it is none.
    const best = { valueRule: 'best', better: 'more', repeatTolerance: 5, plausible: { min: 0, max: 200 } } as const;
    expect(resultOfReadings([38, 30, 31], best)).toMatchObject({ value: 38, steadiness: 'unsteady' });
    expect(resultOfReadings([38, 30, 36], best)).toMatchObject({ value: 38, steadiness: 'repeatable', used: [38, 36] });
    expect(resultOfReadings([38, 30], best)).toMatchObject({ value: 38, steadiness: 'third-needed' });
    expect(resultOfReadings([8, 8.6], rule({ valueRule: 'best', better: 'less' })).value).toBe(8);
    expect(resultOfReadings([8, 8.6], rule({ valueRule: 'median' })).value).toBeCloseTo(8.3, 10);
  });

  it.each([
    [[], 'no-readings'],
    [[1, 1, 1, 1, 1, 1], 'too-many-readings'],
    [[NaN], 'invalid-reading'],
    [[Infinity], 'invalid-reading'],
    [[101], 'invalid-reading'],
    [[-16], 'invalid-reading'],
  ])('refuses %j', (readings, code) => {
    let caught: unknown;
    try {
      resultOfReadings(readings, knee);
    } catch (err) {
      caught = err;
    }
    expect(caught).toBeInstanceOf(CoreError);
    expect((caught as CoreError).code).toBe(code);
  });

  it('keeps the value inside the readings used, and the spread within tolerance when repeatable', () => {
    const readings = fc.array(fc.double({ min: 0, max: 60, noNaN: true }), { minLength: 1, maxLength: MAX_READINGS });
    fc.assert(
      fc.property(readings, (readings) => {
        const r = resultOfReadings(readings, knee);
        expect(r.value).toBeGreaterThanOrEqual(Math.min(...r.used) - 1e-9);
        expect(r.value).toBeLessThanOrEqual(Math.max(...r.used) + 1e-9);
        if (r.steadiness === 'repeatable') expect(r.spread).toBeLessThanOrEqual(knee.repeatTolerance + 1e-6);
        expect(r.used.every((u) => readings.includes(u))).toBe(true);
      }),
    );
  });
});

describe('readingsWanted', () => {
  it('wants two, a third when they disagree, and no more than agree', () => {
    expect(readingsWanted(null)).toBe(2);
    expect(readingsWanted(resultOfReadings([30], knee))).toBe(2);
    expect(readingsWanted(resultOfReadings([30, 31], knee))).toBe(2);
    expect(readingsWanted(resultOfReadings([30, 40], knee))).toBe(3);
    expect(readingsWanted(resultOfReadings([10, 20, 30, 40, 50], knee))).toBe(5);
  });
});

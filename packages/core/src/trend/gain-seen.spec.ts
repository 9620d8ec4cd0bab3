import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays } from '../schedule/plain-date.js';
import { runs } from '../testing/runs.js';
import { gainSeenWords } from '../words/comparison.js';
import { gainSeenOver } from './gain-seen.js';

const START = '2026-03-09';
const on = (...days: readonly number[]) => days.map((d) => addDays(START, d));

describe('the gain that the dates of a block show', () => {
  // By hand: 2.8·√2·3 = 11.88 from both ends (2.8 = 1.96 + 0.84). With 0, 28, 56: Σ = 2·28² = 1568, √ = 39.6; 2.8·3·56/39.6 = 11.88: a date in the middle adds nothing to a slope.
  it('is that of one result against another from two dates, and a date in the middle adds nothing', () => {
    expect(gainSeenOver(on(0, 56), 56, { sem: 3 })).toBeCloseTo(11.88, 1);
    expect(gainSeenOver(on(0, 28, 56), 56, { sem: 3 })).toBeCloseTo(11.88, 1);
  });

  // 0, 0+7, 49, 56: t̄ = 28, Σ = 28² + 21² + 21² + 28² = 2450, √ = 49.5; 2.8·3·56/49.5 = 9.5.
  it('gets smaller with more dates towards both ends', () => {
    expect(gainSeenOver(on(0, 7, 49, 56), 56, { sem: 3 })).toBeCloseTo(9.5, 1);
  });

  it('is none from one date', () => {
    expect(gainSeenOver(on(3), 56, { sem: 3 })).toBeNull();
    expect(gainSeenOver(on(3, 3), 56, { sem: 3 })).toBeNull();
    expect(gainSeenOver([], 56, { sem: 3 })).toBeNull();
  });

  it('never gets smaller by leaving out a date', () => {
    const dates = fc.uniqueArray(fc.integer({ min: 0, max: 90 }), { minLength: 3, maxLength: 10 });
    fc.assert(
      fc.property(dates, (days) => {
        const all = gainSeenOver(on(...days), 90, { sem: 2 })!;
        for (const left of days) {
          const fewer = gainSeenOver(on(...days.filter((d) => d !== left)), 90, { sem: 2 });
          if (fewer !== null) expect(fewer).toBeGreaterThanOrEqual(all - 1e-9);
        }
      }),
      runs(100),
    );
  });

  it('is said with what a move costs', () => {
    expect(gainSeenWords('Soleus', 11.9, 14.2, { unit: 'deg' })).toBe(
      'Soleus: a gain below 14.2° may stay unseen in this block (was 11.9°).',
    );
    expect(gainSeenWords('Soleus', 11.9, 11.9, { unit: 'deg' })).toBe(
      'Soleus: a gain below 11.9° may stay unseen in this block.',
    );
  });
});

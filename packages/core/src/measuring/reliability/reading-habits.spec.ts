import { describe, expect, it } from 'vitest';
import { readingHabitsWords } from '../../words/reliability.js';
import { romTestById } from '../../catalogue/tests.js';
import { roundedEndings, roundedError, readStep } from './reading-habits.js';

const endings = (zero: number, five: number, others: number) =>
  Array.from({ length: 10 }, (_, i) => (i === 0 ? zero : i === 5 ? five : others));

describe('endings of readings', () => {
  it('are told from chance by the binomial: 16 of 80 are expected, and 25 come by chance once in a hundred', () => {
    // SD √(80·0.2·0.8) = 3.58; 16 + 2.326·3.58 = 24.3.
    expect(roundedEndings({ endings: endings(12, 12, 7) })).toEqual({ found: 24, expected: 16, clearly: false });
    expect(roundedEndings({ endings: [13, 7, 7, 7, 7, 12, 7, 7, 7, 6] })).toEqual({
      found: 25,
      expected: 16,
      clearly: true,
    });
    expect(roundedEndings({ endings: endings(4, 4, 1) })).toBeNull();
  });
  // Domain: "readings rounded to 5° turn an error of 3 into 3.3": √(9 + 25/12) = 3.33.
  it('rounded to five make an error of 3 one of 3.3', () => {
    expect(roundedError(3, 1)).toBeCloseTo(3.329, 3);
    expect(roundedError(0.3, 0.1)).toBeCloseTo(0.3329, 4);
  });
  it('are counted in degrees and millimetres, and not where the instrument is coarser', () => {
    expect([1, 0.1, 0.5, 5].map((resolution) => readStep({ resolution }))).toEqual([1, 0.1, null, null]);
  });
});

describe('readingHabitsWords', () => {
  const knee = romTestById('active-knee-extension');
  it('says what the readings of a coach tell, and nothing where they tell nothing', () => {
    expect(readingHabitsWords({ readings: 80, seen: 0, endings: endings(8, 8, 8) }, knee)).toEqual([]);
    const [rounded, seen] = readingHabitsWords({ readings: 80, seen: 12, endings: endings(30, 26, 3) }, knee);
    expect(rounded).toContain('56 of your 80 readings of this test end on 0 or 5 (16 by chance)');
    expect(rounded).toContain('3.33°');
    expect(seen).toContain('12 of your 80 readings of this test were taken with the last value shown');
  });
});

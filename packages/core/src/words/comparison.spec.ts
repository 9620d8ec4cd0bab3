import { describe, expect, it } from 'vitest';
import { romTestById } from '../catalogue/tests.js';
import { assessmentDateFault } from './assessment-date.js';
import {
  asideWords,
  baselineWords,
  goalWords,
  plateauWronglyWords,
  saidWronglyWords,
  seenWords,
} from './comparison.js';

const KNEE = romTestById('active-knee-extension');
const measured = (left: number, right: number) => ({ test: KNEE, left, right, both: null });

describe('what a comparison can show', () => {
  // 2.8·√2·3 = 11.9, and by √2 less with two days: 8.4 (domain 2.2).
  it('says which true gain is seen, with one day and with two', () => {
    expect(seenWords({ sem: 3 }, KNEE)).toBe(
      'A true gain of 11.9° is seen 4 times in 5; of 8.4° if it is measured on two days each time.',
    );
  });
  it('says how far a goal is, and when it lies inside the error: 1.96·√2·3 = 8.3°', () => {
    expect(goalWords(20, measured(45, 35), KNEE)).toMatch(/^25° to go\. A true gain/);
    expect(goalWords(20, measured(25, 27), KNEE)).toMatch(/^7° to go, inside the error of one result \(8\.3°\)/);
    expect(goalWords(20, measured(20, 15), KNEE)).toBe('Reached in the newest result.');
    expect(goalWords(20, null, KNEE)).toMatch(/^Not measured yet\./);
  });
  // docs/calibration.md: the worst of the errors simulated, rounded; the bars are 2.5 and 5 of 100.
  it('says how often it errs', () => {
    expect(saidWronglyWords()).toMatch(/“improved” of [123] of 100 clients and “worse” of [123] of 100/);
    expect(plateauWronglyWords()).toMatch(/in [1-5] of 100 blocks/);
  });
  it('names what is in the table and not compared, one or many', () => {
    expect(asideWords(0)).toBe('');
    expect(asideWords(1)).toMatch(/^1 more was taken warm or less than 6 hours after a session: it is in the table/);
    expect(asideWords(2)).toMatch(/^2 more were taken .* they are in the table/);
  });
  it('tells the story of a baseline only where it has one', () => {
    const one = (baseline: 'as it came' | 'second day' | 'chosen') => ({
      before: { value: 30, sem: 3, dates: ['2026-03-05'] },
      now: { value: 36, sem: 3, dates: ['2026-04-05'] },
      baseline,
    });
    expect(baselineWords([null, one('as it came')], true)).toBe('');
    expect(baselineWords([null, one('second day')], true)).toContain('Counted from 5 Mar 2026, the second day');
    expect(baselineWords([one('chosen')], true)).toContain('part of a first gain may be chance');
    expect(baselineWords([one('chosen')], false)).toBe('');
    expect(baselineWords([null], true)).toBe('');
  });
});

describe('the day of an assessment', () => {
  it('is neither to come nor before the client was born', () => {
    const of = (date: string) => assessmentDateFault(date, '2026-03-09', '1984-03-02');
    expect(['2026-03-09', '1984-03-02'].map(of)).toEqual([null, null]);
    expect(of('2026-03-10')).toContain('in the future');
    expect(of('1984-03-01')).toContain('before the client was born');
    expect(assessmentDateFault('1930-01-01', '2026-03-09', null)).toBeNull();
  });
});

import { describe, expect, it } from 'vitest';
import { MOST_DATES, repeatedDates } from './repeats.js';

describe('repeated dates', () => {
  it('are every day, every second day or every week up to a day, over the end of a month', () => {
    expect(repeatedDates('2026-02-27', 'every day', '2026-03-02')).toEqual([
      '2026-02-27',
      '2026-02-28',
      '2026-03-01',
      '2026-03-02',
    ]);
    expect(repeatedDates('2026-02-27', 'every second day', '2026-03-02')).toEqual(['2026-02-27', '2026-03-01']);
    expect(repeatedDates('2026-02-27', 'every week', '2026-03-06')).toEqual(['2026-02-27', '2026-03-06']);
  });
  it('are one where nothing repeats or the end lies before the next', () => {
    expect(repeatedDates('2026-03-09', 'once', '2026-04-09')).toEqual(['2026-03-09']);
    expect(repeatedDates('2026-03-09', 'every week', '2026-03-15')).toEqual(['2026-03-09']);
    expect(repeatedDates('2026-03-09', 'every day', '2026-03-01')).toEqual(['2026-03-09']);
  });
  it('are at most a season', () => {
    expect(repeatedDates('2026-01-01', 'every day', '2027-01-01')).toHaveLength(MOST_DATES);
  });
});

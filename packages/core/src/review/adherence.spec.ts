import { describe, expect, it } from 'vitest';
import { runningBlock, weeksOver } from '../planning/block-dates.js';
import { adherence } from './adherence.js';

const row = (week: number, planned: number, done: number, group = 'calf') => ({
  week,
  group,
  planned: { left: planned, right: planned },
  done: { left: done, right: done },
  ratio: done / planned,
});

describe('weeks that are over', () => {
  it('are those whose last day is past, up to the end of the block and not beyond', () => {
    const over = (today: string) => weeksOver('2026-03-02', 4, today);
    // A week from Monday 2 March ends on Sunday the 8th; the block on Sunday 29 March.
    expect(['2026-02-20', '2026-03-02', '2026-03-08', '2026-03-09'].map(over)).toEqual([0, 0, 0, 1]);
    expect(['2026-03-29', '2026-03-30', '2026-06-01'].map(over)).toEqual([3, 4, 4]);
  });
});

describe('adherence', () => {
  // Three weeks of 100 s a side done whole, the last one not at all: while it runs it is not counted, afterwards it is.
  it('counts the last week of a block once it has ended', () => {
    const rows = [row(1, 100, 100), row(2, 100, 80), row(3, 100, 90), row(4, 100, 0)];
    expect(adherence(rows, weeksOver('2026-03-02', 4, '2026-03-29'))).toBeCloseTo(0.9, 9);
    expect(adherence(rows, weeksOver('2026-03-02', 4, '2026-03-30'))).toBeCloseTo(0.675, 9);
  });

  it('takes only the rows it is asked for, and says nothing of nothing', () => {
    const rows = [row(1, 100, 50), row(1, 100, 100, 'soleus')];
    expect(adherence(rows, 1, (r) => r.group === 'calf')).toBe(0.5);
    expect(adherence(rows, 0)).toBeNull();
  });
});

describe('the running block', () => {
  const block = (startDate: string, endedAt: string | null = null) => ({ startDate, weeks: 4, endedAt });
  it('is not ended and its last day is not past; of several the one that started last', () => {
    const [a, b] = [block('2026-03-02'), block('2026-03-09')];
    expect(runningBlock([a, b], '2026-03-20')).toBe(b);
    expect(runningBlock([b, a], '2026-03-20')).toBe(b);
    expect(runningBlock([a], '2026-03-29')).toBe(a);
    expect(runningBlock([a], '2026-03-30')).toBeNull();
    expect(runningBlock([block('2026-03-02', '2026-03-05T10:00:00Z')], '2026-03-10')).toBeNull();
  });
});

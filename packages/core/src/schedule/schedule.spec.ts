import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildBlock } from '../planning/block.js';
import { endOfBlock, datesOfWeek, scheduleRetests, scheduleSessions, weekOn } from '../planning/block-dates.js';
import { addDays, ageOn, daysBetween, formatDate, isPlainDate, weekdayFrom, weekdayOf } from './plain-date.js';

describe('plain dates', () => {
  // 9 March 2026 is a Monday; 2024 was a leap year (civil calendar).
  it('counts on the civil calendar', () => {
    expect(weekdayOf('2026-03-09')).toBe(1);
    expect(addDays('2024-02-28', 1)).toBe('2024-02-29');
    expect(addDays('2025-02-28', 1)).toBe('2025-03-01');
    expect(addDays('2026-01-01', -1)).toBe('2025-12-31');
    expect(ageOn('1980-03-10', '2026-03-09')).toBe(45);
    expect(ageOn('1980-03-10', '2026-03-10')).toBe(46);
    expect(formatDate('2026-03-09', 'd MMM')).toBe('9 Mar');
  });

  it('goes on to the next Monday, and stays on one', () => {
    const week = ['2026-03-09', '2026-03-10', '2026-03-15', '2026-03-16'];
    expect(week.map((d) => weekdayFrom(d, 1))).toEqual(['2026-03-09', '2026-03-16', '2026-03-16', '2026-03-16']);
  });

  it('agrees with the UTC calendar of the platform, over clock changes too', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20_000 }), fc.integer({ min: -800, max: 800 }), (start, days) => {
        const iso = (n: number) => new Date(n * 86_400_000).toISOString().slice(0, 10);
        expect(addDays(iso(start), days)).toBe(iso(start + days));
        expect(daysBetween(iso(start), iso(start + days))).toBe(days);
        expect(weekdayOf(iso(start)) % 7).toBe(new Date(start * 86_400_000).getUTCDay());
      }),
    );
  });

  it.each(['2026-02-30', '2026-13-01', '09.03.2026', '2026-3-9', '', '2026-03-09T00:00'])('refuses %j', (text) => {
    expect(isPlainDate(text)).toBe(false);
    expect(() => addDays(text, 1)).toThrow(expect.objectContaining({ code: 'invalid-date' }));
  });
});

describe('dates of a block', () => {
  const plan = buildBlock({
    client: { age: 40, experience: 'regular', trainingDays: [1, 3, 5, 6], gentleGroups: [] },
    lanes: [
      { group: 'soleus', styleId: 'steady-hold' },
      { group: 'hamstrings', styleId: 'steady-hold' },
    ],
    weeks: 8,
    ramp: 0.2,
    easierEvery: 4,
  });
  const sessions = scheduleSessions(plan, '2026-03-09');

  it('counts weeks in sevens from the start date', () => {
    expect(datesOfWeek('2026-03-09', 2)[0]).toBe('2026-03-16');
    expect(endOfBlock('2026-03-09', 8)).toBe('2026-05-03');
    expect(weekOn('2026-03-09', '2026-03-15')).toBe(1);
    expect(weekOn('2026-03-09', '2026-03-16')).toBe(2);
    expect(weekOn('2026-03-09', '2026-03-08')).toBe(0);
  });

  it('gives each week the sessions it prescribes: three in each, for an easier week has fewer sets first', () => {
    expect(sessions).toHaveLength(8 * 3);
    expect(sessions.filter((s) => s.week === 1).map((s) => s.date)).toEqual(['2026-03-09', '2026-03-11', '2026-03-13']);
    expect(sessions.every((s) => s.lanes.length === 2)).toBe(true);
  });

  it('puts retests on days without a session that do not follow one, the baseline before the start', () => {
    const dates = new Set(sessions.map((s) => s.date));
    const retests = scheduleRetests(plan.retestWeeks, '2026-03-09', sessions);
    expect(retests.map((r) => r.week)).toEqual([1, 4, 8]);
    expect(retests[0]!.date).toBe('2026-03-08');
    for (const r of retests.slice(1)) {
      expect(dates.has(r.date)).toBe(false);
      expect(dates.has(addDays(r.date, -1))).toBe(false);
      expect(weekOn('2026-03-09', r.date)).toBe(r.week);
    }
  });

  it('measures before the session when every day has one', () => {
    const daily = datesOfWeek('2026-03-09', 4).map((date) => ({ date }));
    expect(scheduleRetests([4], '2026-03-09', daily)[0]!.date).toBe(daily[6]!.date);
    expect(scheduleRetests([4], '2026-03-09', daily.slice(0, 6))[0]!.date).toBe(daily[6]!.date);
  });
});

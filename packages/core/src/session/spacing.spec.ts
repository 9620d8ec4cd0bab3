import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, daysBetween } from '../schedule/plain-date.js';
import { spacingTrouble, type SpacedSession } from './spacing.js';

const MONDAY = '2026-03-09';
const on = (id: string, days: number, ...loaded: SpacedSession['loaded']): SpacedSession => ({
  id,
  date: addDays(MONDAY, days),
  loaded,
});

describe('moving a session', () => {
  const week = [on('a', 0, 'hamstrings', 'calf'), on('b', 3, 'hamstrings'), on('c', 5)];

  // Domain 2.6, 7: 48 hours between loaded sessions of one group, so Monday and Wednesday, not Monday and Tuesday.
  it('keeps two days between loaded work of a group', () => {
    expect(spacingTrouble(week, 'b', addDays(MONDAY, 1), [])).toEqual([
      { code: 'loaded-too-close', args: { group: 'hamstrings', date: MONDAY } },
    ]);
    expect(spacingTrouble(week, 'b', addDays(MONDAY, 2), [])).toEqual([]);
  });
  it('says nothing of sessions without load, of other groups, and of itself', () => {
    expect(spacingTrouble(week, 'c', addDays(MONDAY, 1), [])).toEqual([]);
    const other = [on('a', 0, 'calf'), on('b', 3, 'hamstrings')];
    expect(spacingTrouble(other, 'b', addDays(MONDAY, 1), [])).toEqual([]);
    expect(spacingTrouble(week, 'a', MONDAY, [])).toEqual([]);
  });
  it('names each group that is too close', () => {
    const both = [on('a', 0, 'hamstrings', 'calf'), on('b', 5, 'calf', 'hamstrings')];
    const trouble = spacingTrouble(both, 'b', addDays(MONDAY, 1), []);
    expect(trouble.map((f) => (f.code === 'loaded-too-close' ? f.args.group : f.code)).sort()).toEqual([
      'calf',
      'hamstrings',
    ]);
  });
  // Domain 2.6, 4: a retest is measured at least 24 hours after a session.
  it('leaves the day of a retest and the day before it free', () => {
    const retest = addDays(MONDAY, 6);
    for (const [days, broken] of [
      [4, 0],
      [5, 1],
      [6, 1],
      [7, 0],
    ] as const)
      expect(spacingTrouble(week, 'c', addDays(MONDAY, days), [retest]), `day ${days}`).toHaveLength(broken);
  });
  it('knows nothing of a session that is not there', () => {
    expect(spacingTrouble(week, 'x', MONDAY, [])).toEqual([]);
  });
  it('is the same from both sides: what is too close when one moves is too close when the other does', () => {
    const day = fc.integer({ min: 0, max: 13 });
    fc.assert(
      fc.property(day, day, (one, two) => {
        const sessions = [on('a', one, 'soleus'), on('b', two, 'soleus')];
        const close = Math.abs(daysBetween(sessions[0]!.date, sessions[1]!.date)) < 2;
        for (const s of sessions) expect(spacingTrouble(sessions, s.id, s.date, []).length > 0).toBe(close);
      }),
    );
  });
});

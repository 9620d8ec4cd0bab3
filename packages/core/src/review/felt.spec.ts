import { describe, expect, it } from 'vitest';
import { feltWords, reliefWords, tighterFeltWords } from '../words/felt.js';
import { feltBeside, feltCourses, reliefOf, type FeltEntry } from './felt.js';

const said = (date: string, score: number, over: Partial<FeltEntry> = {}): FeltEntry => ({
  ...{ date, score, region: 'low-back', kind: 'complaint', moment: 'day' },
  ...over,
});

describe('what a client feels over time', () => {
  it('goes from the first to the last, in whatever order it comes', () => {
    const [course] = feltCourses([said('2026-03-09', 2), said('2026-02-02', 6), said('2026-02-16', 7)]);
    expect(course).toMatchObject({ first: { score: 6 }, now: { score: 2 }, change: 'better' });
    expect(feltWords(course!)).toBe('Low back, complaint: 6 of 10 on 2 Feb, 2 on 9 Mar: better.');
  });

  // Farrar 2001: 2 points, or 30 % less.
  it('is a real change from two points on, or 30 % less', () => {
    const change = (from: number, to: number) =>
      feltCourses([said('2026-02-02', from), said('2026-03-09', to)])[0]!.change;
    expect([change(5, 4), change(3, 2), change(4, 6), change(5, 6)]).toEqual([
      'no real change',
      'better',
      'worse',
      'no real change',
    ]);
  });

  it('is a state where it was said once, and leaves out what was said around sessions', () => {
    const once = feltCourses([said('2026-02-02', 4), said('2026-02-02', 9, { moment: 'after session' })]);
    expect(once.map((c) => [c.change, c.now.score])).toEqual([[null, 4]]);
    expect(feltWords(once[0]!)).toBe('Low back, complaint: 4 of 10 on 2 Feb.');
  });
});

describe('what sessions do to stiffness', () => {
  const stiff = (date: string, moment: FeltEntry['moment'], score: number) =>
    said(date, score, { kind: 'stiffness', region: 'thigh-back', moment });
  // By hand: before 6 and 5, after 3 and 4: 5.5 and 3.5 on average.
  it('is the mean over days on which it was said before and after', () => {
    const entries = [
      stiff('2026-03-02', 'before session', 6),
      stiff('2026-03-02', 'after session', 3),
      stiff('2026-03-04', 'before session', 5),
      stiff('2026-03-04', 'after session', 4),
      stiff('2026-03-06', 'before session', 9),
      stiff('2026-03-06', 'day', 1),
    ];
    const [relief] = reliefOf(entries);
    expect(relief).toEqual({ region: 'thigh-back', sessions: 2, before: 5.5, after: 3.5 });
    expect(reliefWords(relief!)).toBe(
      'Back of the thigh: stiffness 5.5 before a session and 3.5 after, on average of 2 sessions.',
    );
  });
});

describe('the side that felt tighter while stretching', () => {
  const limits = [
    { group: 'hamstrings', weight: 1 },
    { group: 'calf', weight: 0.3 },
  ] as const;
  const felt = (group: 'hamstrings' | 'calf' | 'soleus', side: 'left' | 'right') => ({
    date: '2026-03-09',
    group,
    side,
  });

  it('is counted for the tests that the group limits by at least half', () => {
    const all = [
      felt('hamstrings', 'left'),
      felt('calf', 'left'),
      felt('hamstrings', 'left'),
      felt('hamstrings', 'right'),
    ];
    expect(feltBeside(limits, all)).toEqual({ left: 2, right: 1 });
    expect(feltBeside(limits, [felt('calf', 'left'), felt('soleus', 'right')])).toBeNull();
  });

  it('is said by side, without a side that never did', () => {
    expect(tighterFeltWords({ left: 0, right: 3 })).toBe('Felt tighter while stretching: right 3 times.');
  });
});

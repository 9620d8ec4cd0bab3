import { describe, expect, it } from 'vitest';
import { ROM_TESTS } from '../catalogue/tests.js';
import { BODY_REGION_IDS } from '../anatomy/body-region.js';
import { REPORT_SAFETY, reportParts, type ReportFacts } from './report.js';

const result = (value: number, date: string) => ({ value, sem: 3, df: null, dates: [date] });
const changeOf = (id: string, side: 'left' | 'right' | null, before: number, now: number) => ({
  test: ROM_TESTS.find((t) => t.id === id)!,
  side,
  before: result(before, '2026-01-05'),
  now: result(now, '2026-03-09'),
});
const facts = (over: Partial<ReportFacts> = {}): ReportFacts => ({
  regions: ['lower-leg', 'thigh-back'],
  sessions: { done: 17, planned: 20 },
  changes: [
    changeOf('active-knee-extension', 'left', 40, 28),
    changeOf('active-knee-extension', 'right', 32, 28),
    changeOf('shoulder-flexion', 'left', 160, 160),
    changeOf('neck-rotation', 'right', 70, 55),
  ],
  felt: [
    {
      ...{ region: 'low-back', kind: 'complaint', change: 'better' },
      ...{ first: { date: '2026-02-02', score: 5 }, now: { date: '2026-03-09', score: 3 } },
    },
  ],
  relief: [{ region: 'thigh-back', sessions: 4, before: 5.5, after: 3.5 }],
  nextTest: '2026-03-22',
  sessionsAWeek: 3,
  goals: ['sit on my heels'],
  ...over,
});
const lines = (f: ReportFacts, id: string) => reportParts(f).find((p) => p.id === id)?.lines ?? [];

/** Syllables of an English word: runs of vowels, without a silent e at the end. A common approximation. */
function syllables(word: string): number {
  const w = word.toLowerCase().replace(/[^a-z]/g, '');
  if (w === '') return 1;
  const runs = w.replace(/(?:[^laeiouy]es|[^laeiouyt]ed|[^laeiouy]e)$/, '').match(/[aeiouy]{1,2}/g) ?? [];
  return Math.max(1, runs.length);
}

/** Grade of reading: 0.39 × words a sentence + 11.8 × syllables a word − 15.59. Kincaid JP et al. 1975, Naval Technical Training Command, Research Branch Report 8-75 (from memory). */
function grade(text: string): number {
  const sentences = text.split(/[.!?:]+(?:\s|$)/).filter((s) => /[a-z]/i.test(s));
  const words = text.split(/\s+/).filter((w) => /[a-z0-9]/i.test(w));
  const spoken = words.reduce((sum, w) => sum + syllables(w), 0);
  return 0.39 * (words.length / sentences.length) + 11.8 * (spoken / words.length) - 15.59;
}

describe('a report for the client', () => {
  it('tells what is sure from what may be chance', () => {
    expect(lines(facts(), 'sure')).toEqual([
      'Straightening the knee, left: 12° more since 5 January.',
      'Neck turn, right: 15° less since 5 January. Your coach will look at it with you.',
    ]);
    expect(lines(facts(), 'maybe')).toEqual([
      'Straightening the knee, right: 4° more.',
      'Arm overhead, left: the same as before.',
      'This may be chance. Small changes are hard to see.',
    ]);
    expect(lines(facts({ changes: [] }), 'sure')).toEqual(['Nothing yet that we can be sure of.']);
  });

  it('says what was done, how it feels and what comes next', () => {
    expect(lines(facts(), 'worked')).toEqual([
      'You worked on the lower leg and the back of the thigh.',
      'You did 17 of 20 sessions.',
    ]);
    expect(lines(facts(), 'feels')).toEqual([
      'Low back, how much it bothers you: 5 of 10 on 2 February, 3 on 9 March. That is better.',
      'Back of the thigh, how stiff: 5.5 of 10 before you stretch and 3.5 after.',
    ]);
    expect(lines(facts(), 'next')).toEqual([
      'Your plan goes on with 3 sessions a week.',
      'We will test again on 22 March.',
      'Your goal, in your words: “sit on my heels”.',
    ]);
  });

  it('leaves out what is not known', () => {
    const bare = facts({ felt: [], relief: [], nextTest: null, sessionsAWeek: null, goals: [], changes: [] });
    expect(reportParts(bare).map((p) => p.id)).toEqual(['worked', 'sure']);
  });

  it('is measured by a grade that tells easy from hard', () => {
    expect(grade('The cat sat on the mat. It was a warm day.')).toBeLessThan(2);
    expect(
      grade('Proprioceptive neuromuscular facilitation considerably augments multidirectional articular mobility.'),
    ).toBeGreaterThan(15);
  });

  it('reads at grade 7 or below, whatever is in it', () => {
    const tests = ROM_TESTS.map((t) => t.id);
    const all = facts({
      regions: BODY_REGION_IDS.slice(0, 3),
      changes: tests.flatMap((id, i) => [changeOf(id, 'left', 40, 40 + (i % 3) * 12), changeOf(id, 'right', 40, 42)]),
    });
    for (const f of [facts(), all, facts({ changes: [], relief: [] })]) {
      const text = reportParts(f)
        .flatMap((p) => [`${p.title}.`, ...p.lines])
        .join(' ');
      expect(grade(text)).toBeLessThanOrEqual(7);
    }
    expect(grade(REPORT_SAFETY)).toBeLessThanOrEqual(7);
  });

  it('has none of the trade’s words', () => {
    const text = reportParts(facts())
      .flatMap((p) => [p.title, ...p.lines])
      .join(' ');
    expect(text).not.toMatch(/MDC|SEM|baseline|adherence|detectable|rotation|flexion|extension|range of motion/i);
  });
});

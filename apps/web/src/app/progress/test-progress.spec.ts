import type { Goal, Progress } from '@yandle/contract';
import { romTestById, SHIPPED_TESTS } from '@yandle/core';
import { aReading, anAssessment } from '../testing/assessments';
import { testProgress, type ProgressInput } from './test-progress';

const LUNGE = romTestById('weight-bearing-lunge');
const REACH = romTestById('finger-to-floor');
const lunge = (date: string, left: number, right: number, over = {}) =>
  anAssessment(date, [aReading(LUNGE.id, 'left', left), aReading(LUNGE.id, 'right', right)], over);
const input = (progress: Partial<Progress>, over: Partial<ProgressInput> = {}): ProgressInput => ({
  catalogue: SHIPPED_TESTS,
  client: { birthDate: '1980-01-10', sex: null },
  goals: [],
  progress: { today: '2026-03-10', assessments: [], choices: [], dose: null, sensations: [], felt: [], ...progress },
  ...over,
});

describe('the progress of one test', () => {
  it('is nothing before it was measured', () => {
    expect(testProgress(LUNGE, input({}))).toBeNull();
    expect(testProgress(REACH, input({ assessments: [lunge('2026-01-05', 6, 9)] }))).toBeNull();
  });

  it('has no change after one assessment', () => {
    const p = testProgress(LUNGE, input({ assessments: [lunge('2026-01-05', 6, 9)] }))!;
    expect([p.several, p.changes, p.warnings, p.hasTrend]).toEqual([false, [], [], false]);
    expect(p.left).toMatchObject([{ date: '2026-01-05', value: 6 }]);
  });

  // Powden 2015 (from memory): MDC95 1.9 cm = 1.96·√2·SEM, so SEM 0.6855; a single reading adds (1/2.77)²/2: 0.7315, 1.434 cm at 95 %.
  it('compares the first with the newest, each side by itself', () => {
    const assessments = [lunge('2026-01-05', 6, 9), lunge('2026-02-05', 7, 9.5), lunge('2026-03-05', 8.5, 9.5)];
    const p = testProgress(LUNGE, input({ assessments }))!;
    expect(p.changes.map((c) => [c.side, c.class])).toEqual([
      ['left', 'improved'],
      ['right', 'no detectable change'],
    ]);
    expect(p.changes[0]!.words).toContain('6 cm → 8.5 cm');
    expect(p.limit).toBe('1.9 cm');
    expect(p.left[0]!.half).toBeCloseTo(1.434, 3);
    expect(p.assessments.map((a) => a.values)).toEqual([
      ['6 cm (6)', '9 cm (9)'],
      ['7 cm (7)', '9.5 cm (9.5)'],
      ['8.5 cm (8.5)', '9.5 cm (9.5)'],
    ]);
  });

  it('counts from the second day where the first one chose the lane, and says so', () => {
    const assessments = [lunge('2026-01-05', 6, 9), lunge('2026-01-08', 8, 9), lunge('2026-03-05', 9, 9)];
    const choices = [{ group: 'soleus' as const, chosenOn: '2026-01-05', firstSession: '2026-01-09' }];
    const p = testProgress(LUNGE, input({ assessments, choices }))!;
    expect(p.changes[0]!.words).toContain('8 cm → 9 cm');
    expect(p.baseline).toContain('Counted from 8 Jan 2026, the second day');
    const late = testProgress(
      LUNGE,
      input({ assessments, choices: [{ ...choices[0]!, firstSession: '2026-01-07' }] }),
    )!;
    expect(late.changes[0]!.words).toContain('6 cm → 9 cm');
    expect(late.baseline).toContain('part of a first gain may be chance');
    // A lane of a test that was not short was chosen for another reason.
    const ample = [lunge('2026-01-05', 14, 14), lunge('2026-03-05', 15, 15)];
    expect(testProgress(LUNGE, input({ assessments: ample, choices }))!.baseline).toBe('');
  });

  it('takes several days within ten as one result', () => {
    const assessments = [lunge('2026-01-05', 6, 9), lunge('2026-02-26', 8, 9), lunge('2026-03-05', 9, 9)];
    const p = testProgress(LUNGE, input({ assessments }))!;
    expect(p.changes[0]!.words).toContain('6 cm → 8.5 cm (mean of 26 Feb and 5 Mar)');
  });

  it('says in what two assessments differ, once for both sides', () => {
    const assessments = [lunge('2026-01-05', 6, 9), lunge('2026-03-05', 8, 9, { time: '18:00' })];
    const p = testProgress(LUNGE, input({ assessments }))!;
    expect(p.warnings).toEqual(['more than 2 hours apart in the time of day']);
  });

  it('leaves warm results out of the comparison, and keeps them in the table', () => {
    const assessments = [lunge('2026-01-05', 6, 9), lunge('2026-03-05', 9, 9, { warm: true })];
    const p = testProgress(LUNGE, input({ assessments }))!;
    expect([p.several, p.left.length]).toEqual([false, 1]);
    expect(p.aside).toMatch(/^1 more was taken warm/);
    expect(p.assessments.map((a) => a.conditions)).toEqual([
      'cold, 09:40, Mara Thornebrook',
      'warm, 09:40, Mara Thornebrook',
    ]);
  });

  it('draws a trend from five days on, towards the goal that stands', () => {
    const assessments = [0, 1, 2, 3, 4].map((i) => lunge(`2026-01-${String(5 + i * 6).padStart(2, '0')}`, 6 + i, 9));
    const goal = { id: 'g', testId: LUNGE.id, value: 12, due: '2026-12-01', endedOn: null } as Goal;
    const ended = { ...goal, id: 'old', value: 20, endedOn: '2026-01-01' } as Goal;
    const p = testProgress(LUNGE, input({ assessments }, { goals: [ended, goal] }))!;
    expect([p.hasTrend, p.goal]).toEqual([true, 12]);
    // Six days, one centimetre.
    expect(p.trends[0]!.words!.rate).toContain('+1.2 cm a week');
    expect(testProgress(LUNGE, input({ assessments: assessments.slice(1) }))!.hasTrend).toBe(false);
  });

  it('has one side where the test has none', () => {
    const reach = (date: string, value: number) => anAssessment(date, [aReading(REACH.id, null, value)]);
    const p = testProgress(REACH, input({ assessments: [reach('2026-01-05', 12), reach('2026-03-05', 2)] }))!;
    expect([p.sides, p.right, p.rightTrend]).toEqual([[null], [], null]);
    expect(p.changes).toHaveLength(1);
  });

  it('has no reference for a client nobody knows', () => {
    const assessments = [lunge('2026-01-05', 6, 9)];
    expect(testProgress(LUNGE, input({ assessments }, { client: null }))!.reference).toBeNull();
    expect(testProgress(LUNGE, input({ assessments }))!.reference).not.toBeNull();
  });
});

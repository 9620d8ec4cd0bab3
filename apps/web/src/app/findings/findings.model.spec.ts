import { SHIPPED_TESTS, type Findings, type GroupFinding, type MuscleGroupId, type TestFinding } from '@yandle/core';
import { aReading, anAssessment } from '../testing/assessments';
import { newestResults, shadesOf, stepsWords } from './findings.model';

const group = (id: MuscleGroupId, score: number): GroupFinding => ({ group: id, score }) as GroupFinding;
const found = (ranked: readonly GroupFinding[], over: Partial<Findings> = {}): Findings => ({
  ranked,
  fine: [],
  notMeasured: [],
  asked: [],
  notCounted: [],
  shortFlags: { found: 0, expected: 0, results: 0 },
  veryFree: [],
  ...over,
});

describe('the tints of the body', () => {
  // Four tints from the third to the sixth step of the sensation scale: quarters of the highest score.
  it('grow with the score, the highest the darkest', () => {
    const shades = shadesOf(found([group('soleus', 4), group('lats', 2), group('calf', 0.4)]), 4);
    expect([...shades.values()].map((s) => s.fill)).toEqual(['var(--sense-6)', 'var(--sense-5)', 'var(--sense-3)']);
  });
  it('say the place and the score in words', () => {
    const shades = shadesOf(found([group('soleus', 2.46), group('lats', 1)]), 3);
    expect(shades.get('soleus')!.words).toBe('Soleus: place 1, score 2.5');
    expect(shades.get('lats')!.words).toBe('Lats: place 2, score 1.0');
  });
  it('tell what is on target from what was not measured', () => {
    const shades = shadesOf(found([], { fine: ['calf'], notMeasured: ['shin'] }), 3);
    expect(shades.get('calf')!.words).toContain('reaches its target');
    expect(shades.get('shin')!.words).toContain('not measured');
    expect(shades.get('calf')!.fill).not.toBe(shades.get('shin')!.fill);
  });
});

describe('the size of a gap', () => {
  const finding = (gap: number, detectableSteps: number) =>
    ({ shortfall: { spreads: 1, gap, detectableSteps } }) as TestFinding;
  it('is given in smallest real changes, and not said where there is none', () => {
    expect(stepsWords(finding(11, 1.32))).toBe('1.3 × the smallest real change');
    expect(stepsWords(finding(-2, -0.2))).toBe('');
    expect(stepsWords({ shortfall: null } as TestFinding)).toBe('');
  });
});

describe('the newest results', () => {
  const knee = 'active-knee-extension';
  const day = (date: string, left: number, right: number, over = {}) =>
    anAssessment(
      date,
      [left, left]
        .map((v, i) => aReading(knee, 'left', v, { id: `${date}l${i}` }))
        .concat([right, right].map((v, i) => aReading(knee, 'right', v, { id: `${date}r${i}` }))),
      over,
    );
  it('say the change of each side, what speaks against it once, and how many comparisons were made', () => {
    const [m] = newestResults([day('2026-01-05', 40, 30), day('2026-03-05', 30, 29, { time: '18:00' })], SHIPPED_TESTS);
    // MDC95 of 3° is 8.3°: ten are real, one is not.
    expect(m!.compared).toEqual({ all: 2, real: 1 });
    expect(m!.changes).toHaveLength(3);
    expect(m!.changes[0]).toMatch(/^left improved: 10° freer/);
    expect(m!.changes[1]).toMatch(/^right no detectable change/);
    expect(m!.changes[2]).toBe('different: more than 2 hours apart in the time of day');
  });
});

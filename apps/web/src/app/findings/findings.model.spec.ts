import type { Findings, GroupFinding, MuscleGroupId, TestFinding } from '@yandle/core';
import { shadesOf, stepsWords } from './findings.model';

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

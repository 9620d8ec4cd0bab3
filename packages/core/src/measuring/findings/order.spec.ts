import { describe, expect, it } from 'vitest';
import { romTestById } from '../../catalogue/tests.js';
import { findings } from './findings.js';
import { asDecided, moveGroup, quickCheckTests } from './order.js';

const measured = ['weight-bearing-lunge', 'active-knee-extension', 'thomas-hip', 'shoulder-flexion'].map((id) => {
  const test = romTestById(id);
  // Stiff everywhere: near the spine of the scale.
  return { test, left: test.scale.stiffest, right: test.scale.stiffest, both: null };
});
const { ranked } = findings(measured, { age: 40, sex: 'female' });
const ids = ranked.map((g) => g.group);

describe('asDecided', () => {
  it('keeps the order of the scores while nothing is decided', () => {
    expect(asDecided(ranked, { pinned: [], excluded: [], order: [] }).list.map((g) => g.group)).toEqual(ids);
  });
  it('puts pinned groups first, then those by hand, then the rest by score', () => {
    const pinned = [ids.at(-1)!];
    const order = [ids[2]!];
    const out = asDecided(ranked, { pinned, excluded: [], order }).list.map((g) => g.group);
    expect(out.slice(0, 2)).toEqual([ids.at(-1), ids[2]]);
    expect(out.slice(2)).toEqual(ids.filter((g) => g !== ids.at(-1) && g !== ids[2]));
  });
  it('keeps excluded groups apart, not away', () => {
    const out = asDecided(ranked, { pinned: [], excluded: [{ group: ids[0]!, reason: 'rests' }], order: [] });
    expect(out.excluded.map((g) => g.group)).toEqual([ids[0]]);
    expect(out.list).toHaveLength(ids.length - 1);
  });
});

describe('moveGroup', () => {
  it('moves up and down, and loses nobody', () => {
    const list = ['calf', 'soleus', 'shin', 'lats'] as const;
    expect(moveGroup(list, 'lats', 0)).toEqual(['lats', 'calf', 'soleus', 'shin']);
    expect(moveGroup(list, 'calf', 2)).toEqual(['soleus', 'shin', 'calf', 'lats']);
    expect(moveGroup(list, 'triceps', 0)).toEqual(list);
  });
});

describe('quickCheckTests', () => {
  it('proposes two tests of the first groups that are really short', () => {
    const two = quickCheckTests(ranked);
    expect(two).toHaveLength(2);
    const first = ranked[0]!.tests.map((t) => t.finding.test.id);
    expect(first).toContain(two[0]);
    expect(quickCheckTests([])).toEqual([]);
  });
});

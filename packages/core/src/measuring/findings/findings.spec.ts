import type { MeasuredTest } from '../measured-test.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MUSCLE_GROUP_IDS } from '../../anatomy/muscle-group.js';
import { ROM_TESTS, romTestById } from '../../catalogue/tests.js';
import { referenceFor } from '../reference.js';
import { findings } from './findings.js';
import { PRACTICE_SPREAD, shortfall, targetFor } from './shortfall.js';
import { runs } from '../../testing/runs.js';

const person = { age: 46, sex: 'female' as const };
const lunge = romTestById('weight-bearing-lunge');
const knee = romTestById('active-knee-extension');
const measured = (id: string, left: number | null, right: number | null): MeasuredTest => ({
  test: romTestById(id),
  left,
  right,
  both: null,
});

// All values by hand from the rule of the domain; figures of the references as quoted beside them in the catalogue.
describe('targetFor', () => {
  it('is the lower edge of the typical range: 9.5 − 3.1 = 6.4 cm', () => {
    const t = targetFor(lunge, referenceFor(lunge, person))!;
    expect(t.value).toBeCloseTo(6.4, 10);
    expect(t).toMatchObject({ from: 'typical range', practiceSpread: false });
  });
  // Domain 2.2: g = (nominal − value)/spread − 2, so nothing is short before 20° + 2 × 8°.
  it('leaves two practice spreads beside a single value: 20° + 16° short of straight', () => {
    expect(targetFor(knee, referenceFor(knee, person))).toMatchObject({ value: 36, sd: 8, practiceSpread: true });
    const toe = romTestById('great-toe-extension');
    expect(targetFor(toe, referenceFor(toe, person))!.value).toBe(70 - 2 * PRACTICE_SPREAD.deg);
  });
  it('is the goal where there is one, and nothing without both', () => {
    const split = romTestById('side-split-height');
    const none = referenceFor(split, person);
    expect(targetFor(lunge, referenceFor(lunge, person), 12)).toMatchObject({ value: 12, from: 'goal', sd: 3.1 });
    expect(targetFor(split, none)).toBeNull();
    expect(targetFor(split, none, 30)).toMatchObject({ value: 30, sd: 3.5, practiceSpread: true });
  });
});

describe('shortfall', () => {
  // SEM 3°: a gap must exceed 1.645 × 3 = 4.9°.
  it('counts only what is more than measurement error, in spreads, up to 3', () => {
    const target = { value: 28, sd: 8 };
    expect(shortfall(32.9, knee, target).spreads).toBe(0);
    expect(shortfall(33, knee, target).spreads).toBeCloseTo(5 / 8, 10);
    expect(shortfall(44, knee, target)).toMatchObject({ spreads: 2, gap: 16 });
    expect(shortfall(90, knee, target).spreads).toBe(3);
    expect(shortfall(20, knee, target)).toMatchObject({ spreads: 0, gap: -8 });
  });
  // 16° over 1.96·√2·3° = 8.316° (Weir 2005).
  it('says how many detectable steps are missing', () => {
    expect(shortfall(44, knee, { value: 28, sd: 8 }).detectableSteps).toBeCloseTo(1.924, 3);
  });
});

describe('findings', () => {
  it('adds shortfall and side difference, worse side, with the parts shown', () => {
    const f = findings([measured('active-knee-extension', 44, 32)], person);
    const [first] = f.ranked;
    // 44° is 8° beyond 20° + 2 × 8°: 1 spread; side 12° = 1.5 spreads, half of it 0.75.
    expect(first).toMatchObject({ group: 'hamstrings', tighter: 'left', parts: { shortfall: 1, side: 0.75 } });
    expect(first!.score).toBeCloseTo(1.75, 10);
    expect(first!.tests[0]!.finding).toMatchObject({ side: 'left', value: 44 });
  });

  it('weighs several tests of a group: Σ w·g / max(1, Σ w)', () => {
    // Knee 44°: (44 − 20)/8 − 2 = 1, weight 1. Straight-leg raise, woman: target 76.3 − 9.5 = 66.8°, 47.8° is 2 spreads short, weight 1.
    const f = findings([measured('active-knee-extension', 44, 44), measured('straight-leg-raise', 47.8, 47.8)], person);
    expect(f.ranked.find((g) => g.group === 'hamstrings')!.score).toBeCloseTo((1 + 2) / 2, 6);
  });

  it('does not blow a light weight up: soleus and calf of one lunge', () => {
    const f = findings([measured('weight-bearing-lunge', 3.3, 3.3)], person);
    const score = (group: string) => f.ranked.find((g) => g.group === group)!.score;
    // (6.4 − 3.3)/3.1 = 1 for the soleus (weight 1), 0.3 for the calf (weight 0.3).
    expect(score('soleus')).toBeCloseTo(1, 6);
    expect(score('calf')).toBeCloseTo(0.3, 6);
  });

  it('adds interest and complaint, the stronger interest of the two', () => {
    const interests = { soleus: { coach: 1, client: 3, complaint: true } };
    const f = findings([measured('weight-bearing-lunge', 9, 9)], person, interests);
    expect(f.ranked).toMatchObject([{ group: 'soleus', parts: { shortfall: 0, side: 0, interest: 1, complaint: 1 } }]);
    expect(f.fine).toEqual(['calf']);
  });

  it('says which groups were not measured, and never scores them', () => {
    const f = findings([measured('weight-bearing-lunge', 9, 9)], person);
    expect(f.ranked).toEqual([]);
    expect([...f.fine, ...f.notMeasured].sort()).toEqual([...MUSCLE_GROUP_IDS].sort());
    expect(f.notMeasured).toContain('hamstrings');
  });

  it('leaves a side difference out while the tighter side reaches its target', () => {
    const f = findings([measured('weight-bearing-lunge', 9, 12.5)], person);
    expect(f.ranked).toEqual([]);
  });

  it('explains what was looked at and not counted: sides that differ and are both typical', () => {
    // Lunge 9.5 (3.1): 9 and 12.5 cm are both above 6.4; the difference of 3.5 is more than the 1.9 that error can make.
    const f = findings([measured('weight-bearing-lunge', 9, 12.5)], person);
    expect(f.notCounted.map((n) => [n.test.id, n.difference])).toEqual([['weight-bearing-lunge', 3.5]]);
  });

  it('counts a clear side difference of a test that has no typical range, and never calls its groups unmeasured', () => {
    // Side-bend slide, no reference: 6 cm over a practice spread of 3.5 cm, half of it, capped at 2 spreads.
    const f = findings([measured('side-bend-slide', 14, 20)], person);
    expect(f.ranked).toMatchObject([{ group: 'lateral-trunk', tighter: 'right' }]);
    expect(f.ranked[0]!.score).toBeCloseTo((0.5 * 6) / 3.5, 10);
    for (const group of ['low-back', 'lats'] as const) {
      expect(f.fine).toContain(group);
      expect(f.notMeasured).not.toContain(group);
    }
  });

  it('lists what was asked for or complained of where nothing was measured, without a score', () => {
    const f = findings([], person, {
      hamstrings: { coach: 0, client: 3, complaint: false },
      calf: { coach: 0, client: 0, complaint: true },
      soleus: { coach: 0, client: 0, complaint: false },
    });
    expect(f.ranked).toEqual([]);
    expect(f.asked).toEqual([
      { group: 'calf', interest: 0, complaint: 1 },
      { group: 'hamstrings', interest: 1, complaint: 0 },
    ]);
  });

  // Roach & Miles 1991 begins at 25: a man of 24 and one of 25 have the same hips.
  it('has no cliff at the end of a table: nobody is short against the row of another age', () => {
    const test = romTestById('hip-abduction');
    const score = (age: number) =>
      findings([measured(test.id, 22, 22)], { age, sex: 'male' }).ranked.find((g) => g.group === 'adductors');
    expect(score(24)).toBeUndefined();
    const nearest = { kind: 'nominal', nearest: [25, 39], value: 44 };
    expect(referenceFor(test, { age: 24, sex: 'male' })).toMatchObject(nearest);
    // 44 − 11 = 33 is the lower edge at 25: 22° is one spread short.
    expect(score(25)!.score).toBeCloseTo(1, 10);
  });

  // 24 results of tests with mean ± SD in a healthy client: Φ(−1) = 0.1587 each, 3.8 in all: "about four".
  it('says how many short flags chance alone makes', () => {
    const twelve = Array.from({ length: 12 }, () => measured('hip-abduction', 42, 42));
    const f = findings(twelve, person);
    expect(f.shortFlags).toMatchObject({ found: 0, results: 24 });
    expect(f.shortFlags.expected).toBeCloseTo(24 * 0.1587, 2);
    expect(findings([measured('hip-abduction', 30, 42)], person).shortFlags.found).toBe(1);
  });

  // Hip abduction 42 (11): beyond 64°; lunge 9.5 (3.1): beyond 15.7 cm; fall-out 13 (4.4) cm, less is freer: below 4.2 cm.
  it('marks tests beyond mean + 2 SD on the free side, each once', () => {
    const f = findings(
      [
        measured('hip-abduction', 65, 66),
        measured('weight-bearing-lunge', 15.8, 10),
        measured('bent-knee-fall-out', 4, 13),
      ],
      person,
    );
    expect(f.veryFree.map((t) => t.id)).toEqual(['hip-abduction', 'weight-bearing-lunge', 'bent-knee-fall-out']);
  });

  it('scores are sums of their parts, in order, for any client', () => {
    const value = fc.double({ min: 0, max: 1, noNaN: true });
    const assessment = fc.array(fc.tuple(fc.constantFrom(...ROM_TESTS), value, value), { maxLength: 20 }).map((rows) =>
      rows.map(([test, a, b]): MeasuredTest => {
        const at = (x: number) => test.plausible.min + x * (test.plausible.max - test.plausible.min);
        return test.sides === 'none'
          ? { test, left: null, right: null, both: at(a) }
          : { test, left: at(a), right: at(b), both: null };
      }),
    );
    fc.assert(
      fc.property(assessment, fc.integer({ min: 16, max: 90 }), (tests, age) => {
        const f = findings(tests, { age, sex: null });
        f.ranked.forEach((g, i) => {
          const p = g.parts;
          expect(g.score).toBeCloseTo(p.shortfall + p.side + p.interest + p.complaint, 9);
          expect(p.shortfall).toBeLessThanOrEqual(3 + 1e-9);
          expect(p.side).toBeLessThanOrEqual(1);
          if (i > 0) expect(g.score).toBeLessThanOrEqual(f.ranked[i - 1]!.score);
        });
        expect(f.ranked.length + f.fine.length + f.notMeasured.length).toBe(29);
      }),
      runs(80),
    );
  });
});

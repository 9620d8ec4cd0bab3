import { weekWords } from '../words/plan.js';
import type { Prescription } from '../technique/prescription.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { weeklyDose } from '../dose/dose.js';
import { STEADY_HOLD } from '../styles/catalogue/steady-hold.js';
import { buildBlock } from './block.js';
import { easierWeek } from './progression/easier-week.js';
import { limitsFor } from './limits.js';
import type { BlockInput, PlannedWeek } from './plan.js';
import { easierWeeksOf, retestWeeks } from './weeks.js';

const adult = { age: 46, experience: 'regular', trainingDays: [1, 3, 5, 6], gentleGroups: [] } as const;
const input: BlockInput = {
  client: adult,
  lanes: [{ group: 'soleus', styleId: 'steady-hold' }],
  weeks: 8,
  ramp: 0.2,
  easierEvery: 4,
};
const short = (w: PlannedWeek) =>
  `${w.prescription.sets}x${w.prescription.holdSeconds}x${w.prescription.sessionsPerWeek}@${w.prescription.sensation}`;
const calf = { group: 'calf', days: [1, 3, 5], exercises: [], loadMax: null, loadedByHand: false } as const;
const lane = (over: Partial<BlockInput> = {}) => buildBlock({ ...input, ...over }).lanes[0]!;

// Worked by hand from rules 1-3 (docs/domain.md): 20 % ramp, easier every 4th, seven days free.
describe('Steady hold, 16 weeks', () => {
  const week = { ...adult, trainingDays: [1, 2, 3, 4, 5, 6, 7] as const };
  it('follows the worked example', () => {
    expect(lane({ client: week, weeks: 16 }).weeks.map((w) => `${short(w)}=${w.dose}`)).toEqual([
      '2x30x3@5=180',
      '2x35x3@5=210',
      '2x40x3@5=240',
      '1x40x3@4=120',
      '2x45x3@5=270',
      '3x35x3@5=315',
      '3x40x3@5=360',
      '2x40x3@4=240',
      '3x45x3@5=405',
      '3x40x4@5=480',
      '3x45x4@5=540',
      '2x45x4@4=360',
      '3x40x5@5=600',
      '3x45x5@5=675',
      '3x50x5@5=750',
      '2x50x5@4=500',
    ]);
  });

  it('writes the reason of each cell', () => {
    const weeks = lane().weeks;
    expect(weekWords(weeks[0]!, { weeks })).toBe('Steady hold starts here (step 1 of 6).');
    expect(weekWords(weeks[1]!, { weeks })).toBe('Hold 30 → 35 s (step 2 of 6).');
    // 120 of 240 s.
    expect(weeks[3]!.reasons).toEqual([{ code: 'easier', args: { percent: 50, smaller: true } }]);
    expect(weekWords(weeks[5]!, { weeks })).toContain('Sets 2 → 3, hold 45 → 35 s to keep the weekly increase');
  });

  // 180 s at 5 %: nothing fits. The smallest step of all is a day more with 25 s, 2 × 25 × 4 = 200 s, +11 %: taken after two weeks.
  it('waits where nothing fits, and takes the smallest step after two full weeks, and says so', () => {
    const weeks = lane({ ramp: 0.05, easierEvery: null }).weeks;
    expect(weeks.slice(0, 4).map((w) => w.dose)).toEqual([180, 180, 180, 200]);
    expect(weeks[1]!.reasons[0]).toMatchObject({ code: 'above-increase', args: { percent: 11, allowed: 5 } });
    expect(weeks[3]!.reasons[0]).toMatchObject({ code: 'step', args: { waited: 11 } });
  });

  it('does not rise at all with a ramp of 0', () => {
    const weeks = lane({ ramp: 0, weeks: 16 }).weeks;
    expect(Math.max(...weeks.map((w) => w.dose))).toBe(180);
  });

  it('ends at the caps with sensation last, when there is time enough', () => {
    const client = { ...adult, age: 16, trainingDays: [1] as const };
    const weeks = lane({ client, weeks: 16, ramp: 0.5, easierEvery: null }).weeks;
    const last = weeks.at(-1)!;
    expect(short(last)).toBe('4x30x1@6');
    expect(weeks.findIndex((w) => w.changed === 'sensation')).toBe(
      weeks.findIndex((w) => w.prescription.sensation === 6),
    );
    expect(last.reasons).toEqual([{ code: 'all-at-limit' }]);
  });
});

// Garber CE et al. 2011, Med Sci Sports Exerc 43(7):1334-1359 (from memory): 60 s an exercise in all, holds of 10-30 s, at least
// 2-3 days a week, 2-4 repetitions; 30-60 s holds for older persons.
describe('against the guideline', () => {
  it('starts at the guideline volume', () => {
    const { start, caps } = STEADY_HOLD.phases[0]!;
    const { sets, holdSeconds, sessionsPerWeek } = start;
    expect(sets * holdSeconds).toBe(60);
    expect(holdSeconds).toBeLessThanOrEqual(30);
    expect(sets).toBeGreaterThanOrEqual(2);
    expect(caps.sets).toBeLessThanOrEqual(4);
    expect(sessionsPerWeek).toBeGreaterThanOrEqual(2);
  });

  it('keeps holds of clients over 65 between 30 and 60 s', () => {
    const l = limitsFor(STEADY_HOLD, STEADY_HOLD.phases[0]!, { ...adult, age: 70 }, calf);
    expect([l.amountMin, l.amountMax]).toEqual([30, 60]);
    expect(l.reasons.map((r) => r.code)).toContain('age-65');
  });

  // Common practice, no source.
  it('keeps holds of clients under 18 between 20 and 30 s', () => {
    const l = limitsFor(STEADY_HOLD, STEADY_HOLD.phases[0]!, { ...adult, age: 17 }, calf);
    expect([l.amountMin, l.amountMax]).toEqual([20, 30]);
  });
});

describe('intensity', () => {
  it('starts at 4 for beginners, 5 otherwise, and at most 4 where a caution says so', () => {
    const start = (client: BlockInput['client']) => lane({ client }).weeks[0]!.prescription.sensation;
    expect(start({ ...adult, experience: 'beginner' })).toBe(4);
    expect(start({ ...adult, experience: 'regular' })).toBe(5);
    expect(start({ ...adult, experience: 'experienced' })).toBe(5);
    expect(start({ ...adult, gentleGroups: ['soleus'] })).toBe(4);
    expect(start({ ...adult, gentleGroups: ['calf'] })).toBe(5);
  });
});

describe('easierWeek', () => {
  const prescription = fc.record({
    technique: fc.constant('static hold' as const),
    sets: fc.integer({ min: 1, max: 4 }),
    holdSeconds: fc.integer({ min: 4, max: 24 }).map((n) => n * 5),
    sessionsPerWeek: fc.integer({ min: 1, max: 6 }),
    sensation: fc.integer({ min: 3, max: 6 }),
  });

  // Rule 3 in its own arithmetic: fewer sets, else fewer sessions, else a shorter bout; the first family that lands in 40-80 %, nearest 60 %.
  it('takes fewer sets, else fewer sessions, else shorter bouts, within 40-80 % and nearest 60 %', () => {
    fc.assert(
      fc.property(prescription, (p: Prescription) => {
        const { prescription: e, smaller } = easierWeek(p, 10, 5);
        expect(e.sensation).toBe(p.sensation - 1);
        const families = [
          Array.from({ length: p.sets - 1 }, (_, i) => (i + 1) / p.sets),
          Array.from({ length: Math.max(0, p.sessionsPerWeek - 2) }, (_, i) => (i + 2) / p.sessionsPerWeek),
          Array.from({ length: 24 }, (_, i) => (i + 1) * 5)
            .filter((a) => a >= 10 && a < p.holdSeconds)
            .map((a) => a / p.holdSeconds),
        ].map((shares) => shares.filter((s) => s >= 0.4 - 1e-9 && s <= 0.8 + 1e-9));
        const first = families.find((f) => f.length > 0);
        expect(smaller).toBe(first !== undefined);
        const share = weeklyDose(e) / weeklyDose(p);
        expect(Math.abs(share - 0.6)).toBeCloseTo(Math.min(...(first ?? [1]).map((s) => Math.abs(s - 0.6))), 9);
      }),
    );
  });
});

describe('weeks', () => {
  it('retests stand before week 1, in every easier week and in the last', () => {
    expect(retestWeeks(8, [4, 8])).toEqual([1, 4, 8]);
    expect(retestWeeks(10, [3, 6, 9])).toEqual([1, 3, 6, 9, 10]);
    expect(retestWeeks(6, [])).toEqual([1, 6]);
  });
  it('easier ones come every nth, or where they are put', () => {
    expect(easierWeeksOf({ weeks: 10, easierEvery: 3 })).toEqual([3, 6, 9]);
    expect(easierWeeksOf({ weeks: 10, easierEvery: 3, easierWeeks: [7, 4, 12] })).toEqual([4, 7]);
    expect(easierWeeksOf({ weeks: 10, easierEvery: null })).toEqual([]);
  });
});

describe('refusals', () => {
  it.each<Partial<BlockInput>>([
    { weeks: 0 },
    { weeks: 53 },
    { weeks: 8.5 },
    { ramp: -0.1 },
    { ramp: 0.6 },
    { ramp: NaN },
    { easierEvery: 2 },
    { easierEvery: 7 },
    { lanes: [] },
    { lanes: [input.lanes[0]!, input.lanes[0]!] },
    { client: { ...adult, trainingDays: [] } },
  ])('refuses %j', (over) => {
    expect(() => buildBlock({ ...input, ...over })).toThrow(expect.objectContaining({ code: 'invalid-plan' }));
  });

  it('refuses an unknown style', () => {
    expect(() => lane({ lanes: [{ group: 'soleus', styleId: 'none' }] })).toThrow(
      expect.objectContaining({ code: 'unknown-style' }),
    );
  });
});

import { weekWords } from '../words/plan.js';
import type { Prescription } from '../technique/prescription.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { weeklyDose } from '../dose/dose.js';
import { STEADY_HOLD } from '../styles/catalogue/steady-hold.js';
import { buildBlock } from './block.js';
import { EASIER_SHARE, easierWeek } from './progression/easier-week.js';
import { limitsFor } from './limits.js';
import type { BlockInput, PlannedWeek } from './plan.js';
import { easierWeeksOf, phaseOfWeek, retestWeeks } from './weeks.js';

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
const lane = (over: Partial<BlockInput> = {}) => buildBlock({ ...input, ...over }).lanes[0]!;

// The worked example of docs/calculations.md, done by hand: 20 % ramp, hold in steps of 5 s, easier week nearest 60 %.
describe('Steady hold, 8 weeks', () => {
  it('follows the worked example', () => {
    expect(lane().weeks.map(short)).toEqual([
      '2x30x3@5',
      '2x35x3@5',
      '2x40x3@5',
      '2x40x2@4', // 160 of 240 s is 67 %, nearer to 60 % than 120 s (50 %)
      '2x45x3@5',
      '2x50x3@5',
      '2x55x3@5',
      '2x55x2@4',
    ]);
  });

  it('writes the dose and the reason of each cell', () => {
    const weeks = lane().weeks;
    expect(weeks.map((w) => w.dose)).toEqual([180, 210, 240, 160, 270, 300, 330, 220]);
    expect(weekWords(weeks[0]!, { weeks })).toBe('Steady hold starts here (step 1 of 6).');
    expect(weekWords(weeks[1]!, { weeks })).toBe('Hold 30 → 35 s (step 2 of 6).');
    expect(weeks[3]!.reasons).toEqual([{ code: 'easier', args: { percent: 67 } }]);
  });

  it('re-splits a new set when it would break the ramp: 2 × 60 s becomes 3 × 45 s', () => {
    const weeks = lane({ weeks: 12, easierEvery: null }).weeks;
    expect(short(weeks[6]!)).toBe('2x60x3@5');
    expect(short(weeks[7]!)).toBe('3x45x3@5');
    expect(weeks[7]!.changed).toBe('sets');
    expect(weeks[7]!.reasons[0]).toMatchObject({ code: 'step', args: { resplit: { from: 60, to: 45 } } });
  });

  it('holds the dose and says so when the ramp allows no step', () => {
    const weeks = lane({ ramp: 0.05 }).weeks;
    expect(weeks.filter((w) => w.kind === 'build').every((w) => w.dose === 180)).toBe(true);
    expect(weeks[1]!.reasons[0]).toMatchObject({ code: 'above-increase', args: { allowed: 5 } });
    expect(weeks[1]!.changed).toBeNull();
  });

  it('ends at the caps with sensation last, when there is time enough', () => {
    const weeks = lane({
      client: { ...adult, age: 16, trainingDays: [1] },
      weeks: 16,
      ramp: 0.5,
      easierEvery: null,
    }).weeks;
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
    const l = limitsFor(STEADY_HOLD, STEADY_HOLD.phases[0]!, { ...adult, age: 70 }, 'calf');
    expect([l.amountMin, l.amountMax]).toEqual([30, 60]);
    expect(l.reasons.map((r) => r.code)).toContain('age-65');
  });

  // Common practice, no source.
  it('keeps holds of clients under 18 between 20 and 30 s', () => {
    const l = limitsFor(STEADY_HOLD, STEADY_HOLD.phases[0]!, { ...adult, age: 17 }, 'calf');
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

  it('is the nearest of all allowed (sets, sessions) to 60 %, hold unchanged, sensation one lower', () => {
    fc.assert(
      fc.property(prescription, (p: Prescription) => {
        const e = easierWeek(p);
        const distance = (q: Prescription) => Math.abs(weeklyDose(q) - EASIER_SHARE * weeklyDose(p));
        for (let sets = 1; sets <= p.sets; sets++)
          for (let n = Math.min(2, p.sessionsPerWeek); n <= p.sessionsPerWeek; n++)
            expect(distance(e)).toBeLessThanOrEqual(distance({ ...p, sets, sessionsPerWeek: n }) + 1e-9);
        expect(e.holdSeconds).toBe(p.holdSeconds);
        expect(e.sensation).toBe(p.sensation - 1);
        expect(e.sessionsPerWeek).toBeGreaterThanOrEqual(Math.min(2, p.sessionsPerWeek));
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
  it('an easier week ends a phase; without easier weeks four weeks do', () => {
    expect([1, 4, 5, 8, 9].map((w) => phaseOfWeek(w, [4, 8]))).toEqual([0, 0, 1, 1, 2]);
    expect([1, 4, 5, 9].map((w) => phaseOfWeek(w, []))).toEqual([0, 0, 1, 2]);
  });
});

describe('refusals', () => {
  it.each<Partial<BlockInput>>([
    { weeks: 3 },
    { weeks: 17 },
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

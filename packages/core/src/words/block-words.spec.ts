import { spacingWords } from './composing.js';
import { describe, expect, it } from 'vitest';
import { techniquesOf, exercisesDoing } from '../catalogue/forms.js';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import { spacingTrouble } from '../session/spacing.js';
import { mostApart } from '../schedule/spread-days.js';
import type { Prescription } from '../technique/prescription.js';
import { doseArithmetic } from './arithmetic.js';
import { bonusWords, loadWords, prescriptionWords } from './prescription.js';

const hold: Prescription = { technique: 'static hold', sets: 2, holdSeconds: 30, sessionsPerWeek: 3, sensation: 5 };

describe('a prescription in words', () => {
  it.each<[Partial<Prescription>, string]>([
    [{}, '2 × 30 s, 3 days'],
    [{ sessionsPerWeek: 1 }, '2 × 30 s, 1 day'],
    [{ sessionsPerWeek: 0 }, 'rest'],
    [{ technique: 'rolling', sets: 1, holdSeconds: 60 }, '1 × 60 s, 3 days'],
    [{ technique: 'activation', reps: 10, holdSeconds: 0 }, '2 × 10 reps, 3 days'],
    [{ technique: 'breathing', reps: 8, holdSeconds: 0 }, '2 × 8 breaths, 3 days'],
    [
      { technique: 'moving stretch', reps: 6, holdSeconds: 2, depth: 1 },
      '2 × 6 reps (2 s pause), middle depth, 3 days',
    ],
    [{ technique: 'loaded isometric', assistance: 1, load: 2.5 }, '2 × 30 s, light help, 2.5 kg, 3 days'],
  ])('%j', (over, words) => {
    expect(prescriptionWords({ ...hold, ...over })).toBe(words);
  });
  it('names loads in their unit, and what the tighter side gets', () => {
    expect([
      loadWords({ load: 5, loadUnit: '% body mass' }),
      loadWords({ load: 2, loadUnit: 'band' }),
      loadWords({ load: 0 }),
    ]).toEqual(['5% of body weight', 'light band (step 2)', '']);
    expect(bonusWords({ ...hold, bonus: { side: 'left', sets: 1, more: 0 } })).toBe(
      '1 more set on the left side, the tighter one',
    );
    expect(bonusWords({ ...hold, bonus: { side: 'right', sets: 0, more: 15 } })).toBe(
      '15 s longer on the right side, the tighter one',
    );
    expect(bonusWords(hold)).toBe('');
  });
});

describe('the arithmetic of a week', () => {
  const lines = (p: Partial<Prescription>) => doseArithmetic({ ...hold, ...p }).map((l) => `${l.words} = ${l.value}`);
  it('writes every factor out, and ends with the sum', () => {
    expect(lines({})).toEqual(['2 sets × 30 s = 60 s', '× 3 sessions = 180 s']);
    expect(
      lines({ technique: 'contract-relax', sets: 1, cycles: 3, pushSeconds: 6, effort: 20, holdSeconds: 15 }),
    ).toEqual(['3 cycles × 15 s of stretch = 45 s', '× 1 set = 45 s', '× 3 sessions = 135 s']);
    expect(lines({ technique: 'loaded eccentric', reps: 6, lowerSeconds: 3, holdSeconds: 2 })).toEqual([
      '6 reps × (3 s down + 2 s) = 30 s',
      '× 2 sets = 60 s',
      '× 3 sessions = 180 s',
    ]);
    expect(lines({ technique: 'moving stretch', reps: 6, holdSeconds: 2, sessionsPerWeek: 1 })).toEqual([
      '6 reps × 2 s at the end = 12 s',
      '× 2 sets = 24 s',
      '× 1 session = 24 s',
    ]);
    expect(lines({ technique: 'activation', reps: 10, holdSeconds: 0 })).toEqual([
      '2 sets × 10 = 20',
      '× 3 sessions = 60',
    ]);
    expect(lines({ bonus: { side: 'left', sets: 1, more: 0 } })[2]).toBe('left side, with 1 set more = 270 s');
  });
});

describe('what an exercise can be done as', () => {
  it('a hold is pushed against where there is something to push, and moved in and out of; never the neck', () => {
    expect(techniquesOf(exerciseById('supine-strap-hamstring'))).toEqual([
      'static hold',
      'contract-relax',
      'moving stretch',
    ]);
    expect(techniquesOf(exerciseById('deep-squat-hold'))).toEqual(['static hold', 'moving stretch']);
    // Its way in is a roll over the arm: pushed against, not moved in and out of.
    expect(techniquesOf(exerciseById('prone-chest-roll'))).toEqual(['static hold', 'contract-relax']);
    expect(techniquesOf(exerciseById('step-heel-drop'))).toEqual(['loaded eccentric', 'loaded isometric']);
    for (const e of EXERCISES.filter((x) => /neck|trapezius/.test(x.primary)))
      expect(techniquesOf(e), e.id).toEqual([e.technique]);
  });
  it('what is pushed against belongs to a hold of the catalogue', () => {
    for (const e of EXERCISES.filter((x) => x.pushAgainst !== undefined))
      expect(['static hold', 'contract-relax'], e.id).toContain(e.technique);
  });
  it('those made for a technique come first', () => {
    expect(exercisesDoing('hamstrings', 'contract-relax')[0]!.id).toBe('strap-push-relax-hamstring');
    expect(exercisesDoing('adductors', 'moving stretch')[0]!.technique).toBe('moving stretch');
  });
});

// Common practice, no source: 48 h between loaded sessions of a group; 24 h without one before a retest.
describe('spacing', () => {
  const sessions = [
    { id: 'a', date: '2026-03-09', loaded: ['calf' as const] },
    { id: 'b', date: '2026-03-13', loaded: ['calf' as const] },
    { id: 'c', date: '2026-03-11', loaded: [] },
  ];
  it('warns of loads too close, and only of the same group', () => {
    const [trouble, ...more] = spacingTrouble(sessions, 'b', '2026-03-10', []);
    expect(trouble).toEqual({ code: 'loaded-too-close', args: { group: 'calf', date: '2026-03-09' } });
    expect(spacingWords(trouble!)).toBe('Less than 48 h from the loaded calf (gastrocnemius) on Mon 9 Mar.');
    expect(more).toEqual([]);
    expect(spacingTrouble(sessions, 'b', '2026-03-11', [])).toEqual([]);
    expect(spacingTrouble(sessions, 'c', '2026-03-10', [])).toEqual([]);
    expect(spacingTrouble(sessions, 'none', '2026-03-10', [])).toEqual([]);
  });
  it('warns before a retest', () => {
    const [trouble] = spacingTrouble(sessions, 'c', '2026-03-14', ['2026-03-15']);
    expect(trouble).toEqual({ code: 'before-retest', args: { date: '2026-03-15' } });
    expect(spacingWords(trouble!)).toContain('Sun 15 Mar');
    expect(spacingTrouble(sessions, 'c', '2026-03-15', ['2026-03-15'])).toHaveLength(1);
    expect(spacingTrouble(sessions, 'c', '2026-03-16', ['2026-03-15'])).toEqual([]);
  });
  it('counts the days that lie two apart in a week that repeats', () => {
    expect(mostApart([1, 2, 3, 4, 5, 6, 7], 2)).toBe(3);
    expect(mostApart([1, 3, 5], 2)).toBe(3);
    expect(mostApart([1, 7], 2)).toBe(1);
    expect(mostApart([6, 7, 1], 2)).toBe(2);
    expect(mostApart([], 2)).toBe(0);
  });
});

import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import type { Prescription } from '../technique/prescription.js';
import { boutDose, doseRemark, sessionDose, sideWeeklyDose, volume, weeklyDose } from './dose.js';
import { groupDoses } from './shares.js';

const hold: Prescription = { technique: 'static hold', sets: 2, holdSeconds: 30, sessionsPerWeek: 3, sensation: 5 };
const of = (over: Partial<Prescription>): Prescription => ({ ...hold, ...over });

describe('weekly dose', () => {
  // Worked by hand: 2 × 30 s, three days = 180 s a side.
  it('is sets × hold × sessions', () => {
    expect(sessionDose(hold)).toBe(60);
    expect(weeklyDose(hold)).toBe(180);
  });

  // Thomas et al. 2018: at least 5 min a week; Ingram et al. 2025: gains flatten at about 10 min a week (both from memory).
  it('says where it lies against the reviews', () => {
    expect(doseRemark(299)).toBe('below-favoured');
    expect(doseRemark(300)).toBeNull();
    expect(doseRemark(600)).toBeNull();
    expect(doseRemark(601)).toBe('above-flattening');
  });

  it.each([
    { sets: 0, holdSeconds: 30, sessionsPerWeek: 3 },
    { sets: 1.5, holdSeconds: 30, sessionsPerWeek: 3 },
    { sets: 1, holdSeconds: -5, sessionsPerWeek: 3 },
    { sets: 1, holdSeconds: 30, sessionsPerWeek: 8 },
    { sets: 1, holdSeconds: NaN, sessionsPerWeek: 3 },
    { technique: 'activation' as const, holdSeconds: 0 },
    { technique: 'contract-relax' as const },
    { technique: 'loaded eccentric' as const, reps: 6 },
    { load: -1 },
  ])('refuses %j', (p) => {
    expect(() => weeklyDose(of(p))).toThrow(expect.objectContaining({ code: 'invalid-prescription' }));
  });
});

// Domain 2.4, each by hand. Only what stretches counts: the push, the way back and the movement do not.
describe('time under stretch of a bout', () => {
  it.each<[string, Partial<Prescription>, number]>([
    ['a hold', {}, 30],
    ['a loaded hold', { technique: 'loaded isometric' }, 30],
    [
      'three cycles of 15 s',
      { technique: 'contract-relax', cycles: 3, pushSeconds: 6, effort: 20, holdSeconds: 15 },
      45,
    ],
    ['six lowerings of 3 + 2 s', { technique: 'loaded eccentric', reps: 6, lowerSeconds: 3, holdSeconds: 2 }, 30],
    ['six repetitions with 2 s at the end', { technique: 'moving stretch', reps: 6, holdSeconds: 2 }, 12],
    ['a minute of rolling', { technique: 'rolling', holdSeconds: 60 }, 0],
    ['ten repetitions of activation', { technique: 'activation', holdSeconds: 0, reps: 10 }, 0],
    ['ten breaths', { technique: 'breathing', holdSeconds: 0, reps: 10 }, 0],
  ])('%s', (_, over, seconds) => {
    expect(boutDose(of(over))).toBe(seconds);
  });

  it('grows in its own unit where nothing is stretched', () => {
    expect(volume(of({ technique: 'rolling', holdSeconds: 60 }))).toBe(360);
    expect(volume(of({ technique: 'activation', holdSeconds: 0, reps: 10 }))).toBe(60);
    expect(volume(hold)).toBe(180);
  });

  it('gives the tighter side a set more, or a longer bout', () => {
    const set = of({ bonus: { side: 'left', sets: 1, more: 0 } });
    expect([sideWeeklyDose(set, 'left'), sideWeeklyDose(set, 'right')]).toEqual([270, 180]);
    const longer = of({ bonus: { side: 'right', sets: 0, more: 15 } });
    expect([sideWeeklyDose(longer, 'left'), sideWeeklyDose(longer, 'right')]).toEqual([180, 270]);
  });
});

// Domain 2.4: primary 1, secondary 0.5 (common practice, no source).
describe('group doses', () => {
  it('add what other stretches work along', () => {
    const doses = groupDoses([
      { exercise: exerciseById('straight-knee-wall-calf'), left: 180, right: 180 },
      { exercise: { primary: 'soleus', secondary: [] }, left: 100, right: 75 },
    ]);
    expect(doses.get('calf')).toEqual({ left: 180, right: 180 });
    expect(doses.get('soleus')).toEqual({ left: 190, right: 165 });
  });
});

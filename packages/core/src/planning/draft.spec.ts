import { DEFAULT_TIMINGS } from '../technique/timings.js';
import { planClientOf } from './plan-client.js';
import { cautionsFor } from '../screening/cautions.js';
import { describe, expect, it } from 'vitest';
import type { Prescription } from '../technique/prescription.js';
import { newLane, type BlockDraft, emptyDraft } from './draft.js';
import { withExercises, withLaneEnded, withLoadUnit, withPastKept, withStartingDose } from './revision/edit.js';
import { draft } from './draft.fixture.js';

describe('lanes of a draft', () => {
  const two: BlockDraft = {
    ...draft,
    lanes: [
      newLane('a', 'soleus', 'steady-hold', [
        { technique: 'static hold', exerciseId: 'bent-knee-wall-calf', dayPlanId: null },
      ]),
      newLane('b', 'pectorals', 'steady-hold', [
        { technique: 'static hold', exerciseId: 'doorway-pectorals', dayPlanId: null },
      ]),
    ],
  };
  const cell = (week: number, loadUnit?: 'band' | 'kg') => ({
    week,
    prescription: {
      technique: 'static hold',
      sets: 2,
      holdSeconds: 30,
      sessionsPerWeek: 3,
      sensation: 5,
      loadUnit,
    } as Prescription,
  });
  it('go while nothing of them was done', () => {
    expect(withLaneEnded(two, 'a', () => false, 1).lanes.map((l) => l.id)).toEqual(['b']);
    expect(withLaneEnded(two, 'none', () => false, 1)).toBe(two);
  });
  it('stay in the record once started: they end, and may go on', () => {
    const ended = withLaneEnded(two, 'a', (id) => id === 'a', 4);
    expect(ended.lanes.map((l) => l.untilWeek)).toEqual([3, null]);
    expect(withLaneEnded(ended, 'a', (id) => id === 'a', 4).lanes[0]!.untilWeek).toBeNull();
  });
  it('keep the cells of weeks that have begun, whatever is put over them', () => {
    const before = { ...two, lanes: [{ ...two.lanes[0]!, locked: [cell(1), cell(4)] }, two.lanes[1]!] };
    const next = { ...two, lanes: [{ ...two.lanes[0]!, locked: [cell(2), cell(5)] }, two.lanes[1]!] };
    expect(withPastKept(next, before, 3).lanes[0]!.locked.map((k) => k.week)).toEqual([1, 5]);
    expect(withPastKept(next, before, 1)).toEqual(next);
  });
  it('give back loads of another unit when theirs changes', () => {
    const locked = {
      ...two,
      lanes: [{ ...two.lanes[0]!, locked: [cell(1), cell(2, 'kg'), cell(3, 'band')] }, two.lanes[1]!],
    };
    const [lane] = withLoadUnit(locked, 0, 'band').lanes;
    expect(lane!.loadUnit).toBe('band');
    expect(lane!.locked.map((k) => k.week)).toEqual([1, 3]);
  });
  it('change their start or their exercise alone', () => {
    expect(withStartingDose(two, 1, 240).lanes.map((l) => l.startingDose)).toEqual([null, 240]);
    const other = withExercises(two, 0, 'static hold', ['deep-squat-hold']).lanes;
    expect(other[0]!.exercises).toEqual([{ technique: 'static hold', exerciseId: 'deep-squat-hold', dayPlanId: null }]);
    expect(other[1]).toBe(two.lanes[1]);
  });
});

describe('a block to begin with', () => {
  it('starts on the next Monday with the usual bounds and no lane', () => {
    expect(emptyDraft('2026-03-11', [])).toMatchObject({
      startDate: '2026-03-16',
      weeks: 8,
      ramp: 0.2,
      easierEvery: 4,
      lanes: [],
    });
  });
});

describe('the client of a plan', () => {
  // Domain 2.5: age on the first day, cautions as their strictest, minutes and days from the record.
  it('is put together from record, cautions and measurements', () => {
    const basis = {
      experience: 'regular' as const,
      trainingDays: [1, 3] as const,
      gentleGroups: [],
      minutesPerSession: 20,
      hypermobile: true,
      timings: DEFAULT_TIMINGS,
    };
    const cautions = cautionsFor({ yes: ['feeling', 'kneeling'], no: [], regions: {} }, 45);
    const day = (d: string) => planClientOf('1980-03-10', basis, d, cautions);
    expect(day('2026-03-09').age).toBe(45);
    expect(day('2026-03-10')).toMatchObject({
      age: 46,
      hypermobile: true,
      minutesPerSession: 20,
      trainingDays: [1, 3],
    });
    expect(day('2026-03-10').cautions).toMatchObject({ sensationMax: 4, excludedDemands: ['one-leg', 'kneeling'] });
  });
});

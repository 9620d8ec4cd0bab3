import { describe, expect, it } from 'vitest';
import type { Prescription } from '../../technique/prescription.js';
import { buildBlock } from '../block.js';
import { checkBlock } from '../check/check.js';
import { blockInputOf } from '../draft.js';
import {
  applyFix,
  copyCells,
  fillRight,
  lockCells,
  missWeek,
  moveEasierWeek,
  moveLane,
  pasteCells,
  rangeBetween,
  setCells,
  setStyle,
  setWeeks,
  toggleEasierWeek,
  turn,
  unlockCells,
} from './edit.js';
import { context, draft, planOf, hold } from '../draft.fixture.js';

describe('turning by hand', () => {
  it('goes in the steps of the trade, and never past what can be done', () => {
    expect(turn(hold(2, 30), 'holdSeconds', 1, 1.25).holdSeconds).toBe(35);
    expect(turn(hold(2, 30), 'holdSeconds', -9, 1.25).holdSeconds).toBe(1);
    expect(turn(hold(2, 30), 'sensation', 5, 1.25).sensation).toBe(6);
    expect(turn(hold(2, 30), 'sessionsPerWeek', 9, 1.25).sessionsPerWeek).toBe(7);
    expect(turn(hold(2, 30), 'load', 1, 1.25)).toEqual(hold(2, 30));
    const lower: Prescription = {
      ...hold(2, 2),
      technique: 'loaded eccentric',
      reps: 6,
      lowerSeconds: 3,
      load: 2.5,
      loadUnit: 'kg',
      assistance: 2,
    };
    expect(turn(lower, 'load', 1, 1.25).load).toBe(3.75);
    expect(turn({ ...lower, loadUnit: 'band', load: 1 }, 'load', 1, 1.25).load).toBe(2);
    // More of it is less help.
    expect(turn(lower, 'assistance', 1, 1.25).assistance).toBe(1);
    expect(turn(lower, 'assistance', 5, 1.25).assistance).toBe(0);
    expect(turn(lower, 'reps', 1, 1.25).reps).toBe(7);
    expect(
      turn({ ...hold(1, 15), technique: 'contract-relax', cycles: 3, pushSeconds: 6, effort: 20 }, 'holdSeconds', 1, 1)
        .holdSeconds,
    ).toBe(16);
  });
});

describe('cells', () => {
  it('are set, kept, given back', () => {
    const set = setCells(draft, [{ lane: 1, week: 2, prescription: hold(1, 20) }]);
    expect(set.lanes[0]).toBe(draft.lanes[0]);
    expect(planOf(set).lanes[1]!.weeks[1]).toMatchObject({ locked: true, dose: 60 });
    const again = setCells(set, [{ lane: 1, week: 2, prescription: hold(2, 20) }]);
    expect(again.lanes[1]!.locked).toHaveLength(1);
    expect(unlockCells(again, [{ lane: 1, week: 2 }])).toEqual(draft);
    const locked = lockCells(draft, planOf(draft), [
      { lane: 0, week: 3 },
      { lane: 9, week: 1 },
    ]);
    expect(locked.lanes[0]!.locked).toEqual([
      { week: 3, prescription: planOf(draft).lanes[0]!.weeks[2]!.prescription },
    ]);
  });

  it('are copied, pasted and filled to the right, as far as the board reaches', () => {
    const plan = planOf(draft);
    const clip = copyCells(plan, rangeBetween({ lane: 0, week: 1 }, { lane: 1, week: 2 }));
    const pasted = pasteCells(draft, plan, { lane: 1, week: 8 }, clip);
    expect(pasted.lanes[0]!.locked).toEqual([]);
    expect(pasted.lanes[1]!.locked.map((k) => [k.week, k.prescription.holdSeconds])).toEqual([[8, 30]]);
    const filled = fillRight(draft, plan, rangeBetween({ lane: 0, week: 4 }, { lane: 0, week: 1 }));
    expect(filled.lanes[0]!.locked.map((k) => k.week)).toEqual([2, 3, 4]);
    expect(
      planOf(filled)
        .lanes[0]!.weeks.slice(0, 4)
        .every((w) => w.dose === 180),
    ).toBe(true);
  });

  it('of another technique are not pasted', () => {
    const push = setStyle(draft, 1, 'push-relax', 1);
    const lanes = push.lanes.map((l) => ({
      ...l,
      exercises: [
        ...l.exercises,
        { technique: 'contract-relax' as const, exerciseId: l.exercises[0]!.exerciseId, dayPlanId: null },
      ],
    }));
    const plan = planOf({ ...push, lanes });
    const clip = copyCells(plan, rangeBetween({ lane: 0, week: 1 }, { lane: 0, week: 1 }));
    expect(pasteCells({ ...push, lanes }, plan, { lane: 1, week: 1 }, clip).lanes[1]!.locked).toEqual([]);
  });
});

describe('the board', () => {
  it('moves lanes and easier weeks, grows and shrinks', () => {
    expect(moveLane(draft, 1, 0).lanes.map((l) => l.id)).toEqual(['b', 'a']);
    expect(moveLane(draft, 7, 0)).toBe(draft);
    expect(moveEasierWeek(draft, 4, 5).easierWeeks).toEqual([5, 8]);
    expect(moveEasierWeek(draft, 3, 5)).toBe(draft);
    expect(moveEasierWeek(draft, 4, 8)).toBe(draft);
    expect(toggleEasierWeek(draft, 4).easierWeeks).toEqual([8]);
    expect(toggleEasierWeek(draft, 6).easierWeeks).toEqual([4, 6, 8]);
    const set = setCells(toggleEasierWeek(draft, 6), [{ lane: 0, week: 7, prescription: hold(1, 30) }]);
    const short = setWeeks(set, 5);
    expect(short).toMatchObject({ weeks: 5, easierWeeks: [4] });
    expect(short.lanes[0]!.locked).toEqual([]);
    expect(setWeeks(draft, 99).weeks).toBe(52);
    expect(setWeeks(draft, 0).weeks).toBe(1);
  });

  it('changes the style of a lane from a week on', () => {
    const set = setCells(draft, [
      { lane: 0, week: 2, prescription: hold(1, 30) },
      { lane: 0, week: 6, prescription: hold(1, 30) },
    ]);
    const later = setStyle(set, 0, 'long-hold', 5);
    expect(later.lanes[0]).toMatchObject({
      styleId: 'steady-hold',
      laterStyles: [{ fromWeek: 5, styleId: 'long-hold' }],
    });
    expect(later.lanes[0]!.locked.map((k) => k.week)).toEqual([2]);
    expect(setStyle(later, 0, 'steady-hold', 5).lanes[0]!.laterStyles).toEqual([]);
    expect(setStyle(later, 0, 'upkeep', 1).lanes[0]).toMatchObject({ styleId: 'upkeep', laterStyles: [] });
  });

  it('skips a missed week, or shifts the block by one', () => {
    const set = setCells(draft, [{ lane: 0, week: 5, prescription: hold(1, 30) }]);
    expect(missWeek(set, 3, 'skip')).toEqual({ ...set, missedWeeks: [3] });
    const shifted = missWeek(set, 3, 'shift');
    expect(shifted).toMatchObject({ weeks: 9, missedWeeks: [3], easierWeeks: [5, 9] });
    expect(shifted.lanes[0]!.locked.map((k) => k.week)).toEqual([6]);
    expect(() => missWeek(setWeeks(draft, 52), 3, 'shift')).toThrow(expect.objectContaining({ code: 'invalid-plan' }));
  });

  it('takes a fix of the easier weeks', () => {
    const d = { ...draft, easierEvery: null };
    const input = blockInputOf(d, context);
    const fix = checkBlock(input, buildBlock(input)).find((v) => v.fix?.kind === 'easier-weeks')!.fix!;
    const fixed = applyFix(d, fix);
    const after = blockInputOf(fixed, context);
    expect(checkBlock(after, buildBlock(after))).toEqual([]);
  });
});

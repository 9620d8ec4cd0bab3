import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { alongDose } from './along.js';
import { groupDoses, type WorkedSeconds } from './shares.js';

const worked = (left: number, right: number, primary: MuscleGroupId, ...secondary: MuscleGroupId[]): WorkedSeconds => ({
  exercise: { primary, secondary },
  left,
  right,
});

describe('the weekly dose of a group', () => {
  // Domain 2.4: the main group counts whole, a secondary one half.
  it('counts a secondary muscle half', () => {
    const doses = groupDoses([worked(180, 180, 'hamstrings', 'calf')]);
    expect(doses.get('hamstrings')).toEqual({ left: 180, right: 180 });
    expect(doses.get('calf')).toEqual({ left: 90, right: 90 });
    expect(doses.get('soleus')).toBeUndefined();
  });
  it('adds what several exercises do for it, by side', () => {
    const doses = groupDoses([worked(180, 120, 'hamstrings', 'calf'), worked(60, 60, 'calf')]);
    expect(doses.get('calf')).toEqual({ left: 150, right: 120 });
  });
  it('counts a group once that is named twice', () => {
    expect(groupDoses([worked(100, 100, 'calf', 'calf')]).get('calf')).toEqual({ left: 100, right: 100 });
  });
  it('rounds once, at the end', () => {
    // Three halves of 15 s are 22.5 s: 23, not 3 × 8 = 24.
    const halves = Array.from({ length: 3 }, () => worked(15, 15, 'hamstrings', 'calf'));
    expect(groupDoses(halves).get('calf')).toEqual({ left: 23, right: 23 });
  });
  it('is nothing for nothing', () => {
    expect(groupDoses([]).size).toBe(0);
  });
  it('gives every main group at least what is done for it, whatever stands beside', () => {
    const group = fc.constantFrom<MuscleGroupId>('hamstrings', 'calf', 'soleus', 'lats');
    const one = fc
      .tuple(fc.integer({ min: 0, max: 600 }), fc.integer({ min: 0, max: 600 }), group, fc.uniqueArray(group))
      .map(([left, right, primary, secondary]) => worked(left, right, primary, ...secondary));
    fc.assert(
      fc.property(fc.array(one, { maxLength: 6 }), (list) => {
        const doses = groupDoses(list);
        for (const w of list) {
          expect(doses.get(w.exercise.primary)!.left).toBeGreaterThanOrEqual(w.left);
          expect(doses.get(w.exercise.primary)!.right).toBeGreaterThanOrEqual(w.right);
        }
      }),
    );
  });
});

describe('what groups get along with a stretch of another', () => {
  const entry = { week: 2, seconds: 60 };
  it('is half of it on the same side, and on each side of one for both', () => {
    const calf = { primary: 'hamstrings', secondary: ['calf'] } as const;
    expect(alongDose(calf, { ...entry, side: 'left' })).toEqual([
      { week: 2, group: 'calf', side: 'left', seconds: 30 },
    ]);
    expect(alongDose(calf, { ...entry, side: null }).map((e) => [e.side, e.seconds])).toEqual([
      ['left', 30],
      ['right', 30],
    ]);
  });
  it('is on the other side where the stretch works it there, and nothing for the main group itself', () => {
    const turned = {
      primary: 'neck-side',
      secondary: ['upper-trapezius', 'neck-side'],
      otherSide: ['upper-trapezius'],
    } as const;
    expect(alongDose(turned, { ...entry, side: 'left' })).toEqual([
      { week: 2, group: 'upper-trapezius', side: 'right', seconds: 30 },
    ]);
  });
});

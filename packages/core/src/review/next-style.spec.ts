import { describe, expect, it } from 'vitest';
import { buildBlock } from '../planning/block.js';
import { adult, ask, hold, lock, steady } from '../planning/rules.fixture.js';
import type { LaneDraft } from '../planning/draft.js';
import { replacedBy, styleIn, withoutStyle, withStyle } from '../planning/revision/lane-style.js';
import { changeIsYoung, laterStyleOf, onPlateau } from './next-style.js';

const weeksOf = (over: Parameters<typeof steady>[0] = {}) =>
  buildBlock(ask([steady(over)], { client: adult, easierEvery: null })).lanes[0]!.weeks;
const all = () => true;

/** Domain 2.8: one step of dose up to the cap, else technique along static → contract-relax → loaded. */
describe('what a plateau is answered by', () => {
  it('is a step of dose where the plan still rises', () => {
    expect(onPlateau(weeksOf(), 3, all)).toBeNull();
  });

  const still = [3, 4, 5, 6, 7, 8].map((week) => lock(week, hold(3, 45)));
  it('is the next technique where nothing rises', () => {
    expect(onPlateau(weeksOf({ locked: still }), 4, all)).toBe('push-relax');
    const pushed = weeksOf({ styleId: 'push-relax' }).map((w) => ({
      ...w,
      prescription: weeksOf({ styleId: 'push-relax' })[0]!.prescription,
    }));
    expect(onPlateau(pushed, 4, all)).toBe('loaded-range');
  });

  it('is left to the coach where the client may not do that, or there is no next', () => {
    expect(onPlateau(weeksOf({ locked: still }), 4, (t) => t !== 'contract-relax')).toBeUndefined();
    const loaded = weeksOf({ styleId: 'loaded-range' }).map((w, _, every) => ({
      ...w,
      prescription: every[0]!.prescription,
    }));
    expect(onPlateau(loaded, 4, all)).toBeUndefined();
  });

  it('is the next technique where more dose has been tried, and dose again where there is none', () => {
    expect(onPlateau(weeksOf(), 5, all, { week: 1, styleId: null })).toBe('push-relax');
    expect(onPlateau(weeksOf(), 5, () => false, { week: 1, styleId: null })).toBeNull();
    // Another technique came in since: its dose has not been tried.
    expect(onPlateau(weeksOf(), 5, all, { week: 1, styleId: 'push-relax' })).toBeNull();
  });

  // A plateau has to last 28 days (domain 2.3): so long a change is given, or two follow each other in two weeks.
  it('is one change at a time: the next comes four weeks later at the earliest', () => {
    const before = { week: 5, styleId: null };
    expect([5, 6, 8, 9].map((week) => changeIsYoung(before, week))).toEqual([true, true, true, false]);
    expect(changeIsYoung(null, 6)).toBe(false);
  });

  it('looks past an easier week for both', () => {
    const weeks = buildBlock(ask([steady()], { client: adult, easierEvery: 4 })).lanes[0]!.weeks;
    expect(weeks[3]!.kind).toBe('easier');
    expect(onPlateau(weeks, 4, all)).toBeNull();
    expect(onPlateau(weeks, 3, all)).toBeNull();
  });
});

describe('the style that a decision puts in', () => {
  const lane: Pick<LaneDraft, 'styleId' | 'laterStyles' | 'locked'> = {
    styleId: 'steady-hold',
    laterStyles: [
      { fromWeek: 3, styleId: 'long-hold' },
      { fromWeek: 9, styleId: 'loaded-range' },
    ],
    locked: [lock(2, hold(1, 30)), lock(7, hold(2, 40))],
  };
  it('takes the place of what was to begin later, and gives it back', () => {
    const later = laterStyleOf('keep', null, 6)!;
    expect(later).toEqual({ fromWeek: 6, styleId: 'upkeep', share: 1 / 3 });
    const kept = withStyle(lane, later);
    expect([2, 5, 6, 12].map((w) => styleIn(kept, w))).toEqual(['steady-hold', 'long-hold', 'upkeep', 'upkeep']);
    expect(kept.locked.map((c) => c.week)).toEqual([2]);
    expect(withoutStyle(kept, later, replacedBy(lane, later))).toEqual(lane);
  });
  it('is not taken out where somebody has put another there', () => {
    const nothing = { laterStyles: [], locked: [] };
    expect(withoutStyle(lane, { fromWeek: 6, styleId: 'upkeep', share: 1 / 3 }, nothing)).toBe(lane);
  });
  it('is none for steps, and for a change by a step of dose', () => {
    for (const move of ['advance', 'repeat', 'ease', 'ease two', 'change'] as const)
      expect(laterStyleOf(move, null, 6)).toBeNull();
    expect(laterStyleOf('change', 'push-relax', 6)).toEqual({ fromWeek: 6, styleId: 'push-relax' });
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../testing/runs.js';
import { isException, proposedMove, reviewLane, stepsBack, type LaneRecord } from './lane-review.js';

/** Domain 2.8, the table of the weekly review, row by row from its words; 180 s a side planned. */

const record = (over: Partial<LaneRecord> = {}): LaneRecord => ({
  ...{ soreDays: 0, said: [], unplaced: null, holdSeconds: 180, cutSeconds: 0, plateau: false, goalTwice: false },
  ...{ stopSigns: 0, sides: { left: 180, right: 180 }, inSeconds: true },
  ...{ now: { planned: 180, done: 180 }, before: { planned: 180, done: 180 } },
  ...over,
});
const done = (seconds: number | null) => ({ planned: 180, done: seconds });
const felt = (...all: readonly number[]) => all.map((sensation) => ({ sensation, target: 5 }));

describe('the weekly review of a lane', () => {
  it.each<[string, Partial<LaneRecord>, string, string]>([
    ['sore twice in two weeks', { soreDays: 2 }, 'ease two', 'sore-twice'],
    ['sore once', { soreDays: 1 }, 'advance', 'as-planned'],
    ['a sensation of eight', { said: felt(4, 4, 4, 8) }, 'ease', 'far-too-strong'],
    ['two above the target in half of what was said', { said: felt(7, 5) }, 'ease', 'too-strong'],
    ['two above the target in less than half', { said: felt(7, 5, 5) }, 'advance', 'as-planned'],
    ['one above the target', { said: felt(6, 6) }, 'advance', 'as-planned'],
    ['more than a fifth of the hold cut short', { cutSeconds: 37 }, 'ease', 'cut-short'],
    ['a fifth of the hold cut short', { cutSeconds: 36 }, 'advance', 'as-planned'],
    ['a stop sign, however much was done', { stopSigns: 1 }, 'repeat', 'stop-sign'],
    ['a stop sign in a strong week', { stopSigns: 1, said: felt(9) }, 'ease', 'far-too-strong'],
    ['a stop sign and a goal reached', { stopSigns: 1, goalTwice: true }, 'repeat', 'stop-sign'],
    ['under 40 % two weeks running', { now: done(71), before: done(71) }, 'repeat', 'little-done-twice'],
    ['under 40 % once', { now: done(71) }, 'repeat', 'less-done'],
    ['under 40 % after a week of which nothing is known', { now: done(71), before: done(null) }, 'repeat', 'less-done'],
    ['under 70 %', { now: done(125) }, 'repeat', 'less-done'],
    ['70 %', { now: done(126) }, 'advance', 'as-planned'],
    ['130 %', { now: done(234) }, 'advance', 'as-planned'],
    ['more than 130 %', { now: done(235) }, 'repeat', 'more-done'],
    ['a plateau', { plateau: true }, 'change', 'plateau'],
    ['the goal reached on two assessments', { goalTwice: true }, 'keep', 'goal-twice'],
    ['nothing logged', { now: done(null) }, 'ask', 'no-log'],
    ['sore twice and nothing logged', { now: done(null), soreDays: 2 }, 'ease two', 'sore-twice'],
    ['a week as planned', {}, 'advance', 'as-planned'],
  ])('of %s', (_, over, move, code) => {
    const review = reviewLane(record(over));
    expect([review.move, review.because.code]).toEqual([move, code]);
  });

  it('takes the first rule that fits', () => {
    const all = {
      soreDays: 2,
      said: felt(9),
      cutSeconds: 100,
      now: done(10),
      before: done(10),
      plateau: true,
      goalTwice: true,
    };
    const order: (keyof typeof all)[] = ['soreDays', 'said', 'cutSeconds', 'before', 'now', 'plateau', 'goalTwice'];
    const codes = order.map((_, i) => {
      const over: Partial<LaneRecord> = Object.fromEntries(order.slice(i).map((k) => [k, all[k]]));
      return reviewLane(record(over)).because.code;
    });
    expect(codes).toEqual([
      ...['sore-twice', 'far-too-strong', 'cut-short', 'little-done-twice', 'less-done', 'plateau', 'goal-twice'],
    ]);
  });

  it('asks where a strong session was felt, and eases nothing for it', () => {
    const review = reviewLane(record({ unplaced: 8 }));
    expect([review.move, review.asks.map((a) => a.code)]).toEqual(['advance', ['strong-somewhere']]);
    expect(isException(review)).toBe(true);
    expect(reviewLane(record({ unplaced: 6 })).asks).toEqual([]);
    expect(reviewLane(record({ unplaced: 8, said: felt(4) })).asks).toEqual([]);
  });

  it('never goes up after soreness, strain, or a week of which nothing is known', () => {
    const said = fc.array(
      fc.record({ sensation: fc.integer({ min: 0, max: 10 }), target: fc.integer({ min: 1, max: 6 }) }),
    );
    const week = fc.record({
      planned: fc.integer({ min: 1, max: 900 }),
      done: fc.option(fc.integer({ min: 0, max: 1200 })),
    });
    fc.assert(
      fc.property(said, week, fc.nat(5), fc.boolean(), fc.nat(2), (all, now, soreDays, plateau, stopSigns) => {
        const review = reviewLane(record({ said: all, now, soreDays, plateau, stopSigns }));
        const move = proposedMove(review);
        if (stopSigns > 0) expect([stepsBack(move) !== null, isException(review)]).toEqual([true, true]);
        const strong = all.some((s) => s.sensation >= 8);
        if (soreDays >= 2 || strong || now.done === null) expect(stepsBack(move)).not.toBeNull();
        if (soreDays >= 2) expect(stepsBack(move)).toBe(2);
        if (now.done !== null && now.done / now.planned < 0.7) expect(stepsBack(move)).not.toBeNull();
      }),
      runs(300),
    );
  });

  it('is plain where the coach need not look: as planned, or a little less', () => {
    expect([{}, { now: done(100) }].map((o) => isException(reviewLane(record(o))))).toEqual([false, false]);
    expect(
      [{ now: done(300) }, { soreDays: 2 }, { now: done(null) }].map((o) => isException(reviewLane(record(o)))),
    ).toEqual([true, true, true]);
  });
});

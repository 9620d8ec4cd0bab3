import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../testing/runs.js';
import { weekWords } from '../words/plan.js';
import { buildBlock } from './block.js';
import { checkBlock } from './check/check.js';
import { adult, ask, steady } from './rules.fixture.js';

/** Domain 2.8: a goal that is reached is kept, with Upkeep at a third of the dose. */
const kept = (fromWeek: number, over: object = {}) =>
  ask([steady({ laterStyles: [{ fromWeek, styleId: 'upkeep', share: 1 / 3 }] })], {
    client: { ...adult, trainingDays: [1, 2, 3, 4, 5, 6, 7] },
    weeks: 8,
    easierEvery: null,
    ...over,
  });
const weeksOf = (i: ReturnType<typeof kept>) => buildBlock(i).lanes[0]!.weeks;

describe('a lane that keeps what is reached', () => {
  // By hand: 180, 210, 240, 270; a third of 270 s is 90 s: Upkeep with two sets of 15 s on three days. A third of 240 s is 80 s: one set of 25 s, 75 s.
  it('goes on at a third of the dose, the highest step of Upkeep that does not pass it, and stays', () => {
    expect(weeksOf(kept(5)).map((w) => w.dose)).toEqual([180, 210, 240, 270, 90, 90, 90, 90]);
    expect(weeksOf(kept(4)).map((w) => w.dose)).toEqual([180, 210, 240, 75, 75, 75, 75, 75]);
    expect(weeksOf(kept(5))[4]!.prescription).toMatchObject({ sets: 2, holdSeconds: 15, sessionsPerWeek: 3 });
  });

  it('says why, and breaks no rule', () => {
    const input = kept(5);
    const lane = buildBlock(input).lanes[0]!;
    for (const w of lane.weeks.slice(4))
      expect(weekWords(w, lane)).toContain('Reached: kept with Upkeep at about 33% of the dose before');
    expect(checkBlock(input, buildBlock(input)).filter((v) => v.lane !== null)).toEqual([]);
  });

  it('comes back to it after a missed week, and no higher', () => {
    const doses = weeksOf(kept(4, { missedWeeks: [6] })).map((w) => w.dose);
    expect(doses[5]).toBe(0);
    expect(Math.max(...doses.slice(6))).toBeLessThanOrEqual(75);
  });

  it('is the same planned whole or with its first weeks over', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 7 }), fc.integer({ min: 1, max: 7 }), (from, over) => {
        const input = kept(from);
        const whole = weeksOf(input);
        const later = buildBlock({ ...input, lanes: [{ ...input.lanes[0]!, past: whole.slice(0, over) }] });
        expect(later.lanes[0]!.weeks.map((w) => w.prescription)).toEqual(whole.map((w) => w.prescription));
      }),
      runs(30),
    );
  });
});

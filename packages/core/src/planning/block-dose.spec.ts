import { describe, expect, it } from 'vitest';
import { blockDose } from './block-dose.js';
import { buildBlock } from './block.js';
import { ask, steady } from './rules.fixture.js';

const weeks = (...doses: number[]) => doses.map((dose) => ({ dose }));

describe('the dose of a block', () => {
  it('adds the weeks up and finds the fullest', () => {
    expect(blockDose(weeks(180, 210, 240, 160))).toEqual({ total: 790, peak: 240 });
  });
  it('is nothing without weeks, and peaks in the only one', () => {
    expect(blockDose([])).toEqual({ total: 0, peak: 0 });
    expect(blockDose(weeks(90))).toEqual({ total: 90, peak: 90 });
  });
  it('is less for a block in which a week was missed', () => {
    const whole = buildBlock(ask([steady()])).lanes[0]!.weeks;
    const missed = buildBlock(ask([steady()], { missedWeeks: [3] })).lanes[0]!.weeks;
    expect(blockDose(missed).total).toBeLessThan(blockDose(whole).total);
    expect(missed[2]!.dose).toBe(0);
  });
});

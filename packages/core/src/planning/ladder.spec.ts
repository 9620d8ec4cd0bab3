import { describe, expect, it } from 'vitest';
import { STEADY_HOLD } from '../styles/steady-hold.js';
import type { Prescription } from '../styles/style.js';
import { ladder, nextStep, type Step } from './ladder.js';
import { limitsFor } from './limits.js';

const limits = limitsFor(
  STEADY_HOLD,
  { age: 40, level: 'regular', trainingDays: [1, 2, 3, 4, 5, 6], easyOn: [] },
  'hamstrings',
);
const at = (sets: number, holdSeconds: number, sessionsPerWeek: number, sensation = 5): Prescription => ({
  technique: 'static hold',
  sets,
  holdSeconds,
  sessionsPerWeek,
  sensation,
});
const next = (p: Prescription, ramp = 0.2) => nextStep(p, STEADY_HOLD, limits, ramp);

// Each by hand from the rule: largest step of the first open variable that keeps the ramp, else a shorter hold, else the next variable.
describe('nextStep', () => {
  it('turns the hold up first', () => {
    expect(next(at(2, 30, 3))).toMatchObject({ prescription: at(2, 35, 3), changed: 'holdSeconds', resplit: false });
  });

  it('adds a set with a shorter hold when the hold is at its cap', () => {
    expect(next(at(3, 60, 3))).toMatchObject({ prescription: at(4, 50, 3), changed: 'sets', resplit: true });
  });

  it('adds a day when hold and sets are at their caps: 4 × 60 × 3 = 720 s, at most 864 s, so 4 × 50 × 4 = 800 s', () => {
    expect(next(at(4, 60, 3))).toMatchObject({ prescription: at(4, 50, 4), changed: 'sessionsPerWeek', resplit: true });
  });

  it('adds a whole set when the ramp allows it', () => {
    expect(next(at(2, 60, 3), 0.5)).toMatchObject({ prescription: at(3, 60, 3), changed: 'sets', resplit: false });
  });

  it('raises the sensation last', () => {
    expect(next(at(4, 60, 6))).toMatchObject({ prescription: at(4, 60, 6, 6), changed: 'sensation' });
    expect(next(at(4, 60, 6, 6))).toMatchObject({ why: 'all caps reached' });
  });

  it('tries the next variable when the first has no step that fits', () => {
    // 2 × 20 s: +5 s is +25 %, a third set of 20 s +50 %; a fourth day of 2 × 20 s is 160 of 120 s: +33 %.
    expect(next(at(2, 20, 3))).toMatchObject({ why: 'ramp too small' });
    // With 30 %: the hold fits.
    expect(next(at(2, 20, 3), 0.3)).toMatchObject({ prescription: at(2, 25, 3) });
  });

  it('allows one smallest step from under 60 s a week, whatever the ramp', () => {
    const tiny = { ...limits, holdMin: 10 };
    expect(nextStep(at(1, 20, 2), STEADY_HOLD, tiny, 0)).toMatchObject({ prescription: at(1, 25, 2) });
    expect(nextStep(at(1, 30, 2), STEADY_HOLD, tiny, 0)).toMatchObject({ why: 'ramp too small' });
  });

  it('takes a large step of a style in fives of seconds when the whole would break the ramp', () => {
    const bold = { ...STEADY_HOLD, step: { ...STEADY_HOLD.step, holdSeconds: 15 } };
    expect(nextStep(at(2, 45, 3), bold, limits, 0.2)).toMatchObject({ prescription: at(2, 50, 3) });
    expect(nextStep(at(2, 45, 3), bold, limits, 0.5)).toMatchObject({ prescription: at(2, 60, 3) });
  });
});

describe('ladder', () => {
  it('stops where nothing fits and says why', () => {
    const { steps, top } = ladder(STEADY_HOLD, limits, 0.02, 10);
    expect(steps).toHaveLength(1);
    expect(top?.why).toBe('ramp too small');
    expect(top?.words).toContain('2 % ramp');
  });

  it('gives as many rungs as asked for, each above the last', () => {
    const { steps, top } = ladder(STEADY_HOLD, limits, 0.2, 12);
    expect(steps).toHaveLength(12);
    expect(top).toBeNull();
    expect(steps.slice(1).every((s: Step) => s.changed !== null)).toBe(true);
  });
});

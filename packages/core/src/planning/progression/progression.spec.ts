import type { Prescription } from '../../technique/prescription.js';
import { describe, expect, it } from 'vitest';
import { LOADED_RANGE } from '../../styles/catalogue/loaded-range.js';
import { LONG_HOLD } from '../../styles/catalogue/long-hold.js';
import { PUSH_RELAX } from '../../styles/catalogue/push-relax.js';
import { STEADY_HOLD } from '../../styles/catalogue/steady-hold.js';
import { UPKEEP } from '../../styles/catalogue/upkeep.js';
import type { Style } from '../../styles/style.js';
import { clampStep, enterPhase, firstStep, nextStep, stepAt, type Progression } from './progression.js';
import { limitsFor, type PlanClient } from '../limits.js';

const adult: PlanClient = { age: 40, experience: 'regular', trainingDays: [1, 2, 3, 4, 5, 6], gentleGroups: [] };
const progressionOf = (style: Style, client: PlanClient = adult, phase = 0): Progression => ({
  style,
  phase: style.phases[phase]!,
  limits: limitsFor(style, style.phases[phase]!, client, 'hamstrings'),
  loadUnit: 'kg',
});
const steady = progressionOf(STEADY_HOLD);
const at = (sets: number, holdSeconds: number, sessionsPerWeek: number, sensation = 5): Prescription => ({
  technique: 'static hold',
  sets,
  holdSeconds,
  sessionsPerWeek,
  sensation,
});
const next = (p: Prescription, ramp = 0.2, progression = steady) =>
  nextStep({ prescription: p, activationReps: 0 }, progression, ramp);

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
    expect(next(at(4, 60, 6, 6))).toMatchObject({ why: { code: 'all-at-limit' } });
  });

  it('tries the next variable when the first has no step that fits', () => {
    // 2 × 20 s: +5 s is +25 %, a third set of 20 s +50 %; a fourth day of 2 × 20 s is 160 of 120 s: +33 %.
    expect(next(at(2, 20, 3))).toMatchObject({ why: { code: 'above-increase' } });
    // With 30 %: the hold fits.
    expect(next(at(2, 20, 3), 0.3)).toMatchObject({ prescription: at(2, 25, 3) });
  });

  it('allows one smallest step from under 60 s a week, whatever the ramp', () => {
    const tiny = { ...steady, limits: { ...steady.limits, amountMin: 10 } };
    expect(next(at(1, 20, 2), 0, tiny)).toMatchObject({ prescription: at(1, 25, 2) });
    expect(next(at(1, 30, 2), 0, tiny)).toMatchObject({ why: { code: 'above-increase' } });
  });

  it('takes a large step of a style in fives of seconds when the whole would break the ramp', () => {
    const long = progressionOf(LONG_HOLD);
    // 45 + 15 = 60 s is +33 %; 55 s +22 %; 50 s +11 %.
    expect(next(at(1, 45, 4), 0.2, long)).toMatchObject({ prescription: at(1, 50, 4) });
    expect(next(at(1, 45, 4), 0.5, long)).toMatchObject({ prescription: at(1, 60, 4) });
  });

  it('stays within the weekly dose of a style', () => {
    const upkeep = progressionOf(UPKEEP);
    expect(next(at(2, 30, 3), 0.5, upkeep)).toMatchObject({ why: { code: 'all-at-limit' } });
    const more = { ...upkeep, limits: { ...upkeep.limits, amountMax: 60 } };
    const top = next(at(2, 30, 3), 0.5, more);
    expect(top).toMatchObject({ why: { code: 'style-dose', args: { doseMax: 180 } } });
  });
});

describe('loaded steps', () => {
  const loaded = progressionOf(LOADED_RANGE, { ...adult, smallestPlate: 2.5 });
  const lower = (over: Partial<Prescription>): Prescription => ({
    technique: 'loaded eccentric',
    sets: 3,
    holdSeconds: 2,
    reps: 8,
    lowerSeconds: 3,
    sessionsPerWeek: 2,
    sensation: 5,
    assistance: 0,
    load: 0,
    loadUnit: 'kg',
    ...over,
  });

  it('take help away before anything is added', () => {
    expect(next(lower({ assistance: 2 }), 0.2, loaded)).toMatchObject({
      changed: 'assistance',
      prescription: { assistance: 1 },
    });
    expect(next(lower({ assistance: 1 }), 0.2, loaded)).toMatchObject({ prescription: { assistance: 0, load: 0 } });
  });

  it('begin with the smallest plate', () => {
    expect(next(lower({}), 0.2, loaded)).toMatchObject({ changed: 'load', prescription: { load: 2.5, reps: 8 } });
  });

  // 2.5 of 5 kg is half as much again: repetitions go back to 6 and are built up before the next plate.
  it('build repetitions up again when a plate is more than a tenth, and say what would help', () => {
    const step = next(lower({ load: 5 }), 0.2, loaded);
    expect(step).toMatchObject({ changed: 'load', prescription: { load: 7.5, reps: 6 } });
    expect(step).toMatchObject({
      fact: { code: 'step', args: { restart: { percent: expect.any(Number) as number } } },
    });
    expect(next(lower({ load: 7.5, reps: 6 }), 0.2, loaded)).toMatchObject({
      changed: 'reps',
      prescription: { reps: 7 },
    });
  });

  // ACSM 2009, from memory: 2-10 % once the repetitions are managed.
  it('add one plate and nothing else when it is a tenth or less', () => {
    const fine = progressionOf(LOADED_RANGE, { ...adult, smallestPlate: 0.5 });
    expect(next(lower({ load: 10 }), 0.2, fine)).toMatchObject({ prescription: { load: 10.5, reps: 8 } });
  });

  it('stop at the heaviest load', () => {
    expect(next(lower({ load: 20 }), 0.2, loaded)).toMatchObject({ why: { code: 'all-at-limit' } });
  });
});

describe('contract-relax steps', () => {
  it('lengthen the stretch phase by what the ramp allows: 15 → 18 s is 20 %', () => {
    const progression = progressionOf(PUSH_RELAX);
    expect(next(firstStep(progression).prescription, 0.2, progression)).toMatchObject({
      changed: 'holdSeconds',
      prescription: { holdSeconds: 18 },
    });
    const long = { ...firstStep(progression).prescription, holdSeconds: 30 };
    expect(next(long, 0.2, progression)).toMatchObject({ changed: 'effort', prescription: { effort: 30 } });
    expect(next({ ...long, effort: 70 }, 0.2, progression)).toMatchObject({ prescription: { effort: 75 } });
  });
});

describe('entering', () => {
  it('a startingDose: the highest current that does not pass it', () => {
    // Steady hold: 180, 210, 240, 270 s …
    expect(stepAt(steady, 250, 0.2).prescription).toMatchObject({ sets: 2, holdSeconds: 40 });
    expect(stepAt(steady, 100, 0.2).prescription).toMatchObject({ sets: 2, holdSeconds: 30 });
  });

  it('another style of the same technique goes on near the dose before, never above the ramp', () => {
    // 3 × 45 × 3 = 405 s: of Long hold 1 × 45, 50, 60, 70, 80, 95 s × 4 the highest not above it is 95 s, 380 s.
    const entry = enterPhase({ prescription: at(3, 45, 3), activationReps: 0 }, progressionOf(LONG_HOLD), 0.2);
    expect(entry.prescription).toMatchObject({ sets: 1, holdSeconds: 95, sessionsPerWeek: 4 });
  });

  it('another technique begins at its start, made smaller where the ramp asks for it', () => {
    // 60 s a week before: 72 s at most; 2 × 6 × 5 s × 2 = 120 s is too much; 1 × 6 × 5 × 2 = 60 and 1 × 7 … fits best at 60.
    const entry = enterPhase({ prescription: at(1, 20, 3), activationReps: 0 }, progressionOf(LOADED_RANGE), 0.2);
    expect(entry.prescription).toMatchObject({ technique: 'loaded eccentric', sets: 1, reps: 6, sessionsPerWeek: 2 });
  });

  it('the loaded hold keeps the load that was lowered, and never more help', () => {
    const before: Prescription = {
      technique: 'loaded eccentric',
      sets: 2,
      holdSeconds: 2,
      reps: 8,
      lowerSeconds: 3,
      sessionsPerWeek: 2,
      sensation: 5,
      assistance: 0,
      load: 5,
      loadUnit: 'kg',
    };
    const entry = enterPhase({ prescription: before, activationReps: 0 }, progressionOf(LOADED_RANGE, adult, 1), 0.2);
    expect(entry.prescription).toMatchObject({
      technique: 'loaded isometric',
      holdSeconds: 20,
      load: 5,
      assistance: 0,
    });
  });
});

describe('clampStep', () => {
  it('leaves alone what a style gives no cap', () => {
    const { cycles: _, effort: __, ...caps } = PUSH_RELAX.phases[0]!.caps;
    const plain = { ...PUSH_RELAX, phases: [{ ...PUSH_RELAX.phases[0]!, caps, order: ['holdSeconds' as const] }] };
    const progression = progressionOf(plain);
    expect(clampStep(firstStep(progression), progression, 0.2).prescription).toMatchObject({ cycles: 3, effort: 20 });
  });

  it('brings what a hand left outside back inside, within the ramp', () => {
    const current = { prescription: at(6, 90, 6, 6), activationReps: 0 };
    const back = clampStep(current, steady, 0.2).prescription;
    expect(back).toMatchObject({ sets: 4, holdSeconds: 60, sessionsPerWeek: 6 });
    const same = { prescription: at(2, 30, 3), activationReps: 0 };
    expect(clampStep(same, steady, 0.2).prescription).toEqual(same.prescription);
  });
});

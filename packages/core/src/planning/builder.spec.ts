import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import { prescriptionWords } from '../words/prescription.js';
import { buildBlock } from './block.js';
import { forAll } from './any-block.fixture.js';
import { scaleTo } from './progression/scale.js';
import { adult, steady, hold, lock, ask, check, doses } from './rules.fixture.js';

describe('the builder', () => {
  it('goes on from a cell that the coach set', () => {
    expect(doses(ask([steady({ locked: [lock(3, hold(1, 30))] })])).slice(0, 6)).toEqual([180, 210, 90, 60, 105, 120]);
  });

  it('gives the tighter side a set more, or half as long again where the sets are at their cap', () => {
    const weeks = buildBlock(ask([steady({ tighterSide: 'right' })])).lanes[0]!.weeks;
    expect(weeks.every((w) => w.prescription.bonus?.sets === 1)).toBe(true);
    const capped = buildBlock(ask([steady({ tighterSide: 'right', locked: [lock(1, hold(4, 30))] })])).lanes[0]!
      .weeks[1]!;
    expect(capped.prescription).toMatchObject({ sets: 4, bonus: { side: 'right', sets: 0, more: 15 } });
    // A stretch that works both sides at once has no tighter side.
    const both = exerciseById('bound-soles-sit');
    const lane = {
      group: 'adductors' as const,
      styleId: 'steady-hold',
      tighterSide: 'left' as const,
      exercises: forAll({ 'static hold': both }),
    };
    expect(buildBlock(ask([lane])).lanes[0]!.weeks[0]!.prescription.bonus).toBeUndefined();
  });

  it('begins where the client is', () => {
    expect(doses(ask([steady({ startingDose: 300 })])).slice(0, 2)).toEqual([270, 315]);
    expect(doses(ask([steady({ startingDose: 100 })]))[0]).toBe(180);
    // Long holding earns nobody a load, or less help.
    const [first] = buildBlock(ask([steady({ styleId: 'loaded-range', startingDose: 500 })])).lanes[0]!.weeks;
    expect(first!.prescription).toMatchObject({ load: 0, assistance: 0, reps: 8, sets: 2 });
    const [push] = buildBlock(ask([steady({ styleId: 'push-relax', startingDose: 900 })])).lanes[0]!.weeks;
    expect(push!.prescription).toMatchObject({ effort: 20, holdSeconds: 30 });
  });

  it('lets the last lanes give way when the minutes run out, and lists what did', () => {
    const lanes = (['soleus', 'hamstrings', 'pectorals', 'hip-flexors'] as const).map((group) => ({
      group,
      styleId: 'steady-hold',
    }));
    const input = ask(lanes, { client: { ...adult, minutesPerSession: 14 } });
    const plan = buildBlock(input);
    expect(plan.shortages.length).toBeGreaterThan(0);
    expect(plan.shortages.filter((t) => t.lane === 0 && t.week === 1)).toEqual([]);
    expect(plan.lanes[0]!.weeks[0]!.dose).toBeGreaterThan(plan.lanes[3]!.weeks[0]!.dose);
    expect(check(input).filter((v) => v.rule === 'time')).toEqual([]);
  });

  it('puts at most so many lanes in a session, the first ones first', () => {
    const lanes = (['soleus', 'hamstrings', 'pectorals'] as const).map((group) => ({ group, styleId: 'steady-hold' }));
    const plan = buildBlock(ask(lanes, { lanesPerSession: 2 }));
    for (const day of [1, 3, 5] as const)
      expect(plan.lanes.filter((l) => l.weeks[0]!.days.includes(day)).length).toBeLessThanOrEqual(2);
    // Floors first: two days of each lane, then the first ones get their third.
    expect(plan.lanes.map((l) => l.weeks[0]!.days.length)).toEqual([2, 2, 2]);
    expect(plan.shortages[0]).toMatchObject({ week: 1 });
  });

  it('rests in a week away, and holds the dose in one that is cut short', () => {
    const input = ask([steady()], {
      startDate: '2026-03-09',
      away: [
        { from: '2026-03-16', to: '2026-03-22' },
        { from: '2026-04-08', to: '2026-04-12' },
      ],
    });
    const weeks = buildBlock(input).lanes[0]!.weeks;
    expect(weeks[1]).toMatchObject({ kind: 'rest', dose: 0, days: [] });
    // Week 5 has Monday 6 April only: one session, and no step.
    expect(weeks[4]).toMatchObject({ kind: 'build', days: [1] });
    expect(weeks[4]!.reasons.map((r) => r.code)).toContain('fewer-days');
    expect(weeks[4]!.changed).toBeNull();
    expect(check(input)).toEqual([]);
  });

  it('changes style within the ramp, and technique only with an exercise for it', () => {
    const lane = steady({
      group: 'hamstrings',
      laterStyles: [{ fromWeek: 5, styleId: 'push-relax' }],
      exercises: forAll({ 'static hold': exerciseById('supine-strap-hamstring') }),
    });
    const held = buildBlock(ask([lane])).lanes[0]!;
    expect(held.weeks.every((w) => w.prescription.technique === 'static hold')).toBe(true);
    expect(held.leftOut[0]).toMatchObject({ args: { technique: 'contract-relax', bar: null } });
    const strap = exerciseById('supine-strap-hamstring');
    const able = { ...lane, exercises: forAll({ 'static hold': strap, 'contract-relax': strap }) };
    const weeks = buildBlock(ask([able])).lanes[0]!.weeks;
    expect(prescriptionWords(weeks[4]!.prescription)).toBe('1 × 3 × (6 s push at 20%, 15 s), 3 days');
    expect(() => buildBlock(ask([{ ...lane, exercises: [] }]))).toThrow(
      expect.objectContaining({ code: 'invalid-plan' }),
    );
  });

  it('keeps loads away from the young and the hypermobile, and says so', () => {
    for (const client of [
      { ...adult, age: 15 },
      { ...adult, hypermobile: true },
    ]) {
      const lane = buildBlock(ask([steady({ styleId: 'loaded-range' })], { client })).lanes[0]!;
      expect(lane.weeks.every((w) => w.prescription.technique === 'static hold')).toBe(true);
      expect(lane.leftOut[0]).toMatchObject({
        args: { bar: { code: expect.stringMatching(/loaded-under-18|loaded-hypermobile/) as string } },
      });
    }
  });

  it('keeps weeks that have begun, and begins new lanes after them', () => {
    const before = buildBlock(ask([steady()]));
    const past = before.lanes[0]!.weeks.slice(0, 3);
    const input = ask(
      [steady({ past, locked: [lock(1, hold(4, 60))] }), { group: 'calf', styleId: 'steady-hold', fromWeek: 4 }],
      { ramp: 0.1 },
    );
    const plan = buildBlock(input);
    expect(plan.lanes[0]!.weeks.slice(0, 3)).toEqual(past);
    expect(plan.lanes[1]!.weeks.map((w) => w.kind).slice(0, 4)).toEqual(['rest', 'rest', 'rest', 'build']);
    expect(buildBlock({ ...input, missedWeeks: [3] }).lanes[0]!.weeks[2]).toMatchObject({ kind: 'rest', dose: 0 });
  });

  it('ends a lane where the coach ends it', () => {
    expect(doses(ask([steady({ untilWeek: 2 })])).slice(0, 4)).toEqual([180, 210, 0, 0]);
  });
});

describe('scaleTo', () => {
  // By hand: within 3 × 60 × 3 = 540 s the nearest below 400 s, in fives: 3 × 40 × 3 = 360, 2 × 60 × 3 = 360, 3 × 60 × 2 = 360 …; 3 × 44 is no five.
  it('takes the nearest volume below, with more sessions first', () => {
    expect(scaleTo(hold(3, 60, 3), 400, 20, 5)).toMatchObject({ sessionsPerWeek: 3 });
    const q = scaleTo(hold(3, 60, 3), 400, 20, 5);
    expect(q.sets * q.holdSeconds * q.sessionsPerWeek).toBe(360);
    expect(scaleTo(hold(2, 30, 3), 1, 20, 5)).toEqual(hold(1, 20, 2));
  });
});

import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import type { Prescription } from '../technique/prescription.js';
import { prescriptionWords } from '../words/prescription.js';
import { buildBlock } from './block.js';
import { applyFix } from './edit.js';
import { BLOCK_RULE_IDS, type BlockRuleId, type Violation } from './check/violation.js';
import { BLOCK_RULE_WORDS, violationWords } from '../words/rules.js';
import { weekWords } from '../words/plan.js';
import { checkBlock } from './check/check.js';
import { blockInputOf, newLane, type BlockDraft, type PlanContext } from './draft.js';
import type { BlockInput, LaneInput, LockedCell } from './plan.js';
import { returnShare, scaleTo } from './scale.js';
import { styleById } from '../styles/index.js';

const adult = { age: 40, experience: 'regular', trainingDays: [1, 3, 5], gentleGroups: [] } as const;
const steady = (over: Partial<LaneInput> = {}): LaneInput => ({ group: 'soleus', styleId: 'steady-hold', ...over });
const hold = (sets: number, holdSeconds: number, sessionsPerWeek = 3, sensation = 5): Prescription => ({
  technique: 'static hold',
  sets,
  holdSeconds,
  sessionsPerWeek,
  sensation,
});
const lock = (week: number, prescription: Prescription): LockedCell => ({ week, prescription });
const ask = (lanes: readonly LaneInput[], over: Partial<BlockInput> = {}): BlockInput => ({
  client: adult,
  lanes,
  weeks: 8,
  ramp: 0.2,
  easierEvery: 4,
  ...over,
});
const check = (input: BlockInput): Violation[] => checkBlock(input, buildBlock(input));
const broken = (input: BlockInput, rule: BlockRuleId) => check(input).filter((v) => v.rule === rule);
const doses = (input: BlockInput, lane = 0) => buildBlock(input).lanes[lane]!.weeks.map((w) => w.dose);

describe('each rule, broken by hand', () => {
  it('one change a week', () => {
    const [v] = broken(ask([steady({ locked: [lock(2, hold(3, 35))] })]), 'one-variable');
    expect(v).toMatchObject({ lane: 0, week: 2, fix: { kind: 'unlock' } });
    expect(violationWords(v!.fact)).toContain('Hold and sets both rose since week 1');
  });

  // 180 s, ramp 20 %: 216 s at most. 3 × 30 × 3 = 270 s. Nearest below: 3 × 20 × 3 = 180 or 2 × 35 × 3 = 210 within 3 × 30.
  it('the ramp, with the largest prescription that keeps it as the fix', () => {
    const [v] = broken(ask([steady({ locked: [lock(2, hold(3, 30))] })]), 'ramp');
    expect(v!.fact).toEqual({
      code: 'rose-too-much',
      args: { from: 180, to: 270, percent: 50, allowed: 20, most: 216, since: 1 },
    });
    expect(v!.fix).toMatchObject({ kind: 'cell', week: 2 });
    const fixed = (v!.fix as { prescription: Prescription }).prescription;
    expect(fixed.sets * fixed.holdSeconds * fixed.sessionsPerWeek).toBeLessThanOrEqual(216);
    expect(fixed.sets * fixed.holdSeconds * fixed.sessionsPerWeek).toBeGreaterThan(170);
  });

  it('a load that jumps by more than a plate', () => {
    const lower: Prescription = {
      technique: 'loaded eccentric',
      sets: 2,
      holdSeconds: 2,
      reps: 6,
      lowerSeconds: 3,
      sessionsPerWeek: 2,
      sensation: 5,
      assistance: 2,
      load: 5,
      loadUnit: 'kg',
    };
    const [v] = broken(ask([steady({ styleId: 'loaded-range', locked: [lock(2, lower)] })]), 'ramp');
    expect(v!.fact).toMatchObject({ code: 'load-rose-too-much', args: { from: 0, to: 5 } });
    expect(v!.fix).toMatchObject({ prescription: { load: 1.25 } });
  });

  it('an easier week that is not easier', () => {
    const [v] = broken(ask([steady({ locked: [lock(4, hold(2, 40, 3, 4))] })]), 'easier-week');
    expect(v).toMatchObject({
      lane: 0,
      week: 4,
      fix: { prescription: { sets: 2, holdSeconds: 40, sessionsPerWeek: 2 } },
    });
  });

  it('too many full weeks in a row, with a week to make easier', () => {
    const [v] = broken(ask([steady()], { weeks: 8, easierEvery: null }), 'easier-week');
    expect(v).toMatchObject({ lane: null, severity: 'warning', fix: { kind: 'easier-weeks' } });
    expect(v!.fact).toMatchObject({ code: 'no-easier-week', args: { weeks: 8 } });
    expect(broken(ask([steady()], { easierEvery: 6 }), 'easier-week')).toEqual([]);
    // Nothing to make easier in Upkeep when the calendar has none anyway.
    expect(broken(ask([steady()], { weeks: 8, easierEvery: null, missedWeeks: [4] }), 'easier-week')).toEqual([]);
  });

  it('a retest that is missing', () => {
    const input = ask([steady()]);
    const plan = { ...buildBlock(input), retestWeeks: [1, 8] };
    expect(checkBlock(input, plan).map((v) => [v.rule, v.week])).toEqual([['retest', 4]]);
  });

  it('caps of style, client and weekly dose', () => {
    const [cap] = broken(ask([steady({ locked: [lock(1, hold(2, 90))] })]), 'cap');
    expect(violationWords(cap!.fact)).toContain('90 s, at most 60');
    expect(cap!.fix).toMatchObject({ prescription: { holdSeconds: 60 } });
    const old = { ...adult, age: 70 };
    expect(broken(ask([steady({ locked: [lock(1, hold(2, 20))] })], { client: old }), 'cap')[0]!.fact).toMatchObject({
      args: { by: { code: 'age-65' } },
    });
    const much = ask([
      steady({
        styleId: 'upkeep',
        locked: [lock(3, hold(2, 30, 3)), lock(4, { ...hold(2, 30, 3), bonus: { side: 'left', sets: 1, more: 0 } })],
      }),
    ]);
    expect(broken(much, 'cap').map((v) => v.week)).toEqual([4]);
  });

  it('intensity, which no coach may overrule where a caution says so', () => {
    const easy = { ...adult, gentleGroups: ['soleus'] as const };
    const [v] = broken(ask([steady({ locked: [lock(2, hold(2, 35))] })], { client: easy }), 'intensity');
    expect(v).toMatchObject({ severity: 'stop', fix: { prescription: { sensation: 4 } } });
    const [w] = broken(ask([steady({ styleId: 'upkeep', locked: [lock(2, hold(2, 15, 3, 6))] })]), 'intensity');
    expect(w!.severity).toBe('warning');
  });

  it('a technique or an exercise that a caution rules out', () => {
    const off = { excludedGroups: [], gentleGroups: [], excludedPositions: [], excludedTags: [], sensationMax: null };
    const push: Prescription = { ...hold(1, 15), technique: 'contract-relax', cycles: 3, pushSeconds: 6, effort: 20 };
    const client = { ...adult, cautions: { ...off, excludedTechniques: ['contract-relax' as const] } };
    expect(
      broken(ask([steady({ styleId: 'push-relax', locked: [lock(2, push)] })], { client }), 'caution'),
    ).toMatchObject([{ severity: 'stop', week: 2, fix: { kind: 'unlock' } }]);
    const floor = { ...adult, cautions: { ...off, excludedTechniques: [], excludedPositions: ['supine' as const] } };
    const lane = {
      group: 'hamstrings' as const,
      styleId: 'steady-hold',
      exercises: { 'static hold': exerciseById('supine-strap-hamstring') },
    };
    expect(broken(ask([lane], { client: floor }), 'caution')[0]!.fact).toMatchObject({
      code: 'exercise-ruled-out',
      args: { exercise: exerciseById('supine-strap-hamstring').name },
    });
  });

  it('the tighter side: more where nothing is tighter, nothing where it is', () => {
    const bonus = { side: 'left' as const, sets: 1, more: 0 };
    const [gone] = broken(ask([steady({ locked: [lock(2, { ...hold(2, 35), bonus })] })]), 'tighter-side');
    expect(gone!.fix).toMatchObject({ prescription: hold(2, 35) });
    const [none] = broken(ask([steady({ tighterSide: 'right', locked: [lock(2, hold(2, 35))] })]), 'tighter-side');
    expect(none!.fix).toMatchObject({ prescription: { bonus: { side: 'right', sets: 1 } } });
  });

  it('more sessions than the days hold with 48 h between them', () => {
    const lower: Prescription = {
      technique: 'loaded eccentric',
      sets: 2,
      holdSeconds: 2,
      reps: 6,
      lowerSeconds: 3,
      sessionsPerWeek: 3,
      sensation: 5,
      assistance: 2,
      load: 0,
      loadUnit: 'kg',
    };
    const client = { ...adult, trainingDays: [1, 2, 3] as const };
    const [v] = broken(
      ask([steady({ styleId: 'loaded-range', locked: [lock(1, lower)] })], {
        client: { ...client, trainingDays: [...client.trainingDays] },
      }),
      'spacing',
    );
    expect(v!.fact).toEqual({ code: 'days-too-few', args: { sessions: 3, days: 2, loaded: true } });
  });

  it('minutes and lanes of a session', () => {
    const client = { ...adult, minutesPerSession: 10 };
    const [v] = broken(ask([steady({ locked: [lock(1, hold(4, 60))] })], { client }), 'time');
    expect(v).toMatchObject({ lane: null, week: 1, fix: { kind: 'unlock', lane: 0, week: 1 } });
    expect(violationWords(v!.fact)).toContain('the limit is 10:00');
  });

  // Ingram LA et al. 2025, Sports Med 55(3):597-617 (from memory): gains flatten at about 10 min a week; secondary groups count half.
  it('the weekly amount, with what other stretches add', () => {
    const calf = {
      group: 'calf' as const,
      styleId: 'steady-hold',
      exercises: { 'static hold': exerciseById('straight-knee-wall-calf') },
    };
    const soleus = {
      group: 'soleus' as const,
      styleId: 'steady-hold',
      exercises: { 'static hold': exerciseById('bent-knee-wall-calf') },
    };
    const lanes = [
      { ...calf, locked: [lock(1, hold(4, 60, 3))] },
      { ...soleus, locked: [lock(1, hold(2, 60, 3))] },
    ];
    const found = broken(ask(lanes), 'weekly-dose');
    // The calf's own 720 s; the soleus' 360 s and half of the calf's 720 s: 720 s too.
    expect(
      found.map((v) => [v.lane, v.week, v.fact.code === 'above-weekly-dose' ? String(v.fact.args.seconds) : '']),
    ).toEqual([
      [0, 1, '720'],
      [1, 1, '720'],
    ]);
  });

  it('have a name each', () => {
    const names = BLOCK_RULE_IDS.map((id) => BLOCK_RULE_WORDS[id].name);
    expect(names.every((n) => /^[A-Z]/.test(n))).toBe(true);
    expect(new Set(names).size).toBe(BLOCK_RULE_IDS.length);
  });
});

describe('fixes', () => {
  const draft = (locked: readonly LockedCell[], over: Partial<BlockDraft> = {}): BlockDraft => ({
    startDate: '2026-03-09',
    weeks: 8,
    ramp: 0.2,
    easierEvery: 4,
    easierWeeks: null,
    missedWeeks: [],
    away: [],
    lanesPerSession: 5,
    smallestPlate: null,
    lanes: [
      {
        ...newLane('l', 'soleus', 'steady-hold', [{ technique: 'static hold', exerciseId: 'bent-knee-wall-calf' }]),
        locked,
      },
    ],
    ...over,
  });
  const context: PlanContext = {
    client: { ...adult, minutesPerSession: 20 },
    findStyle: styleById,
    findExercise: exerciseById,
  };

  it('applied one after the other leave nothing broken', () => {
    let d = draft([lock(2, hold(4, 60, 3, 6)), lock(3, hold(5, 90, 3, 6)), lock(4, hold(4, 60, 3, 6))], {
      easierEvery: null,
    });
    for (let i = 0; i < 30; i++) {
      const input = blockInputOf(d, context);
      const fix = checkBlock(input, buildBlock(input)).find((v) => v.fix !== null)?.fix;
      if (!fix) break;
      d = applyFix(d, fix);
    }
    const input = blockInputOf(d, context);
    expect(checkBlock(input, buildBlock(input))).toEqual([]);
  });
});

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
      exercises: { 'static hold': both },
    };
    expect(buildBlock(ask([lane])).lanes[0]!.weeks[0]!.prescription.bonus).toBeUndefined();
  });

  it('begins where the client is', () => {
    expect(doses(ask([steady({ startingDose: 300 })])).slice(0, 2)).toEqual([300, 330]);
    expect(doses(ask([steady({ startingDose: 100 })]))[0]).toBe(180);
    // Long holding earns nobody a load, or less help.
    const [first] = buildBlock(ask([steady({ styleId: 'loaded-range', startingDose: 500 })])).lanes[0]!.weeks;
    expect(first!.prescription).toMatchObject({ load: 0, assistance: 2, reps: 6, sets: 2 });
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
    expect(plan.cuts.length).toBeGreaterThan(0);
    expect(plan.cuts.filter((t) => t.lane === 0 && t.fact.code === 'fewer-sets')).toEqual([]);
    expect(plan.lanes[0]!.weeks[0]!.dose).toBeGreaterThan(plan.lanes[3]!.weeks[0]!.dose);
    expect(check(input).filter((v) => v.rule === 'time')).toEqual([]);
  });

  it('puts at most so many lanes in a session, the first ones first', () => {
    const lanes = (['soleus', 'hamstrings', 'pectorals'] as const).map((group) => ({ group, styleId: 'steady-hold' }));
    const plan = buildBlock(ask(lanes, { lanesPerSession: 2 }));
    for (const day of [1, 3, 5] as const)
      expect(plan.lanes.filter((l) => l.weeks[0]!.days.includes(day)).length).toBeLessThanOrEqual(2);
    expect(plan.lanes.map((l) => l.weeks[0]!.days.length)).toEqual([3, 3, 0]);
    expect(plan.cuts[0]).toMatchObject({ lane: 2, week: 1 });
  });

  // Common practice, no source: a fifth off for each missed week, half at most.
  it('comes back lower after missed weeks, then goes on', () => {
    expect([1, 2, 2.5, 5].map(returnShare)).toEqual([0.8, 0.6, 0.5, 0.5]);
    const input = ask([steady()], { missedWeeks: [3], weeks: 8 });
    const weeks = buildBlock(input).lanes[0]!.weeks;
    expect(weeks.map((w) => w.kind)).toEqual(['build', 'build', 'rest', 'easier', 'build', 'build', 'build', 'easier']);
    // 210 s in week 2, 168 s at most in week 5: 2 × 25 × 3 = 150 is less than 1 × 35 … the nearest below is 2 × 25 × 3.
    expect(weeks[4]!.dose).toBe(150);
    // The reason says the share that was taken: 150 of 210 s is 71 %.
    expect(weeks[1]!.dose).toBe(210);
    expect(weekWords(weeks[4]!, { weeks })).toContain('71% of the earlier dose');
    expect(weeks[5]!.dose).toBe(180);
    expect(check(input).filter((v) => v.rule !== 'weekly-dose')).toEqual([]);
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
    expect(weeks[4]!.reasons[0]!.code).toBe('fewer-days');
    expect(weeks[4]!.changed).toBeNull();
    expect(check(input)).toEqual([]);
  });

  it('changes style within the ramp, and technique only with an exercise for it', () => {
    const lane = steady({
      group: 'hamstrings',
      laterStyles: [{ fromWeek: 5, styleId: 'push-relax' }],
      exercises: { 'static hold': exerciseById('supine-strap-hamstring') },
    });
    const held = buildBlock(ask([lane])).lanes[0]!;
    expect(held.weeks.every((w) => w.prescription.technique === 'static hold')).toBe(true);
    expect(held.leftOut[0]).toMatchObject({ args: { technique: 'contract-relax', bar: null } });
    const strap = exerciseById('supine-strap-hamstring');
    const able = { ...lane, exercises: { 'static hold': strap, 'contract-relax': strap } };
    const weeks = buildBlock(ask([able])).lanes[0]!.weeks;
    expect(prescriptionWords(weeks[4]!.prescription)).toBe('1 × 3 × (6 s push at 20%, 15 s), 3 days');
    expect(() => buildBlock(ask([{ ...lane, exercises: {} }]))).toThrow(
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
    expect(plan.lanes[1]!.weeks.map((w) => w.kind).slice(0, 4)).toEqual(['rest', 'rest', 'rest', 'easier']);
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

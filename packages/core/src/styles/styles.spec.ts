import { describe, expect, it } from 'vitest';
import { buildBlock } from '../planning/block.js';
import type { BlockInput, PlannedWeek } from '../planning/plan.js';
import { prescriptionWords } from '../words/prescription.js';
import type { Style } from './style.js';
import { findStyleAmong, STYLES, styleById } from './index.js';
import { assertStyle, styleFaults, variablesOf } from './own-style.js';
import { STRETCHING, unitOf } from '../technique/catalogue.js';
import { assertPrescription } from '../technique/prescription.js';

const adult = { age: 40, experience: 'regular', trainingDays: [1, 2, 4, 5, 6], gentleGroups: [] } as const;
const weeksOf = (styleId: string, over: Partial<BlockInput> = {}): readonly PlannedWeek[] =>
  buildBlock({
    client: adult,
    lanes: [{ group: 'hamstrings', styleId }],
    weeks: 8,
    ramp: 0.2,
    easierEvery: 4,
    ...over,
  }).lanes[0]!.weeks;
const said = (weeks: readonly PlannedWeek[]) => weeks.map((w) => `${prescriptionWords(w.prescription)} = ${w.dose}`);

// Worked by hand in docs/calculations.md, "A block in each style": 20 % ramp, easier every 4th week, nothing that narrows the client.
describe('eight weeks of each style', () => {
  it('Upkeep adds a set and then stays: 30 → 40 s would be +33 %', () => {
    expect(said(weeksOf('upkeep')).slice(0, 4)).toEqual([
      '1 × 15 s, 3 days = 45',
      '2 × 15 s, 3 days = 90',
      '2 × 15 s, 3 days = 90',
      '2 × 15 s, 3 days = 90',
    ]);
    expect(weeksOf('upkeep').every((w) => w.kind === 'build')).toBe(true);
    // With a 50 % ramp the hold grows, but never past 180 s a week.
    expect(Math.max(...weeksOf('upkeep', { ramp: 0.5, weeks: 16 }).map((w) => w.dose))).toBeLessThanOrEqual(180);
  });

  it('Long hold grows the hold in fives where 15 s are too much', () => {
    expect(said(weeksOf('long-hold'))).toEqual([
      '1 × 45 s, 4 days = 180',
      '1 × 50 s, 4 days = 200',
      '1 × 60 s, 4 days = 240',
      '1 × 60 s, 2 days = 120',
      '1 × 70 s, 4 days = 280',
      '1 × 80 s, 4 days = 320',
      '1 × 95 s, 4 days = 380',
      '1 × 95 s, 2 days = 190',
    ]);
  });

  it('Push-relax lengthens the stretch phase, then the push', () => {
    const weeks = weeksOf('push-relax');
    expect(weeks.map((w) => [w.prescription.holdSeconds, w.prescription.effort, w.dose])).toEqual([
      [15, 20, 135],
      [18, 20, 162],
      [21, 20, 189],
      [21, 20, 126],
      [25, 20, 225],
      [30, 20, 270],
      [30, 30, 270],
      [30, 30, 180],
    ]);
  });

  it('Loaded range takes help away, then holds the loaded end from the second phase', () => {
    expect(said(weeksOf('loaded-range'))).toEqual([
      '2 × 6 reps (3 s down, 2 s), full help, 2 days = 120',
      '2 × 6 reps (3 s down, 2 s), light help, 2 days = 120',
      '2 × 6 reps (3 s down, 2 s), 2 days = 120',
      '1 × 6 reps (3 s down, 2 s), 2 days = 60',
      '2 × 20 s, 2 days = 80',
      '2 × 24 s, 2 days = 96',
      '2 × 28 s, 2 days = 112',
      '1 × 28 s, 2 days = 56',
    ]);
  });

  it('Move through adds repetitions', () => {
    expect(weeksOf('move-through').map((w) => [w.prescription.reps, w.prescription.sessionsPerWeek, w.dose])).toEqual([
      [6, 5, 60],
      [7, 5, 70],
      [8, 5, 80],
      [8, 3, 48],
      [9, 5, 90],
      [10, 5, 100],
      [12, 5, 120],
      [12, 3, 72],
    ]);
  });

  it('Release-lengthen-activate rolls, holds and activates in every session; only the hold is dose', () => {
    const weeks = weeksOf('release-lengthen-activate', { weeks: 12 });
    expect(weeks.slice(0, 3).map((w) => w.dose)).toEqual([90, 105, 120]);
    expect(weeks[0]!.beforeAndAfter.map((e) => [e.technique, e.holdSeconds, e.reps])).toEqual([
      ['rolling', 60, undefined],
      ['activation', 0, 10],
    ]);
    // The hold is at its cap in week 9; then activation takes its turn.
    expect(weeks[9]).toMatchObject({ changed: 'activationReps', dose: 180 });
    expect(weeks[9]!.beforeAndAfter[1]!.reps).toBe(12);
  });
});

// Garber CE et al. 2011, Med Sci Sports Exerc 43(7):1334-1359 (from memory).
describe('against the guideline', () => {
  it('contract-relax pushes 3-6 s at 20-75 % and stretches 10-30 s', () => {
    const [phase] = styleById('push-relax').phases;
    expect(phase!.start.pushSeconds).toBeGreaterThanOrEqual(3);
    expect(phase!.start.pushSeconds).toBeLessThanOrEqual(6);
    expect([phase!.start.effort, phase!.caps.effort]).toEqual([20, 75]);
    expect(phase!.amountFloor).toBeGreaterThanOrEqual(10);
    expect(phase!.caps.holdSeconds).toBeLessThanOrEqual(30);
  });
  it('every style asks for at least two days a week', () => {
    for (const s of STYLES) for (const p of s.phases) expect(p.start.sessionsPerWeek, s.id).toBeGreaterThanOrEqual(2);
  });
});

// Behm DG et al. 2016, Appl Physiol Nutr Metab 41:1-11 (from memory): static holds of 60 s and more a muscle cost strength right after.
it('Upkeep, done around training, keeps a session’s hold of a muscle under 60 s at its start', () => {
  const { start } = styleById('upkeep').phases[0]!;
  expect(start.sets * start.holdSeconds).toBeLessThan(60);
});

// Behm DG et al. 2020, J Strength Cond Res 34:3301-3308 (from memory): rolling 30-120 s.
it('rolling lies between 30 and 120 s a group', () => {
  const before = styleById('release-lengthen-activate').before!;
  expect(before.sets * before.amount).toBeGreaterThanOrEqual(30);
  expect(before.cap).toBeLessThanOrEqual(120);
});

describe('own styles', () => {
  const { id: _, ...steady } = styleById('steady-hold');
  const phase = steady.phases[0]!;

  it('of those that ship none has a fault', () => {
    for (const s of STYLES) expect(styleFaults(s), s.id).toEqual([]);
  });

  it.each([
    ['no name', { ...steady, name: ' ' }, { code: 'no-name' }],
    ['no phase', { ...steady, phases: [] }, { code: 'no-phase' }],
    [
      'a nerve glide',
      { ...steady, phases: [{ ...phase, technique: 'nerve glide' as const }] },
      { code: 'technique-not-planned' },
    ],
    [
      'a strange variable',
      { ...steady, phases: [{ ...phase, order: ['effort' as const] }] },
      { code: 'variable-not-here', variable: 'effort' },
    ],
    ['no cap', { ...steady, phases: [{ ...phase, caps: {} }] }, { code: 'variable-without-cap' }],
    [
      'a variable twice',
      { ...steady, phases: [{ ...phase, order: ['sets' as const, 'sets' as const] }] },
      { code: 'variable-twice' },
    ],
    ['a start below the floor', { ...steady, phases: [{ ...phase, amountFloor: 40 }] }, { code: 'start-below-floor' }],
    [
      'a target above 6',
      { ...steady, phases: [{ ...phase, caps: { ...phase.caps, sensation: 7 } }] },
      { code: 'sensation-too-high', most: 6 },
    ],
    [
      'sets above their cap',
      { ...steady, phases: [{ ...phase, caps: { ...phase.caps, sets: 1 } }] },
      { code: 'cap-below-start', variable: 'sets' },
    ],
  ])('are refused with %s', (_name, style, fault) => {
    expect(styleFaults(style)[0]).toEqual(expect.objectContaining(fault));
    expect(() => assertStyle(style)).toThrow(expect.objectContaining({ code: 'invalid-style' }));
  });

  it('stand before those that ship, and an unknown one is refused', () => {
    const own = { ...styleById('upkeep'), id: 'own-1', name: 'Ours' };
    expect(findStyleAmong([own])('own-1').name).toBe('Ours');
    expect(findStyleAmong([own])('upkeep').name).toBe('Upkeep');
    expect(() => findStyleAmong([own])('own-2')).toThrow(expect.objectContaining({ code: 'unknown-style' }));
  });

  // Domain 2.4: what stretches nothing is counted in its own unit; here breaths, by hand: 6, then 7.2, 8.4, 9.6 at most.
  it('counted in breaths progress in breaths, within the ramp', () => {
    const breathing: Style = {
      ...styleById('move-through'),
      id: 'own-breath',
      phases: [
        {
          technique: 'breathing',
          start: { sets: 3, holdSeconds: 0, sessionsPerWeek: 5, reps: 6 },
          order: ['reps', 'sets'],
          step: { reps: 2 },
          caps: { reps: 12, sets: 3, sensation: 4 },
          amountFloor: 5,
          stepSize: 1,
        },
      ],
    };
    const weeks = buildBlock({
      client: adult,
      lanes: [{ group: 'abdominals', styleId: 'own-breath' }],
      weeks: 4,
      ramp: 0.2,
      easierEvery: null,
      findStyle: () => breathing,
    }).lanes[0]!.weeks;
    expect(weeks.map((w) => [w.prescription.reps, w.dose])).toEqual([
      [6, 0],
      [7, 0],
      [8, 0],
      [9, 0],
    ]);
  });

  it('can turn up what their technique has', () => {
    expect(variablesOf({ technique: 'loaded eccentric' })).toEqual([
      'reps',
      'sets',
      'sessionsPerWeek',
      'sensation',
      'assistance',
      'load',
    ]);
    expect(variablesOf({ technique: 'static hold' }, true)).toContain('activationReps');
    expect(STRETCHING.map(unitOf)).toEqual(['seconds', 'seconds', 'repetitions', 'seconds', 'repetitions']);
  });
});

it('a prescription of every style can be done', () => {
  for (const s of STYLES)
    for (const w of weeksOf(s.id, { weeks: 16 })) expect(() => assertPrescription(w.prescription)).not.toThrow();
});

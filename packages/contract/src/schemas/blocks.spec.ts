import { styleById, STYLES, TEMPLATES } from '@yandle/core';
import type { ObjectSchema } from 'joi';
import { describe, expect, it } from 'vitest';
import { block, BLOCK_ID as ID, dayPlan, lane } from './block.fixture.js';
import { createBlockSchema, moveSessionSchema, updateBlockSchema } from './blocks.js';
import { STRICT } from './common.js';
import { prescription } from './prescription.js';
import { ownStyleSchema, ownTemplateSchema, styleFileSchema, templateFileSchema } from './styles.js';

const hold = { technique: 'static hold', sets: 2, holdSeconds: 30, sessionsPerWeek: 3, sensation: 5 };
const paths = (schema: ObjectSchema, body: unknown) =>
  schema.validate(body, STRICT).error?.details.map((d) => d.path.join('.')) ?? [];
const withLane = (over: object) => ({ ...block, lanes: [{ ...lane, ...over }] });

describe('a block on the wire', () => {
  it('is taken when whole', () => {
    expect(paths(createBlockSchema, block)).toEqual([]);
    const second = { ...lane, id: ID.replace('0', '1'), styleId: 'release-lengthen-activate' };
    expect(paths(createBlockSchema, { ...block, lanes: [lane, second] })).toEqual([]);
    expect(paths(createBlockSchema, { ...block, weeks: 1 })).toEqual([]);
    expect(paths(createBlockSchema, { ...block, weeks: 52 })).toEqual([]);
    const { id: _, ...choices } = block;
    expect(paths(updateBlockSchema, { ...choices, version: 3 })).toEqual([]);
    expect(paths(createBlockSchema, withLane({ locked: [{ week: 52, prescription: hold }] }))).toEqual([]);
    expect(paths(createBlockSchema, withLane({ locked: [{ week: 2, prescription: hold }], styleId: 'own-1' }))).toEqual(
      [],
    );
  });

  it.each<[string, object, string]>([
    ['53 weeks', { ...block, weeks: 53 }, 'weeks'],
    ['a ramp of 60 %', { ...block, ramp: 0.6 }, 'ramp'],
    ['no reason', { ...block, reason: ' ' }, 'reason'],
    ['days away backwards', { ...block, away: [{ from: '2026-03-10', to: '2026-03-09' }] }, 'away.0'],
    ['no lane', { ...block, lanes: [] }, 'lanes'],
    ['a lane twice', { ...block, lanes: [lane, lane] }, 'lanes.1'],
    ['no day plan', { ...block, dayPlans: [] }, 'dayPlans'],
    ['a day plan twice', { ...block, dayPlans: [dayPlan, dayPlan] }, 'dayPlans.1'],
    ['a weekday twice', { ...block, dayPlans: [{ ...dayPlan, weekdays: [1, 1] }] }, 'dayPlans.0.weekdays.1'],
    ['a day for nothing', { ...block, dayPlans: [{ ...dayPlan, theme: [] }] }, 'dayPlans.0.theme'],
    [
      'a routine without its list',
      { ...block, dayPlans: [{ ...dayPlan, routineId: 'after-running' }] },
      'dayPlans.0.routine',
    ],
    [
      'a routine without an exercise',
      { ...block, dayPlans: [{ ...dayPlan, routineId: 'after-running', routine: { name: 'Mine', items: [] } }] },
      'dayPlans.0.routine.items',
    ],
    [
      'a list of no routine',
      { ...block, dayPlans: [{ ...dayPlan, routine: { name: 'Mine', items: [] } }] },
      'dayPlans.0.routine',
    ],
    ['a day of an unknown purpose', { ...block, dayPlans: [{ ...dayPlan, purpose: 'show' }] }, 'dayPlans.0.purpose'],
    [
      'a week twice',
      withLane({
        locked: [
          { week: 2, prescription: hold },
          { week: 2, prescription: hold },
        ],
      }),
      'lanes.0.locked.1',
    ],
    ['a cell after a year', withLane({ locked: [{ week: 53, prescription: hold }] }), 'lanes.0.locked.0.week'],
    ['an exercise twice', withLane({ exercises: [lane.exercises[0], lane.exercises[0]] }), 'lanes.0.exercises.1'],
    [
      'three exercises of a technique',
      withLane({ exercises: ['a', 'b', 'c'].map((exerciseId) => ({ ...lane.exercises[0], exerciseId })) }),
      'lanes.0.exercises',
    ],
    ['help of three', withLane({ startHelp: 3 }), 'lanes.0.startHelp'],
    ['a phase of no week', withLane({ phaseWeeks: [4, 0] }), 'lanes.0.phaseWeeks.1'],
    [
      'a style change in week 1',
      withLane({ laterStyles: [{ fromWeek: 1, styleId: 'upkeep' }] }),
      'lanes.0.laterStyles.0.fromWeek',
    ],
    ['a path for a style', withLane({ styleId: '../x' }), 'lanes.0.styleId'],
    [
      'a target above 6',
      withLane({ locked: [{ week: 2, prescription: { ...hold, sensation: 7 } }] }),
      'lanes.0.locked.0.prescription.sensation',
    ],
    ['something unknown', { ...block, studioId: ID }, 'studioId'],
  ])('is refused with %s', (_, body, path) => {
    expect(paths(createBlockSchema, body)).toContain(path);
  });

  it('moves sessions to real days only', () => {
    expect(paths(moveSessionSchema, { date: '2026-03-10' })).toEqual([]);
    expect(paths(moveSessionSchema, { date: '2026-02-30' })).toEqual(['date']);
  });
});

describe('a prescription on the wire', () => {
  const taken = (p: object) => prescription().validate(p, STRICT).error === undefined;
  it('has what its technique needs', () => {
    expect(taken(hold)).toBe(true);
    expect(taken({ ...hold, technique: 'contract-relax' })).toBe(false);
    expect(taken({ ...hold, technique: 'contract-relax', cycles: 3, pushSeconds: 6, effort: 20 })).toBe(true);
    expect(taken({ ...hold, technique: 'loaded eccentric', reps: 6 })).toBe(false);
    expect(taken({ ...hold, technique: 'activation', holdSeconds: 0 })).toBe(false);
    expect(taken({ ...hold, technique: 'activation', holdSeconds: 0, reps: 10 })).toBe(true);
    expect(taken({ ...hold, load: 1.255 })).toBe(false);
    expect(taken({ ...hold, bonus: { side: 'both', sets: 1, more: 0 } })).toBe(false);
  });
});

describe('styles and templates on the wire', () => {
  const bare = <T extends { id: string }>({ id: _, ...rest }: T): Omit<T, 'id'> => rest;
  it('take all that ship', () => {
    for (const s of STYLES)
      expect(paths(ownStyleSchema, { ...bare(s), version: null, archived: false }), s.id).toEqual([]);
    for (const t of TEMPLATES)
      expect(paths(ownTemplateSchema, { ...bare(t), version: null, archived: false }), t.id).toEqual([]);
    expect(paths(styleFileSchema, { format: 'yandle-styles', formatVersion: 4, styles: STYLES.map(bare) })).toEqual([]);
    expect(
      paths(templateFileSchema, { format: 'yandle-templates', formatVersion: 4, templates: TEMPLATES.map(bare) }),
    ).toEqual([]);
  });
  it('say what makes a style useless', () => {
    const style = bare(styleById('steady-hold'));
    const late = { ...style, phases: [{ ...style.phases[0]!, amountFloor: 90 }] };
    const error = ownStyleSchema.validate({ ...late, version: null, archived: false }, STRICT).error;
    expect(error?.message).toContain('below the least');
    expect(paths(styleFileSchema, { format: 'yandle-styles', formatVersion: 5, styles: [style] })).toContain(
      'formatVersion',
    );
  });
});

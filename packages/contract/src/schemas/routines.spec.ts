import { Ajv2020 } from 'ajv/dist/2020.js';
import { exerciseById, firstItem, ROUTINES } from '@yandle/core';
import type Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { STRICT } from './common.js';
import { ROUTINE_FILE_SCHEMA, routineFileSchema } from './routines.js';

const published = new Ajv2020({ strict: true, allowUnionTypes: true }).compile(ROUTINE_FILE_SCHEMA);
const own = (file: unknown) => (routineFileSchema as Joi.Schema).validate(file, STRICT).error === undefined;
const base = firstItem(exerciseById('supine-strap-hamstring'));
const file = (item: object = {}, over: object = {}) => ({
  ...{ format: 'yandle-routines', formatVersion: 4 },
  routines: [
    {
      ...{ name: 'A routine', note: '', purpose: 'own', alreadyWarm: false, rounds: 1, minutes: null },
      items: [{ ...base, ...item }],
    },
  ],
  ...over,
});

/** The published JSON Schema, checked by a reference library (Ajv), says the same as the schema the server goes by. */
describe('the file of routines', () => {
  it('takes every routine that ships', () => {
    for (const { id, ...routine } of ROUTINES) {
      const one = file({}, { routines: [routine] });
      expect(published(one), `${id}: ${JSON.stringify(published.errors)}`).toBe(true);
      expect(own(one), id).toBe(true);
    }
  });

  it.each([
    [
      'moves, then a hold',
      { technique: 'moving stretch', reps: 5, then: [{ technique: 'static hold', holdSeconds: 20 }] },
    ],
    [
      'directions in breaths',
      { name: 'Toes up', breaths: 3, then: [{ name: 'Toes in', holdSeconds: 15, breaths: 3 }] },
    ],
    ['one a breath', { reps: 5, pace: 'breath' }],
    ['by seconds', { reps: 5, pace: { out: 4, back: 2 } }],
    ['a middle', { middle: true }],
  ])('takes %s', (_, item) => {
    expect(published(file(item)), JSON.stringify(published.errors)).toBe(true);
    expect(own(file(item))).toBe(true);
  });

  it.each([
    ['another format', file({}, { format: 'x' })],
    ['no routine', file({}, { routines: [] })],
    ['nine parts', file({ then: Array.from({ length: 9 }, () => ({ holdSeconds: 5 })) })],
    ['a part of nothing', file({ then: [{}] })],
    ['a part of an unknown way', file({ then: [{ technique: 'bouncing', holdSeconds: 5 }] })],
    ['a pace of nothing', file({ pace: { out: 0, back: 1 } })],
    ['a pace of a word', file({ pace: 'fast' })],
    ['61 breaths', file({ breaths: 61 })],
    ['a middle that is none', file({ middle: false })],
    ['a strength of 7', file({ sensation: 7 })],
    ['a field that is not known', file({ colour: 'red' })],
  ])('refuses %s', (_, given) => {
    expect(published(given)).toBe(false);
    expect(own(given)).toBe(false);
  });
});

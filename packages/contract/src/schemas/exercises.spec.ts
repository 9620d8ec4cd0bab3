import { Ajv2020 } from 'ajv/dist/2020.js';
import { EXERCISES } from '@yandle/core';
import type Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { STRICT } from './common.js';
import { EXERCISE_FILE_SCHEMA, exerciseFileSchema } from './exercises.js';

const published = new Ajv2020({ strict: true }).compile(EXERCISE_FILE_SCHEMA);
const own = (file: unknown) => (exerciseFileSchema as Joi.Schema).validate(file, STRICT).error === undefined;
const definition = () => {
  const { id: _, ...rest } = EXERCISES[0]!;
  return structuredClone(rest) as Record<string, unknown>;
};
const file = (over: object = {}) => ({
  format: 'yandle-exercises',
  formatVersion: 4,
  exercises: [{ ...definition(), ...over }],
});

/** What an exercise may do without: written here by hand, so that no other field becomes optional unseen. */
const MAY_BE_LEFT_OUT = ['pushAgainst', 'startLoad', 'alsoIn'];

/** The published JSON Schema, checked by a reference library (Ajv), says the same as the schema the server goes by. */
describe('the file of exercises', () => {
  it('takes every exercise of the catalogue', () => {
    for (const { id, ...rest } of EXERCISES) {
      const one = { format: 'yandle-exercises', formatVersion: 4, exercises: [rest] };
      expect(published(one), `${id}: ${JSON.stringify(published.errors)}`).toBe(true);
      expect(own(one), id).toBe(true);
    }
  });
  it.each([
    ['another format', { ...file(), format: 'x' }],
    ['no exercise', { ...file(), exercises: [] }],
    ['an unknown field', file({ colour: 'red' })],
    ['an unknown group', file({ primary: 'nose' })],
    ['an unknown thing', file({ props: ['trampoline'] })],
    ['a thing twice', file({ props: ['wall', 'wall'] })],
    ['six steps', file({ steps: ['a', 'b', 'c', 'd', 'e', 'f'] })],
    ['no step', file({ steps: [] })],
    ['no caution', file({ cautions: [] })],
    ['an empty name', file({ name: '  ' })],
    ['difficulty 4', file({ difficulty: 4 })],
    ['half a second', file({ amount: { unit: 'seconds', min: 0.5, max: 30 } })],
    ['a figure of nothing', file({ figure: 'none-such' })],
    ['a share above 1', file({ stages: [{ name: 'all', share: 1.2 }] })],
    ['a list', []],
    ['nothing', null],
  ])('refuses %s, both', (_, wrong) => {
    expect(published(wrong)).toBe(false);
    expect(own(wrong)).toBe(false);
  });
  it.each(Object.keys(definition()).filter((field) => !MAY_BE_LEFT_OUT.includes(field)))('misses %s', (field) => {
    const { [field]: _, ...rest } = definition();
    const wrong = { ...file(), exercises: [rest] };
    expect(published(wrong)).toBe(false);
    expect(own(wrong)).toBe(false);
  });
  it.each(MAY_BE_LEFT_OUT)('may do without %s', (field) => {
    const { [field]: _, ...rest } = definition();
    const right = { ...file(), exercises: [rest] };
    expect(published(right)).toBe(true);
    expect(own(right)).toBe(true);
  });
});

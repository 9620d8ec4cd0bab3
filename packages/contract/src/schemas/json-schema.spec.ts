import { Ajv2020 } from 'ajv/dist/2020.js';
import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { jsonSchemaOf } from './json-schema.js';

/** Checks a value against the exported schema with a reference library, and against Joi itself. */
const both = (schema: Joi.Schema, value: unknown): [published: boolean, own: boolean] => [
  new Ajv2020({ strict: true }).compile(jsonSchemaOf(schema, 'A file'))(value),
  schema.validate(value, { convert: false }).error === undefined,
];

describe('a published schema', () => {
  it('names its draft and its title', () => {
    expect(jsonSchemaOf(Joi.object({}), 'A file')).toMatchObject({
      $schema: 'https://json-schema.org/draft/2020-12/schema',
      title: 'A file',
      type: 'object',
    });
  });

  const form = Joi.object({ form: Joi.string().valid('a', 'b').allow(null).required() });
  const list = Joi.object({
    list: Joi.array().items(Joi.string().valid('x', 'y').optional()).unique().max(2).required(),
  });
  const count = Joi.object({ n: Joi.number().integer().min(1).max(3).required() });
  it.each([
    ['a choice', form, { form: 'a' }, true],
    ['nothing where nothing may be chosen', form, { form: null }, true],
    ['what is not to be chosen', form, { form: 'c' }, false],
    ['a field that is missing', form, {}, false],
    ['a field that is not known', form, { form: 'a', more: 1 }, false],
    ['an empty list', list, { list: [] }, true],
    ['a full list', list, { list: ['x', 'y'] }, true],
    ['a thing twice', list, { list: ['x', 'x'] }, false],
    ['a whole number', count, { n: 3 }, true],
    ['half of one', count, { n: 1.5 }, false],
    ['one too many', count, { n: 4 }, false],
    ['a number as text', count, { n: '2' }, false],
  ])('says of %s what the server says', (_, schema, value, taken) => {
    expect(both(schema, value)).toEqual([taken, taken]);
  });
});

import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import * as schemas from './index.js';
import { describeOnce, mostEntries, oversize, type Described } from './size.js';

const all = Object.entries(schemas as Readonly<Record<string, unknown>>).flatMap(([name, schema]) =>
  Joi.isSchema(schema) ? [[name, schema] as const] : [],
);

function* parts(d: Described, path: string): Generator<[string, Described]> {
  yield [path, d];
  for (const [key, child] of Object.entries(d.keys ?? {})) yield* parts(child, `${path}.${key}`);
  for (const child of d.items ?? []) yield* parts(child, `${path}[]`);
  for (const match of d.matches ?? []) if (match.schema) yield* parts(match.schema, path);
}

describe('sizes', () => {
  it('every list of the contract has a most, and every text is bounded', () => {
    expect(all.length).toBeGreaterThan(30);
    const everything = all.flatMap(([name, schema]) => [...parts(describeOnce(schema), name)]);
    const endless = everything.filter(([, d]) => d.type === 'array' && mostEntries(d) === Infinity).map(([p]) => p);
    expect(endless).toEqual([]);
    const bounded = (d: Described) =>
      d.flags?.['only'] === true || (d.rules ?? []).some((r) => ['max', 'length', 'guid', 'custom'].includes(r.name));
    expect(everything.filter(([, d]) => d.type === 'string' && !bounded(d)).map(([p]) => p)).toEqual([]);
  });

  const schema = Joi.object({
    list: Joi.array()
      .items(Joi.object({ inner: Joi.array().items(Joi.number()).max(2) }))
      .max(3),
  });

  it('are looked at before the contents', () => {
    expect(oversize(schema, { list: Array.from({ length: 4 }, () => 'not even an object') })).toEqual({
      path: 'list',
      message: 'Choose at most 3.',
    });
    expect(oversize(schema, { list: [{}, { inner: [1, 2, 3] }] })).toMatchObject({ path: 'list.1.inner' });
    expect(oversize(schema, { list: [{ inner: [1, 2] }, { inner: 'text' }, null] })).toBeNull();
  });

  it('count unknown fields too, and go no deeper than the schema', () => {
    const many = Object.fromEntries(Array.from({ length: 30 }, (_, i) => [`field${i}`, i]));
    expect(oversize(schema, many)).toMatchObject({ path: '' });
    expect(oversize(schema, { list: [many] })).toMatchObject({ path: 'list.0' });
    let deep: unknown = 1;
    for (let i = 0; i < 100_000; i++) deep = [deep];
    expect(oversize(schema, { other: deep, list: [deep] })).toBeNull();
    expect(oversize(schema, JSON.parse('{"__proto__":{"list":[1,2,3,4,5]}}'))).toBeNull();
  });
});

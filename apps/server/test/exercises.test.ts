import { EXERCISES } from '@yandle/core';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { exerciseBody } from './bodies.js';
import { harness, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const put = (id: string, over: object = {}) => h.agent.put(`/api/v1/own-exercises/${id}`).send(exerciseBody(over));
const list = async () =>
  (await h.agent.get('/api/v1/own-exercises').expect(200)).body as { id: string; name: string }[];

describe('own exercises', () => {
  it('are kept once, edited by version, and what they were stays', async () => {
    const id = uuid();
    for (let i = 0; i < 2; i++) await put(id).expect(200);
    await put(id, { version: 1, name: 'Second form' }).expect(200);
    await put(id, { version: 1, name: 'Third form' }).expect(409);
    const edited = await put(id, { version: 2, name: 'Third form', retired: true }).expect(200);
    expect(edited.body).toMatchObject({ version: 3, name: 'Third form', retired: true });
    const versions = (await h.agent.get(`/api/v1/own-exercises/${id}/versions`).expect(200)).body as {
      version: number;
      definition: { name: string };
    }[];
    expect(versions.map((v) => [v.version, v.definition.name])).toEqual([
      [2, 'Second form'],
      [1, exerciseBody().name],
    ]);
  });

  it('are refused when they do not make sense, with the field', async () => {
    const refused = await put(uuid(), {
      amount: { unit: 'seconds', min: 60, max: 30 },
      secondary: [exerciseBody().primary],
      optionalProps: exerciseBody().props,
      stages: [{ name: 'half', share: 0.5 }],
    }).expect(400);
    expect((refused.body as { errors: { path: string }[] }).errors.map((e) => e.path)).toEqual([
      'amount.max',
      'secondary',
      'optionalProps',
      'stages',
    ]);
  });

  it('belong to one studio', async () => {
    const id = uuid();
    await put(id, { name: 'Ours alone' }).expect(200);
    expect((await h.other.get('/api/v1/own-exercises').expect(200)).body).toEqual([]);
    await h.other.get(`/api/v1/own-exercises/${id}/versions`).expect(404);
    await h.other
      .put(`/api/v1/own-exercises/${id}`)
      .send(exerciseBody({ version: 1 }))
      .expect(404);
  });

  it('come in from a file, all or nothing, and the same file twice adds once', async () => {
    const before = (await list()).length;
    const exercises = EXERCISES.slice(0, 5).map(({ id: _, ...rest }) => rest);
    const file = { format: 'yandle-exercises', formatVersion: 1, exercises };
    const send = (body: object) => h.agent.post('/api/v1/own-exercises/import').send(body);
    const broken = { ...exercises[4]!, amount: { unit: 'seconds', min: 90, max: 30 } };
    const refused = await send({ ...file, exercises: [...exercises.slice(0, 4), broken] }).expect(400);
    expect((refused.body as { errors: { path: string }[] }).errors[0]!.path).toBe('exercises.4.amount.max');
    expect(await list()).toHaveLength(before);
    expect((await send(file).expect(200)).body).toEqual({ added: 5, same: 0 });
    expect((await send(file).expect(200)).body).toEqual({ added: 0, same: 5 });
    expect(await list()).toHaveLength(before + 5);
  });

  it('have a published schema', async () => {
    const r = await h.agent.get('/api/v1/own-exercises/schema').expect(200);
    expect(r.headers['content-type']).toContain('schema+json');
    expect(JSON.parse(r.text)).toMatchObject({ $schema: expect.stringContaining('2020-12') as string });
  });
});

import type { Block, FileImport, OwnStyle, OwnTemplate, StyleVersion } from '@yandle/contract';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { styleBody, templateBody } from './bodies.js';
import { aClient, blockBody, harness, laneBody, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

const put = (id: string, over: object = {}) => h.agent.put(`/api/v1/own-styles/${id}`).send(styleBody(over));
const phase = styleBody().phases[0]!;

describe('own styles', () => {
  it('are planned with like any other', async () => {
    const id = uuid();
    await put(id, { phases: [{ ...phase, start: { ...phase.start, sets: 1, holdSeconds: 40 } }] }).expect(200);
    const client = await aClient(h);
    const lanes = [laneBody('soleus', 'bent-knee-wall-calf', { styleId: `own-${id}` })];
    const block = (await h.agent.post(`/api/v1/clients/${client}/blocks`).send(blockBody({ lanes })).expect(201))
      .body as Block;
    expect(block.lanes[0]!.weeks[0]!).toMatchObject({
      styleId: `own-${id}`,
      prescription: { sets: 1, holdSeconds: 40 },
    });
    const other = (await h.other.get('/api/v1/own-styles').expect(200)).body as OwnStyle[];
    expect(other).toEqual([]);
  });

  it('keep what they were, and refuse a stale edit', async () => {
    const id = uuid();
    await put(id).expect(200);
    const second = (await put(id, { version: 1, name: 'Renamed' }).expect(200)).body as OwnStyle;
    expect(second).toMatchObject({ version: 2, name: 'Renamed' });
    await put(id, { version: 1, name: 'Late' }).expect(409);
    const versions = (await h.agent.get(`/api/v1/own-styles/${id}/versions`).expect(200)).body as StyleVersion[];
    expect(versions.map((v) => [v.version, v.definition.name])).toEqual([[1, 'Our hold']]);
    await h.other.get(`/api/v1/own-styles/${id}/versions`).expect(404);
  });

  it.each<[string, object]>([
    ['no phase', { phases: [] }],
    ['a target above 6', { phases: [{ ...phase, caps: { ...phase.caps, sensation: 8 } }] }],
    ['a cap below the start', { phases: [{ ...phase, caps: { ...phase.caps, holdSeconds: 20 } }] }],
    ['a variable the technique has not', { phases: [{ ...phase, order: ['effort'] }] }],
    ['a variable without a cap', { phases: [{ ...phase, caps: { sensation: 6 } }] }],
    ['a nerve glide', { phases: [{ ...phase, technique: 'nerve glide' }] }],
  ])('refuse %s', async (_, over) => {
    expect((await put(uuid(), over).expect(400)).body.code).toBe('validation');
  });

  it('travel as a file, once', async () => {
    const { version: _v, archived: _r, ...style } = styleBody({ name: 'From afar' });
    const file = { format: 'yandle-styles', formatVersion: 3, styles: [style] };
    const send = async () =>
      (await h.agent.post('/api/v1/own-styles/import').send(file).expect(200)).body as FileImport;
    expect(await send()).toEqual({ added: 1, same: 0 });
    expect(await send()).toEqual({ added: 0, same: 1 });
    await h.agent
      .post('/api/v1/own-styles/import')
      .send({ ...file, styles: [{ ...style, phases: [] }] })
      .expect(400);
    await h.agent
      .post('/api/v1/own-styles/import')
      .send({ ...file, format: 'other' })
      .expect(400);
  });
});

describe('templates', () => {
  it('are kept, changed by version and archived; those of a style that is not there are refused', async () => {
    const id = uuid();
    const send = (over: object = {}) => h.agent.put(`/api/v1/own-templates/${id}`).send(templateBody(over));
    await send().expect(200);
    expect((await send({ version: 1, archived: true }).expect(200)).body).toMatchObject({ version: 2, archived: true });
    await send({ version: 1 }).expect(409);
    const list = (await h.agent.get('/api/v1/own-templates').expect(200)).body as OwnTemplate[];
    expect(list.map((t) => t.name)).toContain('Our desk');
    expect((await h.other.get('/api/v1/own-templates').expect(200)).body).toEqual([]);
    const [lane] = templateBody().lanes;
    const strange = await h.agent
      .put(`/api/v1/own-templates/${uuid()}`)
      .send(templateBody({ lanes: [{ ...lane, styleId: 'own-none' }] }))
      .expect(400);
    expect(strange.body.errors[0].path).toBe('lanes.0.styleId');
  });

  it('travel as a file, once', async () => {
    const { version: _v, archived: _r, ...template } = templateBody({ name: 'From afar' });
    const file = { format: 'yandle-templates', formatVersion: 3, templates: [template] };
    const send = async () =>
      (await h.agent.post('/api/v1/own-templates/import').send(file).expect(200)).body as FileImport;
    expect(await send()).toEqual({ added: 1, same: 0 });
    expect(await send()).toEqual({ added: 0, same: 1 });
  });
});

import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aClient, clientBody, harness, type Harness } from './harness.js';

describe('clients', () => {
  let h: Harness;
  beforeAll(async () => (h = await harness()));
  afterAll(() => h.close());

  it('are created once, however often they are sent', async () => {
    const body = clientBody(h.coachId, { name: 'Once Only' });
    const first = await h.agent.post('/api/v1/clients').send(body).expect(201);
    const again = await h.agent.post('/api/v1/clients').send(body).expect(201);
    expect(again.body).toEqual(first.body);
    expect(first.body).toMatchObject({ version: 1, age: 46, archivedAt: null });
    const other = await h.agent
      .post('/api/v1/clients')
      .send({ ...body, name: 'Another' })
      .expect(409);
    expect(other.body.code).toBe('id-in-use');
    const twice = await Promise.all(
      [1, 2, 3].map(() => h.agent.post('/api/v1/clients').send(clientBody(h.coachId, { id: uuid() }))),
    );
    expect(twice.every((r) => r.status === 201)).toBe(true);
  });

  it('change by version: a stale edit gets the present state and changes nothing', async () => {
    const id = await aClient(h, { name: 'Versioned' });
    const { id: _, ...fields } = clientBody(h.coachId, { name: 'Renamed' });
    const saved = await h.agent
      .put(`/api/v1/clients/${id}`)
      .send({ ...fields, version: 1 })
      .expect(200);
    expect(saved.body).toMatchObject({ name: 'Renamed', version: 2 });
    const stale = await h.agent
      .put(`/api/v1/clients/${id}`)
      .send({ ...fields, name: 'Lost', version: 1 })
      .expect(409);
    expect(stale.body).toMatchObject({ code: 'stale-version', current: { name: 'Renamed', version: 2 } });
    expect((await h.agent.get(`/api/v1/clients/${id}`)).body.client.name).toBe('Renamed');
  });

  it('of two edits from the same version at the same moment one wins', async () => {
    const id = await aClient(h);
    const { id: _, ...fields } = clientBody(h.coachId);
    const both = await Promise.all(
      ['A', 'B'].map((name) => h.agent.put(`/api/v1/clients/${id}`).send({ ...fields, name, version: 1 })),
    );
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
  });

  it('are archived and brought back', async () => {
    const id = await aClient(h, { name: 'Zz Archived' });
    const names = async (archived: boolean) =>
      (await h.agent.get('/api/v1/clients').query({ archived })).body.items.map((c: { name: string }) => c.name);
    await h.agent.post(`/api/v1/clients/${id}/archive`).send({ version: 1 }).expect(200);
    expect(await names(false)).not.toContain('Zz Archived');
    expect(await names(true)).toContain('Zz Archived');
    await h.agent.post(`/api/v1/clients/${id}/restore`).send({ version: 2 }).expect(200);
    expect(await names(false)).toContain('Zz Archived');
  });

  it('come in pages without gap or repeat, and are found by name or aim', async () => {
    for (let i = 0; i < 7; i++) await aClient(h, { name: `Page ${i}`, aim: i === 3 ? 'a 100% _special_ aim' : 'x' });
    const seen: string[] = [];
    let cursor = '';
    do {
      const { body } = await h.agent.get('/api/v1/clients').query({ search: 'page', limit: 3, cursor }).expect(200);
      seen.push(...body.items.map((c: { name: string }) => c.name));
      cursor = body.nextCursor ?? '';
    } while (cursor);
    expect(seen).toEqual([0, 1, 2, 3, 4, 5, 6].map((i) => `Page ${i}`));
    const found = await h.agent.get('/api/v1/clients').query({ search: '100% _spec' });
    expect(found.body.items).toHaveLength(1);
    await h.agent.get('/api/v1/clients').query({ cursor: 'nonsense' }).expect(400);
    await h.agent.get('/api/v1/clients').query({ limit: 0 }).expect(400);
    await h.agent.get('/api/v1/clients').query({ other: 1 }).expect(400);
  });

  it('are refused with the field and what to do, and nothing is written', async () => {
    const before = (await h.source.query('SELECT COUNT(*) AS n FROM client'))[0].n;
    const bad = async (over: object, path: string) => {
      const { body } = await h.agent.post('/api/v1/clients').send(clientBody(h.coachId, over)).expect(400);
      expect(body.errors[0].path).toBe(path);
      expect(body.errors[0].message.length).toBeGreaterThan(5);
    };
    await bad({ birthDate: '2030-01-01' }, 'birthDate');
    await bad({ birthDate: '1901-01-01' }, 'birthDate');
    await bad({ leadCoachId: h.otherCoachId }, 'leadCoachId');
    await bad({ leadCoachId: uuid() }, 'leadCoachId');
    await bad({ name: '' }, 'name');
    await h.agent.post('/api/v1/clients').set('content-type', 'application/json').send('{"name":').expect(400);
    await h.agent.post('/api/v1/clients').set('content-type', 'application/json').send('[]').expect(400);
    await h.agent
      .post('/api/v1/clients')
      .set('content-type', 'application/json; charset=latin9')
      .send('{}')
      .expect(415);
    await h.agent
      .post('/api/v1/clients')
      .send({ notes: 'x'.repeat(300_000) })
      .expect(413);
    expect((await h.source.query('SELECT COUNT(*) AS n FROM client'))[0].n).toBe(before);
  });

  it('of another studio look like missing ones', async () => {
    const id = await aClient(h);
    const { id: _, ...fields } = clientBody(h.otherCoachId);
    for (const path of ['', '/assessments', '/blocks', '/sessions', '/progress']) {
      const theirs = await h.other.get(`/api/v1/clients/${id}${path}`).expect(404);
      const missing = await h.other.get(`/api/v1/clients/${uuid()}${path}`).expect(404);
      expect(theirs.body.detail).toBe(missing.body.detail);
    }
    await h.other
      .put(`/api/v1/clients/${id}`)
      .send({ ...fields, version: 1 })
      .expect(404);
    await h.other.post(`/api/v1/clients/${id}/archive`).send({ version: 1 }).expect(404);
    expect((await h.other.get('/api/v1/clients')).body.items).toEqual([]);
    await h.agent.get('/api/v1/clients/not-an-id').expect(404);
    await h.agent.get("/api/v1/clients/' OR 1=1").expect(404);
    await h.agent.get('/api/v1/clients/%E0%A4%A').expect(400);
  });
});

import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { OwnTest, Problem, TestCatalogueView } from '@yandle/contract';
import { CoachEntity } from '../src/accounts/entities.js';
import { hashPassword } from '../src/accounts/password.js';
import { errorBody, ownTestBody, studyBody } from './bodies.js';
import { aClient, harness, PASSWORD, signedIn, TODAY, type Harness } from './harness.js';

describe('the test catalogue', () => {
  let h: Harness;
  beforeAll(async () => (h = await harness()));
  afterAll(() => h.close());
  const catalogue = async () => (await h.agent.get('/api/v1/test-catalogue').expect(200)).body as TestCatalogueView;
  const put = (id: string, body: object) => h.agent.put(`/api/v1/own-tests/${id}`).send(body);

  it('takes an own test once, edits it by version, and shows a stale editor the present state', async () => {
    const id = uuid();
    await put(id, ownTestBody()).expect(200);
    const again = await put(id, ownTestBody()).expect(200);
    expect(again.body).toMatchObject({ id, version: 1, name: 'Wall slide', used: false });
    await put(id, ownTestBody({ name: 'Other' })).expect(409);
    const edited = await put(id, ownTestBody({ version: 1, name: 'Wall angel slide' })).expect(200);
    expect(edited.body).toMatchObject({ version: 2, name: 'Wall angel slide' });
    const stale = await put(id, ownTestBody({ version: 1 })).expect(409);
    expect((stale.body as Problem).current).toMatchObject({ version: 2, name: 'Wall angel slide' });
    expect((await catalogue()).ownTests.find((t) => t.id === id)?.version).toBe(2);
  });

  it('refuses a number without its origin, and numbers that contradict each other', async () => {
    const noSource = await put(uuid(), ownTestBody({ error: { sem: 1 } })).expect(400);
    expect((noSource.body as Problem).errors!.map((e) => e.path)).toContain('error.source');
    const upsideDown = await put(uuid(), ownTestBody({ plausible: { min: 60, max: 0 } })).expect(422);
    expect((upsideDown.body as Problem).code).toBe('computation');
  });

  it('takes readings of an own test, and then keeps what its number means', async () => {
    const id = uuid();
    await put(id, ownTestBody()).expect(200);
    const clientId = await aClient(h);
    const assessment = { id: uuid(), date: TODAY, time: '09:40', warm: false, note: '', battery: [`own-${id}`] };
    await h.agent.post(`/api/v1/clients/${clientId}/assessments`).send(assessment).expect(201);
    const reading = { testId: `own-${id}`, side: 'left', value: 12, instrument: 'tape', replaces: null };
    await h.agent.put(`/api/v1/assessments/${assessment.id}/readings/${uuid()}`).send(reading).expect(200);
    await h.agent
      .put(`/api/v1/assessments/${assessment.id}/readings/${uuid()}`)
      .send({ ...reading, value: 61 })
      .expect(400);
    const changed = await put(id, ownTestBody({ version: 1, better: 'more' })).expect(400);
    expect((changed.body as Problem).errors![0]!.path).toBe('better');
    // What moves the joint was never said: it may be, once.
    await put(id, ownTestBody({ version: 1, moved: 'active' })).expect(200);
    const other = await put(id, ownTestBody({ version: 2, moved: 'tester' })).expect(400);
    expect((other.body as Problem).errors![0]!.path).toBe('moved');
    const last = { version: 2, moved: 'active', steps: ['Slide up slowly.'], archived: true };
    await put(id, ownTestBody(last)).expect(200);
    expect((await catalogue()).ownTests.find((t) => t.id === id)).toMatchObject({ used: true, archived: true });
  });

  it('does not take another studio’s test or battery', async () => {
    const id = uuid();
    await put(id, ownTestBody()).expect(200);
    await h.other.put(`/api/v1/own-tests/${id}`).send(ownTestBody()).expect(409);
    await h.other
      .put(`/api/v1/own-tests/${id}`)
      .send(ownTestBody({ version: 1 }))
      .expect(404);
    const { ownTests } = (await h.other.get('/api/v1/test-catalogue')).body as { ownTests: OwnTest[] };
    expect(ownTests).toEqual([]);
    const battery = { version: null, name: 'B', about: '', testIds: [`own-${id}`], archived: false };
    const refused = await h.other.put(`/api/v1/own-batteries/${uuid()}`).send(battery).expect(400);
    expect((refused.body as Problem).errors![0]!.path).toBe('testIds.0');
    await h.agent.put(`/api/v1/own-batteries/${uuid()}`).send(battery).expect(200);
    expect((await catalogue()).batteries.map((b) => b.name)).toEqual(['B']);
  });

  it('adopts a coach’s own error: one stands, the earlier is kept, others are not touched', async () => {
    const study = uuid();
    await h.agent.put(`/api/v1/studies/${study}`).send(studyBody()).expect(200);
    const first = errorBody({ studyId: study });
    await h.agent.post('/api/v1/own-errors').send(first).expect(201);
    await h.agent.post('/api/v1/own-errors').send(first).expect(201);
    const second = errorBody({ sem: 0.8 });
    await h.agent.post('/api/v1/own-errors').send(second).expect(201);
    expect((await catalogue()).errors).toMatchObject([{ id: second.id, sem: 0.8, coachId: h.coachId, since: TODAY }]);
    const rows = await h.source.query('SELECT COUNT(*) AS n FROM own_error');
    expect(Number(rows[0].n)).toBe(2);
    await h.agent
      .post('/api/v1/own-errors')
      .send(errorBody({ testId: 'none' }))
      .expect(400);
    await h.agent
      .post('/api/v1/own-errors')
      .send(errorBody({ studyId: uuid() }))
      .expect(404);
    await h.other.post(`/api/v1/own-errors/${second.id}/withdraw`).expect(404);
    await h.agent.post(`/api/v1/own-errors/${second.id}/withdraw`).expect(204);
    await h.agent.post(`/api/v1/own-errors/${second.id}/withdraw`).expect(204);
    expect((await catalogue()).errors).toEqual([]);
  });

  it('leaves a study and an error to the coach whose they are', async () => {
    const study = uuid();
    await h.agent.put(`/api/v1/studies/${study}`).send(studyBody()).expect(200);
    const error = errorBody();
    await h.agent.post('/api/v1/own-errors').send(error).expect(201);
    const [{ studio }] = await h.source.query('SELECT studio_id AS studio FROM coach WHERE id = ?', [h.coachId]);
    await h.source.manager.insert(CoachEntity, {
      id: uuid(),
      studioId: studio as string,
      name: 'Second',
      email: 'second@studio.example',
      passwordHash: await hashPassword(PASSWORD),
    });
    const second = await signedIn(h.app, 'second@studio.example');
    await second
      .put(`/api/v1/studies/${study}`)
      .send(studyBody({ version: 1 }))
      .expect(409);
    await second.post(`/api/v1/own-errors/${error.id}/withdraw`).expect(409);
    await second
      .post('/api/v1/own-errors')
      .send(errorBody({ sem: 1.5 }))
      .expect(201);
    expect((await catalogue()).errors.map((e) => e.sem).sort()).toEqual([0.61, 1.5]);
  });
});

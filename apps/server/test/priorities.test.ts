import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { PrioritiesView, Problem, Today } from '@yandle/contract';
import { aClient, harness, TODAY, type Harness } from './harness.js';

describe('goals, complaints and decisions', () => {
  let h: Harness;
  let clientId: string;
  beforeAll(async () => {
    h = await harness();
    clientId = await aClient(h);
  });
  afterAll(() => h.close());
  const path = (rest: string) => `/api/v1/clients/${clientId}/${rest}`;
  const goal = (over: object = {}) => ({
    testId: 'finger-to-floor',
    value: 0,
    due: null,
    words: 'touch my toes',
    ...over,
  });
  const selfReports = (over: object = {}) => ({
    date: TODAY,
    region: 'low-back',
    kind: 'complaint',
    moment: 'day',
    score: 4,
    habits: ['sitting'],
    ...over,
  });
  const priorities = (over: object = {}) => ({
    version: null,
    interests: [{ group: 'hamstrings', coach: 1, client: 3 }],
    pinned: ['calf'],
    excluded: [{ group: 'lats', reason: 'rests this block' }],
    order: [],
    quickCheck: ['weight-bearing-lunge', 'active-knee-extension'],
    ...over,
  });

  it('keep one current goal a test; a new one ends the earlier', async () => {
    const first = uuid();
    await h.agent
      .put(path(`goals/${first}`))
      .send(goal())
      .expect(200);
    await h.agent
      .put(path(`goals/${first}`))
      .send(goal())
      .expect(200);
    const { body } = await h.agent
      .put(path(`goals/${uuid()}`))
      .send(goal({ value: -5, due: '2026-06-01' }))
      .expect(200);
    expect((body as PrioritiesView).goals.map((g) => [g.value, g.due, g.endedOn])).toEqual([
      [0, null, TODAY],
      [-5, '2026-06-01', null],
    ]);
    const current = (body as PrioritiesView).goals[1]!.id;
    await h.agent.post(`/api/v1/goals/${current}/end`).expect(200);
    const again = await h.agent.post(`/api/v1/goals/${current}/end`).expect(200);
    expect((again.body as PrioritiesView).goals[1]!.endedOn).toBe(TODAY);
    await h.other.post(`/api/v1/goals/${current}/end`).expect(404);
    const bad = async (over: object, field: string) => {
      const res = await h.agent
        .put(path(`goals/${uuid()}`))
        .send(goal(over))
        .expect(400);
      expect((res.body as Problem).errors![0]!.path).toBe(field);
    };
    await bad({ value: 300 }, 'value');
    await bad({ due: TODAY }, 'due');
    await bad({ testId: 'jump' }, 'testId');
  });

  it('keep what the client says, day by day, unchanged', async () => {
    const id = uuid();
    await h.agent
      .put(path(`self-reports/${id}`))
      .send(selfReports())
      .expect(200);
    await h.agent
      .put(path(`self-reports/${id}`))
      .send(selfReports({ score: 9 }))
      .expect(409);
    const { body } = await h.agent
      .put(path(`self-reports/${uuid()}`))
      .send(selfReports({ date: '2026-03-02', score: 6 }))
      .expect(200);
    expect((body as PrioritiesView).selfReports.map((f) => f.score)).toEqual([4, 6]);
    const future = await h.agent
      .put(path(`self-reports/${uuid()}`))
      .send(selfReports({ date: '2026-03-10' }))
      .expect(400);
    expect((future.body as Problem).errors![0]!.path).toBe('date');
    await h.other
      .put(path(`self-reports/${uuid()}`))
      .send(selfReports())
      .expect(404);
  });

  it('keep decisions by version: a stale tab gets the present state', async () => {
    const empty = (await h.agent.get(path('priorities')).expect(200)).body as PrioritiesView;
    expect(empty.priorities.version).toBeNull();
    await h.agent.put(path('priorities')).send(priorities()).expect(200);
    await h.agent.put(path('priorities')).send(priorities()).expect(200);
    const other = await h.agent
      .put(path('priorities'))
      .send(priorities({ pinned: [] }))
      .expect(409);
    expect((other.body as Problem).current).toMatchObject({ version: 1, pinned: ['calf'] });
    const { body } = await h.agent
      .put(path('priorities'))
      .send(priorities({ version: 1, pinned: [] }))
      .expect(200);
    expect((body as PrioritiesView).priorities).toMatchObject({
      version: 2,
      pinned: [],
      excluded: [{ group: 'lats' }],
    });
    await h.agent
      .put(path('priorities'))
      .send(priorities({ version: 1 }))
      .expect(409);
    const wrong = await h.agent
      .put(path('priorities'))
      .send(priorities({ version: 2, quickCheck: ['jump'] }))
      .expect(400);
    expect((wrong.body as Problem).errors![0]!.path).toBe('quickCheck.0');
    await h.other.get(path('priorities')).expect(404);
    await h.other.put(path('priorities')).send(priorities()).expect(404);
  });

  it('put a client on Today a week after the last assessment, when there is a weekly quick check', async () => {
    const checks = async () => ((await h.agent.get('/api/v1/today')).body as Today).quickChecks;
    const id = await aClient(h, { name: 'Weekly Wanda' });
    const body = priorities({ pinned: [], excluded: [], interests: [] });
    await h.agent.put(`/api/v1/clients/${id}/priorities`).send(body).expect(200);
    expect(await checks()).toContainEqual({ clientId: id, clientName: 'Weekly Wanda', last: null });
    const assessment = {
      id: uuid(),
      date: '2026-03-03',
      time: '09:40',
      warm: false,
      note: '',
      battery: body.quickCheck,
    };
    await h.agent.post(`/api/v1/clients/${id}/assessments`).send(assessment).expect(201);
    const reading = { testId: body.quickCheck[0], side: 'left', value: 9, instrument: 'tape', replaces: null };
    await h.agent.put(`/api/v1/assessments/${assessment.id}/readings/${uuid()}`).send(reading).expect(200);
    // Six days ago: not yet.
    expect((await checks()).map((c) => c.clientId)).not.toContain(id);
    h.clock.now = new Date('2026-03-10T08:00:00.000Z');
    expect(await checks()).toContainEqual({ clientId: id, clientName: 'Weekly Wanda', last: '2026-03-03' });
  });
});

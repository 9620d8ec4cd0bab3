import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aClient, harness, TODAY, type Harness } from './harness.js';

describe('assessments', () => {
  let h: Harness;
  let clientId: string;
  beforeAll(async () => {
    h = await harness();
    clientId = await aClient(h);
  });
  afterAll(() => h.close());

  const assessment = (over: object = {}) => ({
    id: uuid(),
    date: TODAY,
    time: '09:40',
    warm: false,
    note: '',
    battery: ['active-knee-extension'],
    ...over,
  });
  const reading = (over: object = {}) => ({
    testId: 'active-knee-extension',
    side: 'left',
    value: 31,
    instrument: 'goniometer',
    replaces: null,
    ...over,
  });
  const begin = async () => {
    const body = assessment();
    await h.agent.post(`/api/v1/clients/${clientId}/assessments`).send(body).expect(201);
    return body.id;
  };

  it('are begun once and keep who measured, when and how', async () => {
    const body = assessment();
    const first = await h.agent.post(`/api/v1/clients/${clientId}/assessments`).send(body).expect(201);
    const again = await h.agent.post(`/api/v1/clients/${clientId}/assessments`).send(body).expect(201);
    expect(again.body).toEqual(first.body);
    expect(first.body).toMatchObject({ date: TODAY, time: '09:40', warm: false, testerId: h.coachId, readings: [] });
    await h.agent
      .post(`/api/v1/clients/${clientId}/assessments`)
      .send({ ...body, warm: true })
      .expect(409);
  });

  it('take readings one by one, each stored once, to two decimals', async () => {
    const id = await begin();
    const one = uuid();
    await h.agent
      .put(`/api/v1/assessments/${id}/readings/${one}`)
      .send(reading({ value: 31.25 }))
      .expect(200);
    await h.agent
      .put(`/api/v1/assessments/${id}/readings/${one}`)
      .send(reading({ value: 31.25 }))
      .expect(200);
    await h.agent
      .put(`/api/v1/assessments/${id}/readings/${one}`)
      .send(reading({ value: 32 }))
      .expect(409);
    const { body } = await h.agent.get(`/api/v1/assessments/${id}`).expect(200);
    expect(body.readings).toHaveLength(1);
    expect(body.readings[0]).toMatchObject({ id: one, value: 31.25, side: 'left', replacedBy: null });
  });

  it('keep the earlier value of a corrected reading', async () => {
    const id = await begin();
    const [first, second, third] = [uuid(), uuid(), uuid()];
    await h.agent
      .put(`/api/v1/assessments/${id}/readings/${first}`)
      .send(reading({ value: 13 }))
      .expect(200);
    await h.agent
      .put(`/api/v1/assessments/${id}/readings/${second}`)
      .send(reading({ value: 31, replaces: first }))
      .expect(200);
    const twice = await h.agent
      .put(`/api/v1/assessments/${id}/readings/${third}`)
      .send(reading({ replaces: first }))
      .expect(400);
    expect(twice.body.errors[0].path).toBe('replaces');
    const { body } = await h.agent.get(`/api/v1/assessments/${id}`);
    expect(body.readings.map((t: { value: number; replacedBy: string | null }) => [t.value, t.replacedBy])).toEqual([
      [13, second],
      [31, null],
    ]);
  });

  it('refuse what cannot be', async () => {
    const id = await begin();
    const bad = async (over: object, path: string) => {
      const { body } = await h.agent
        .put(`/api/v1/assessments/${id}/readings/${uuid()}`)
        .send(reading(over))
        .expect(400);
      expect(body.errors[0].path).toBe(path);
    };
    await bad({ value: 150 }, 'value');
    await bad({ side: null }, 'side');
    await bad({ testId: 'none' }, 'testId');
    await bad({ replaces: uuid() }, 'replaces');
    for (let i = 0; i < 5; i++)
      await h.agent
        .put(`/api/v1/assessments/${id}/readings/${uuid()}`)
        .send(reading({ value: 20 + i * 10 }))
        .expect(200);
    await bad({}, 'value');
    const future = await h.agent
      .post(`/api/v1/clients/${clientId}/assessments`)
      .send(assessment({ date: '2026-03-10' }))
      .expect(400);
    expect(future.body.errors[0].path).toBe('date');
    await h.agent
      .post(`/api/v1/clients/${clientId}/assessments`)
      .send(assessment({ date: '1979-01-01' }))
      .expect(400);
  });

  it('of another studio cannot be read or written', async () => {
    const id = await begin();
    await h.other.get(`/api/v1/assessments/${id}`).expect(404);
    await h.other.put(`/api/v1/assessments/${id}/readings/${uuid()}`).send(reading()).expect(404);
    await h.other.post(`/api/v1/clients/${clientId}/assessments`).send(assessment()).expect(404);
  });
});

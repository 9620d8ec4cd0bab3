import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Assessment } from '@yandle/contract';
import { aClient, harness, PASSWORD, TODAY, type Harness } from './harness.js';

describe('what happens at the bench', () => {
  let h: Harness;
  let clientId: string;
  let assessmentId: string;
  beforeAll(async () => {
    h = await harness();
    clientId = await aClient(h);
  });
  afterAll(() => h.close());
  const begin = async () => {
    assessmentId = uuid();
    await h.agent
      .post(`/api/v1/clients/${clientId}/assessments`)
      .send({ id: assessmentId, date: TODAY, time: '09:40', warm: false, note: '', battery: ['neck-rotation'] })
      .expect(201);
  };
  const reading = (over: object = {}) =>
    h.agent
      .put(`/api/v1/assessments/${assessmentId}/readings/${uuid()}`)
      .send({ testId: 'neck-rotation', side: 'left', value: 60, instrument: 'goniometer', replaces: null, ...over });
  const event = (over: object = {}, id = uuid()) =>
    h.agent
      .put(`/api/v1/assessments/${assessmentId}/events/${id}`)
      .send({ testId: 'neck-rotation', kind: 'stopped', side: 'left', symptom: 'dizziness', reason: '', ...over });
  const state = async () => (await h.agent.get(`/api/v1/assessments/${assessmentId}`)).body as Assessment;

  it('a symptom ends a test: no more readings, corrections still, until it is taken back', async () => {
    await begin();
    const first = (await reading().expect(200)).body as Assessment;
    const id = uuid();
    await event({}, id).expect(200);
    await event({}, id).expect(200);
    expect((await state()).events).toHaveLength(1);
    expect((await reading().expect(409)).body).toMatchObject({ code: 'conflict' });
    await reading({ value: 61, replaces: first.readings[0]!.id }).expect(200);
    await event({ kind: 'resumed', symptom: null, reason: 'wrong button' }).expect(200);
    await reading({ side: 'right' }).expect(200);
    expect((await state()).events.map((e) => e.kind)).toEqual(['stopped', 'resumed']);
  });

  it('a test is skipped with its reason; a stop needs what was felt', async () => {
    await begin();
    const skipped = await event({ kind: 'skipped', side: null, symptom: null, reason: 'cannot lie prone' }).expect(200);
    expect((skipped.body as Assessment).events[0]).toMatchObject({ kind: 'skipped', reason: 'cannot lie prone' });
    await event({ symptom: null }).expect(400);
    await event({ kind: 'skipped' }).expect(400);
    await event({ testId: 'none' }).expect(400);
  });

  it('conditions of one reading may differ from the assessment’s', async () => {
    await begin();
    const { body } = await reading({ warm: true, testerId: h.coachId }).expect(200);
    expect((body as Assessment).readings[0]).toMatchObject({ warm: true, testerId: h.coachId });
    await reading({ testerId: h.otherCoachId }).expect(400);
  });

  it('the Beighton score keeps nine items, the newest look stands', async () => {
    await begin();
    const put = (items: unknown) =>
      h.agent.put(`/api/v1/assessments/${assessmentId}/beighton/${uuid()}`).send({ items });
    await put(Array(9).fill(false)).expect(200);
    const second = [true, true, null, null, false, false, false, false, true];
    expect(((await put(second).expect(200)).body as Assessment).beighton).toEqual(second);
    await put([true]).expect(400);
    await put(Array(9).fill('yes')).expect(400);
  });

  it('a picture is attached only as a picture, and stays in the studio', async () => {
    await begin();
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    );
    const id = uuid();
    const path = `/api/v1/assessments/${assessmentId}/pictures/${id}?testId=neck-rotation&side=left`;
    await h.agent.put(path).set('content-type', 'image/png').send(png).expect(204);
    await h.agent.put(path).set('content-type', 'image/png').send(png).expect(204);
    expect((await state()).pictures).toEqual([{ id, testId: 'neck-rotation', side: 'left' }]);
    const got = await h.agent.get(`/api/v1/pictures/${id}`).expect(200);
    expect(got.headers['content-type']).toContain('image/png');
    expect(got.body).toEqual(png);
    await h.other.get(`/api/v1/pictures/${id}`).expect(404);
    await h.other.delete(`/api/v1/pictures/${id}`).expect(204);
    await h.agent.get(`/api/v1/pictures/${id}`).expect(200);
    await h.agent.delete(`/api/v1/pictures/${id}`).expect(204);
    await h.agent.get(`/api/v1/pictures/${id}`).expect(404);
    const other = `/api/v1/assessments/${assessmentId}/pictures/${uuid()}?testId=neck-rotation`;
    await h.agent.put(other).set('content-type', 'image/png').send(Buffer.from('<script>')).expect(415);
    await h.agent.put(other).send({}).expect(415);
    await h.agent.put(other).set('content-type', 'image/png').send(Buffer.alloc(3_100_000, 1)).expect(413);
    await h.agent
      .put(`/api/v1/assessments/${assessmentId}/pictures/${uuid()}?testId=none`)
      .set('content-type', 'image/png')
      .send(png)
      .expect(400);
  });

  it('the simulated inclinometer streams 20 samples a second of what is set', async () => {
    const settings = { trueAngle: 35, tremor: 0, driftPerMinute: 0, settling: 0, dropOuts: 0 };
    await h.agent.put('/api/v1/devices/inclinometer').send(settings).expect(200);
    expect((await h.agent.get('/api/v1/devices/inclinometer')).body).toEqual({ settings });
    const server = h.app.listen(0, '127.0.0.1');
    await once(server, 'listening');
    const { port } = server.address() as AddressInfo;
    const signIn = await fetch(`http://127.0.0.1:${port}/api/v1/sign-in`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: 'first@studio.example', password: PASSWORD }),
    });
    const stop = new AbortController();
    const res = await fetch(`http://127.0.0.1:${port}/api/v1/devices/inclinometer/stream`, {
      headers: { cookie: signIn.headers.get('set-cookie')!.split(';')[0]! },
      signal: stop.signal,
    });
    expect(res.headers.get('content-type')).toBe('text/event-stream');
    const reader = res.body!.pipeThrough(new TextDecoderStream()).getReader();
    let text = '';
    while (text.split('\n\n').length < 7) text += (await reader.read()).value ?? '';
    stop.abort();
    server.closeAllConnections();
    server.close();
    const samples = [...text.matchAll(/data: (\{.*\})/g)].map(
      (m) => JSON.parse(m[1]!) as { at: number; degrees: number },
    );
    expect(samples.every((s) => s.degrees === 35)).toBe(true);
    expect(samples[5]!.at - samples[0]!.at).toBeGreaterThanOrEqual(200);
    // Another studio has another device.
    expect((await h.other.get('/api/v1/devices/inclinometer')).body.settings.trueAngle).not.toBe(35);
  });
});

import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Block, Progress, Session, SessionSummary, Today } from '@yandle/contract';
import { aClient, blockBody, harness, laneBody, newApp, signedIn, TODAY, type Harness } from './harness.js';

describe('from a block to what came of it', () => {
  let h: Harness;
  beforeAll(async () => (h = await harness()));
  afterAll(() => h.close());

  const plan = async (clientId: string, over: object = {}) =>
    (await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody(over)).expect(201)).body as Block;
  const sessionsOf = async (clientId: string) =>
    (await h.agent.get(`/api/v1/clients/${clientId}/sessions`).expect(200)).body as SessionSummary[];
  const startRun = async (sessionId: string) => {
    const id = uuid();
    await h.agent
      .post(`/api/v1/sessions/${sessionId}/runs`)
      .send({ id, startedAt: h.clock.now.toISOString() })
      .expect(201);
    return id;
  };
  const log = (over: object = {}) => ({
    item: 0,
    side: 'left',
    set: 1,
    plannedSeconds: 30,
    doneSeconds: 30,
    replaces: null,
    ...over,
  });

  it('plans a block with its dated sessions and retests', async () => {
    const clientId = await aClient(h);
    const block = await plan(clientId);
    expect(block).toMatchObject({ revision: 1, version: 1, endDate: '2026-05-03', changeableFrom: 1 });
    // The worked example of docs/calculations.md.
    expect(block.lanes[0]!.weeks.map((w) => w.dose)).toEqual([180, 210, 240, 120, 270, 315, 360, 240]);
    expect(block.retests.map((r) => r.week)).toEqual([1, 4, 8]);
    const sessions = await sessionsOf(clientId);
    expect(sessions).toHaveLength(24);
    expect(sessions[0]).toMatchObject({ date: TODAY, week: 1, status: 'planned', totalSeconds: 434 });
    const path = (await h.agent.get(`/api/v1/clients/${clientId}`)).body;
    expect(path).toMatchObject({ block: { week: 1, of: 8 }, nextSession: { date: TODAY }, nextRetest: '2026-03-08' });
  });

  it('starts on the tighter side when a measurement says so', async () => {
    const clientId = await aClient(h);
    const assessment = uuid();
    await h.agent
      .post(`/api/v1/clients/${clientId}/assessments`)
      .send({ id: assessment, date: TODAY, time: '09:00', warm: false, note: '', battery: ['weight-bearing-lunge'] })
      .expect(201);
    for (const [side, value] of [
      ['left', 10],
      ['right', 6],
    ])
      await h.agent
        .put(`/api/v1/assessments/${assessment}/readings/${uuid()}`)
        .send({ testId: 'weight-bearing-lunge', side, value, instrument: 'tape', replaces: null })
        .expect(200);
    await plan(clientId);
    const [first] = await sessionsOf(clientId);
    const session = (await h.agent.get(`/api/v1/sessions/${first!.id}`)).body as Session;
    expect(session.items.map((i) => [i.exerciseId, i.firstSide])).toEqual([
      ['bent-knee-wall-calf', 'right'],
      ['supine-strap-hamstring', 'left'],
    ]);
  });

  it('does not plan for who has not been asked or needs a professional first', async () => {
    for (const screening of ['open', 'refer']) {
      const clientId = await aClient(h, { screening });
      const { body } = await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody()).expect(409);
      expect(body.code).toBe('screening-blocks-planning');
    }
    const cleared = await aClient(h, { screening: 'cleared', screeningNote: 'Dr Imagined, 2 March' });
    await plan(cleared);
  });

  it('is planned once, and only one at a time', async () => {
    const clientId = await aClient(h);
    const body = blockBody();
    const first = await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(body).expect(201);
    expect((await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(body).expect(201)).body).toEqual(first.body);
    await h.agent
      .post(`/api/v1/clients/${clientId}/blocks`)
      .send({ ...body, weeks: 9 })
      .expect(409);
    const second = await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody()).expect(409);
    expect(second.body.detail).toContain('End it first');
    expect(await sessionsOf(clientId)).toHaveLength(24);
    await h.agent.post(`/api/v1/blocks/${first.body.id}/end`).send({ version: 1 }).expect(200);
    await plan(clientId);
    expect((await h.agent.get(`/api/v1/clients/${clientId}/blocks`)).body).toHaveLength(2);
  });

  it('refuses an exercise of another group, and leaves nothing behind', async () => {
    const clientId = await aClient(h);
    const lanes = [laneBody('soleus', 'doorway-pectorals')];
    const { body } = await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody({ lanes })).expect(400);
    expect(body.errors[0].path).toBe('lanes.0.exercises.0.exerciseId');
    expect((await h.agent.get(`/api/v1/clients/${clientId}/blocks`)).body).toEqual([]);
  });

  it('is planned anew by version, with every earlier state kept', async () => {
    const clientId = await aClient(h);
    const block = await plan(clientId);
    const change = { ...block.choices, weeks: 6, ramp: 0.1, easierEvery: null, reason: 'Shorter' };
    const send = (version: number) => h.agent.put(`/api/v1/blocks/${block.id}`).send({ ...change, version });
    const anew = (await send(1).expect(200)).body as Block;
    expect(anew).toMatchObject({ revision: 2, version: 2, weeks: 6, choices: { easierEvery: null } });
    const stale = await send(1).expect(409);
    expect(stale.body).toMatchObject({ code: 'stale-version', current: { version: 2, choices: { weeks: 6 } } });
    // At 10 % nothing fits 180 s for two weeks; then the smallest step, a day more with 25 s: 3 × 3 + 3 × 4 sessions.
    expect(await sessionsOf(clientId)).toHaveLength(21);
  });

  it('logs sets once each, keeps what is redone, and finishes', async () => {
    const clientId = await aClient(h);
    await plan(clientId);
    const [first] = await sessionsOf(clientId);
    const run = await startRun(first!.id);
    const one = uuid();
    await h.agent
      .put(`/api/v1/runs/${run}/sets/${one}`)
      .send(log({ doneSeconds: 12 }))
      .expect(200);
    await h.agent
      .put(`/api/v1/runs/${run}/sets/${one}`)
      .send(log({ doneSeconds: 12 }))
      .expect(200);
    await h.agent.put(`/api/v1/runs/${run}/sets/${uuid()}`).send(log()).expect(400);
    await h.agent
      .put(`/api/v1/runs/${run}/sets/${uuid()}`)
      .send(log({ replaces: one }))
      .expect(200);
    await h.agent
      .put(`/api/v1/runs/${run}/sets/${uuid()}`)
      .send(log({ side: 'right', doneSeconds: 20 }))
      .expect(200);
    for (const [over, path] of [
      [{ item: 5 }, 'item'],
      [{ side: null }, 'side'],
      [{ set: 3 }, 'set'],
      [{ set: 2, replaces: uuid() }, 'replaces'],
    ] as const) {
      const { body } = await h.agent.put(`/api/v1/runs/${run}/sets/${uuid()}`).send(log(over)).expect(400);
      expect(body.errors[0].path).toBe(path);
    }
    const end = { endedAt: new Date(h.clock.now.getTime() + 600_000).toISOString(), sensation: 5, note: 'went well' };
    const done = (await h.agent.post(`/api/v1/runs/${run}/finish`).send(end).expect(200)).body as Session;
    await h.agent.post(`/api/v1/runs/${run}/finish`).send(end).expect(200);
    await h.agent
      .post(`/api/v1/runs/${run}/finish`)
      .send({ ...end, sensation: 9 })
      .expect(409);
    expect(done).toMatchObject({ status: 'done', run: { sensation: 5, note: 'went well' } });
    expect(done.run!.sets.filter((s) => s.replacedBy === null).map((s) => [s.side, s.doneSeconds])).toEqual([
      ['left', 30],
      ['right', 20],
    ]);

    const progress = (await h.agent.get(`/api/v1/clients/${clientId}/progress`)).body as Progress;
    expect(progress.dose!.rows).toEqual([
      { week: 1, group: 'soleus', planned: { left: 180, right: 180 }, done: { left: 30, right: 20 }, ratio: 50 / 360 },
      { week: 1, group: 'hamstrings', planned: { left: 180, right: 180 }, done: { left: 0, right: 0 }, ratio: 0 },
    ]);
    expect(progress.sensations).toEqual([{ date: TODAY, sensation: 5 }]);
  });

  it('holds an exercise after a stop sign until a coach clears it', async () => {
    const clientId = await aClient(h, { name: 'Symptom' });
    await plan(clientId);
    const [first, second] = await sessionsOf(clientId);
    const run = await startRun(first!.id);
    const symptom = uuid();
    const felt = { item: 1, side: 'right', symptom: 'numbness' };
    await h.agent.put(`/api/v1/runs/${run}/symptoms/${symptom}`).send(felt).expect(200);
    await h.agent.put(`/api/v1/runs/${run}/symptoms/${symptom}`).send(felt).expect(200);
    // The exercise is left out of the next session, which tells of it, and the rest goes on.
    const next = (await h.agent.get(`/api/v1/sessions/${second!.id}`).expect(200)).body as Session;
    expect(next.openSymptoms).toMatchObject([{ id: symptom, exerciseId: next.items[1]!.exerciseId, clearedAt: null }]);
    const today = (await h.agent.get('/api/v1/today')).body as Today;
    expect(today.symptoms.map((s) => [s.clientName, s.symptom])).toEqual([['Symptom', 'numbness']]);
    await h.other.post(`/api/v1/symptoms/${symptom}/clear`).send({ note: 'x' }).expect(404);
    await h.agent.post(`/api/v1/symptoms/${symptom}/clear`).send({ note: '' }).expect(400);
    await h.agent.post(`/api/v1/symptoms/${symptom}/clear`).send({ note: 'gone at once, strap was tight' }).expect(200);
    await startRun(second!.id);
    expect(((await h.agent.get('/api/v1/today')).body as Today).symptoms).toEqual([]);
  });

  it('keeps sessions and runs inside the studio', async () => {
    const clientId = await aClient(h);
    const block = await plan(clientId);
    const [first] = await sessionsOf(clientId);
    const run = await startRun(first!.id);
    await h.other.get(`/api/v1/sessions/${first!.id}`).expect(404);
    await h.other
      .post(`/api/v1/sessions/${first!.id}/runs`)
      .send({ id: uuid(), startedAt: h.clock.now.toISOString() })
      .expect(404);
    await h.other.put(`/api/v1/runs/${run}/sets/${uuid()}`).send(log()).expect(404);
    await h.other
      .put(`/api/v1/runs/${run}/symptoms/${uuid()}`)
      .send({ item: 0, side: 'left', symptom: 'other' })
      .expect(404);
    await h.other
      .post(`/api/v1/runs/${run}/finish`)
      .send({ endedAt: h.clock.now.toISOString(), sensation: null, note: '' })
      .expect(404);
    await h.other.post(`/api/v1/blocks/${block.id}/end`).send({ version: 1 }).expect(404);
    const { id: _, ...body } = blockBody();
    await h.other
      .put(`/api/v1/blocks/${block.id}`)
      .send({ ...body, version: 1 })
      .expect(404);
  });

  it('knows how long before an assessment the last session was', async () => {
    const clientId = await aClient(h);
    await plan(clientId);
    const [first] = await sessionsOf(clientId);
    const run = await startRun(first!.id);
    // 09:00 in Vienna; the assessment is at 12:00 the same day.
    await h.agent
      .post(`/api/v1/runs/${run}/finish`)
      .send({ endedAt: h.clock.now.toISOString(), sensation: 5, note: '' })
      .expect(200);
    const { body } = await h.agent
      .post(`/api/v1/clients/${clientId}/assessments`)
      .send({ id: uuid(), date: TODAY, time: '12:00', warm: true, note: '', battery: ['weight-bearing-lunge'] })
      .expect(201);
    expect(body.hoursSinceSession).toBe(3);
  });

  it('shows today: sessions, retests, who waits, and not the archived', async () => {
    const waiting = await aClient(h, { name: 'Aa Waiting', screening: 'refer', screeningNote: 'dizzy' });
    const gone = await aClient(h, { name: 'Aa Gone' });
    await plan(gone);
    await h.agent.post(`/api/v1/clients/${gone}/archive`).send({ version: 1 }).expect(200);
    const today = (await h.agent.get('/api/v1/today')).body as Today;
    expect(today.date).toBe(TODAY);
    expect(today.clearances).toContainEqual({ clientId: waiting, clientName: 'Aa Waiting', note: 'dizzy' });
    expect(today.sessions.some((s) => s.clientId === gone)).toBe(false);
    expect(today.sessions.every((s) => s.date >= TODAY && s.date <= '2026-03-15')).toBe(true);
    expect(today.retests.every((r) => r.week === 1)).toBe(true);
    expect(((await h.other.get('/api/v1/today')).body as Today).sessions).toEqual([]);
  });

  it('is all there after a restart', async () => {
    const clientId = await aClient(h, { name: 'Restarted' });
    await plan(clientId);
    const before = await h.agent.get(`/api/v1/clients/${clientId}/progress`);
    const restarted = newApp(h.source, { now: () => h.clock.now });
    const agent = await signedIn(restarted, 'first@studio.example');
    expect((await agent.get(`/api/v1/clients/${clientId}/progress`)).body).toEqual(before.body);
  });
});

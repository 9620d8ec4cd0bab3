import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LateLog, NewPhoneLink, Session, SessionSummary, SharedBlock } from '@yandle/contract';
import { intakeBody } from './bodies.js';
import { aClient, blockBody, harness, NOW, TODAY, type Harness } from './harness.js';

describe('a client’s phone', () => {
  let h: Harness;
  beforeAll(async () => (h = await harness()));
  afterAll(() => h.close());

  type Phone = ReturnType<typeof request.agent>;
  const makeLink = async (clientId: string) =>
    (await h.agent.post(`/api/v1/clients/${clientId}/phone-link`).send({}).expect(201)).body as NewPhoneLink;
  async function aPhone(clientId: string): Promise<Phone> {
    const { token } = await makeLink(clientId);
    const phone = request.agent(h.app);
    await phone.post('/api/v1/shared/open').send({ token }).expect(200);
    return phone;
  }
  async function planned(): Promise<{ clientId: string; blockId: string; sessions: SessionSummary[] }> {
    const clientId = await aClient(h);
    const block = (await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody()).expect(201)).body;
    const sessions = (await h.agent.get(`/api/v1/clients/${clientId}/sessions`)).body as SessionSummary[];
    return { clientId, blockId: block.id, sessions };
  }
  const block = async (phone: Phone) => (await phone.get('/api/v1/shared/block').expect(200)).body as SharedBlock;
  const session = async (id: string) => (await h.agent.get(`/api/v1/sessions/${id}`).expect(200)).body as Session;
  const startBody = (s: Session, id = uuid()) => ({
    id,
    startedAt: h.clock.now.toISOString(),
    snapshot: { date: s.date, purpose: s.purpose, alreadyWarm: s.alreadyWarm, rounds: s.rounds, items: s.items },
  });
  const setBody = { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 30, replaces: null };
  const finishBody = {
    endedAt: new Date(NOW.getTime() + 600_000).toISOString(),
    sensation: 5,
    feltTighter: 'left',
    note: '',
  };
  const late = async (clientId: string) =>
    (await h.agent.get(`/api/v1/clients/${clientId}/late-logs`).expect(200)).body as LateLog[];

  it('opens with its link, sees its own block only, and nothing without one', async () => {
    const { clientId } = await planned();
    const phone = await aPhone(clientId);
    const seen = await block(phone);
    expect(seen).toMatchObject({ firstName: 'Ottoline', today: TODAY, onHold: null });
    expect(seen.sessions[0]).toMatchObject({ date: TODAY, status: 'planned', clientId });
    expect(seen.sessions.every((s) => s.clientId === clientId && s.date <= '2026-04-06')).toBe(true);
    // The cookie opens nothing of the coach's, and no name but the first is told.
    await phone.get(`/api/v1/clients/${clientId}`).expect(401);
    expect(JSON.stringify(seen)).not.toContain('Varga');
    await request(h.app).get('/api/v1/shared/block').expect(401);
    await request(h.app)
      .post('/api/v1/shared/open')
      .send({ token: 'x'.repeat(32) })
      .expect(401);
    await request(h.app).post('/api/v1/shared/open').send({ token: 'short' }).expect(400);
  });

  it('keeps the token to itself: a hash is stored, a cookie that scripts cannot read is given', async () => {
    const { clientId } = await planned();
    const { token } = await makeLink(clientId);
    const { headers } = await request(h.app).post('/api/v1/shared/open').send({ token }).expect(200);
    expect(headers['set-cookie']![0]).toMatch(/HttpOnly/);
    expect(headers['set-cookie']![0]).toMatch(/SameSite=Strict/);
    expect(headers['set-cookie']![0]).toMatch(/Path=\/api\/v1\/shared/);
    const rows: unknown = await h.source.query('SELECT * FROM phone_link');
    expect(JSON.stringify(rows)).not.toContain(token);
  });

  it('runs and logs a session, each part once', async () => {
    const { clientId, sessions } = await planned();
    const phone = await aPhone(clientId);
    const s = await session(sessions[0]!.id);
    const start = startBody(s);
    const symptom = { item: 1, side: 'right', symptom: 'pinching' };
    const [set, felt] = [uuid(), uuid()];
    for (let i = 0; i < 2; i++) {
      await phone.post(`/api/v1/shared/sessions/${s.id}/runs`).send(start).expect(200);
      await phone.put(`/api/v1/shared/runs/${start.id}/sets/${set}`).send(setBody).expect(200);
      await phone.put(`/api/v1/shared/runs/${start.id}/symptoms/${felt}`).send(symptom).expect(200);
      await phone.post(`/api/v1/shared/runs/${start.id}/finish`).send(finishBody).expect(200);
    }
    const done = await session(s.id);
    expect(done.run).toMatchObject({ source: 'client', feltTighter: 'left', sensation: 5 });
    expect(done.run!.sets).toHaveLength(1);
    expect(done.openSymptoms).toHaveLength(1);
    expect(await late(clientId)).toEqual([]);
    const today = (await h.agent.get('/api/v1/today').expect(200)).body;
    expect(JSON.stringify(today)).toContain('pinching');
  });

  it('does not touch another client’s sessions', async () => {
    const mine = await planned();
    const theirs = await planned();
    const phone = await aPhone(mine.clientId);
    const s = await session(theirs.sessions[0]!.id);
    const start = startBody(s);
    await phone.post(`/api/v1/shared/sessions/${s.id}/runs`).send(start).expect(202);
    expect((await session(s.id)).status).toBe('planned');
    // It is kept with the phone's own client, and even the coach cannot put it into the other's session.
    expect(await late(theirs.clientId)).toEqual([]);
    await h.agent.put(`/api/v1/clients/${mine.clientId}/late-logs/${start.id}`).send({ accept: true }).expect(409);
    expect((await session(s.id)).status).toBe('planned');
  });

  it('cannot put a set into another client’s run, not even when the coach accepts it', async () => {
    const theirs = await planned();
    const run = uuid();
    const begun = { id: run, startedAt: h.clock.now.toISOString() };
    await h.agent.post(`/api/v1/sessions/${theirs.sessions[0]!.id}/runs`).send(begun).expect(201);
    const mine = await planned();
    const phone = await aPhone(mine.clientId);
    await phone.put(`/api/v1/shared/runs/${run}/sets/${uuid()}`).send(setBody).expect(202);
    await h.agent.put(`/api/v1/clients/${mine.clientId}/late-logs/${run}`).send({ accept: true }).expect(409);
    expect((await session(theirs.sessions[0]!.id)).run!.sets).toEqual([]);
    await h.agent.put(`/api/v1/clients/${mine.clientId}/late-logs/${run}`).send({ accept: false }).expect(200);
    expect(await late(mine.clientId)).toEqual([]);
  });

  it('refuses what is wrong with its reason; a run that may not be is refused and yet not lost', async () => {
    const { clientId, sessions } = await planned();
    const phone = await aPhone(clientId);
    const s = await session(sessions[0]!.id);
    const start = startBody(s);
    await phone
      .post(`/api/v1/shared/sessions/${s.id}/runs`)
      .send({ ...start, snapshot: { ...start.snapshot, items: [] } })
      .expect(400);
    await phone.post(`/api/v1/shared/sessions/${s.id}/runs`).send(start).expect(200);
    await phone
      .put(`/api/v1/shared/runs/${start.id}/sets/${uuid()}`)
      .send({ ...setBody, set: 9 })
      .expect(400);
    // A red answer stops the phone too.
    await h.agent
      .put(`/api/v1/clients/${clientId}/intakes/${uuid()}`)
      .send(intakeBody(['heart']))
      .expect(200);
    const other = await session(sessions[1]!.id);
    await phone.post(`/api/v1/shared/sessions/${other.id}/runs`).send(startBody(other)).expect(409);
    expect((await block(phone)).onHold).toBe('refer');
    // Refused, but what may have been done before the phone knew is with the coach.
    expect(await late(clientId)).toMatchObject([{ reason: 'stop', date: other.date }]);
  });

  it('keeps what a phone sends after its link was revoked, for the coach to take', async () => {
    const { clientId, sessions } = await planned();
    const phone = await aPhone(clientId);
    const s = await session(sessions[0]!.id);
    const start = startBody(s);
    await phone.post(`/api/v1/shared/sessions/${s.id}/runs`).send(start).expect(200);
    await h.agent.post(`/api/v1/clients/${clientId}/phone-link/revoke`).send({}).expect(200);
    await phone.get('/api/v1/shared/block').expect(401);
    const set = uuid();
    for (let i = 0; i < 2; i++)
      await phone.put(`/api/v1/shared/runs/${start.id}/sets/${set}`).send(setBody).expect(202);
    await phone.post(`/api/v1/shared/runs/${start.id}/finish`).send(finishBody).expect(202);
    expect((await session(s.id)).run!.sets).toEqual([]);
    expect(await late(clientId)).toMatchObject([
      { runId: start.id, reason: 'link', sets: 1, seconds: 30, symptoms: 0 },
    ]);
    await h.other.get(`/api/v1/clients/${clientId}/late-logs`).expect(404);
    const left = await h.agent
      .put(`/api/v1/clients/${clientId}/late-logs/${start.id}`)
      .send({ accept: true })
      .expect(200);
    expect(left.body).toEqual([]);
    expect((await session(s.id)).run).toMatchObject({ sensation: 5, source: 'client' });
    await h.agent.put(`/api/v1/clients/${clientId}/late-logs/${start.id}`).send({ accept: true }).expect(404);
  });

  it('a stop sign of a choice that arrives late holds the choice', async () => {
    const { clientId, sessions } = await planned();
    const s = await session(sessions[0]!.id);
    const [first, ...rest] = s.items;
    const items = [{ ...first!, choice: 'frog' }, ...rest];
    const { version, purpose, alreadyWarm, rounds, minutes } = s;
    const edited = { version, purpose, alreadyWarm, rounds, minutes, items };
    await h.agent.put(`/api/v1/sessions/${s.id}/items`).send(edited).expect(200);
    const phone = await aPhone(clientId);
    await h.agent.post(`/api/v1/clients/${clientId}/phone-link/revoke`).send({}).expect(200);
    const start = startBody(await session(s.id));
    await phone.post(`/api/v1/shared/sessions/${s.id}/runs`).send(start).expect(202);
    const felt = { item: 0, side: null, symptom: 'pinching', form: 'frog', at: h.clock.now.toISOString() };
    await phone.put(`/api/v1/shared/runs/${start.id}/symptoms/${uuid()}`).send(felt).expect(202);
    const today = (await h.agent.get('/api/v1/today').expect(200)).body as { symptoms: object[] };
    expect(today.symptoms).toContainEqual(expect.objectContaining({ clientId, exerciseId: 'frog', late: true }));
  });

  it('a stop sign that arrives late holds at once, for everybody, and is cleared once its log is taken in', async () => {
    const { clientId, sessions } = await planned();
    const phone = await aPhone(clientId);
    await h.agent.post(`/api/v1/clients/${clientId}/phone-link/revoke`).send({}).expect(200);
    const s = await session(sessions[0]!.id);
    const start = startBody(s);
    const felt = uuid();
    const felten = { item: 1, side: 'right', symptom: 'dizziness', at: h.clock.now.toISOString() };
    await phone.put(`/api/v1/shared/runs/${start.id}/symptoms/${felt}`).send(felten).expect(202);
    // Its beginning is still on the way: nobody knows yet where it was felt.
    expect((await session(s.id)).openSymptoms).toEqual([]);
    await phone.post(`/api/v1/shared/sessions/${s.id}/runs`).send(start).expect(202);

    const sign = { id: felt, symptom: 'dizziness', exerciseId: s.items[1]!.exerciseId, date: TODAY, late: true };
    expect((await session(sessions[1]!.id)).openSymptoms).toMatchObject([sign]);
    const today = (await h.agent.get('/api/v1/today').expect(200)).body as { symptoms: object[] };
    expect(today.symptoms).toContainEqual(expect.objectContaining(sign));
    const run = (id: string) =>
      h.agent.post(`/api/v1/sessions/${id}/runs`).send({ id: uuid(), startedAt: h.clock.now.toISOString() });
    expect((await run(sessions[1]!.id).expect(409)).body.code).toBe('symptom-not-cleared');
    const theNew = await aPhone(clientId);
    expect((await block(theNew)).sessions.every((x) => x.openSymptoms.length === 1)).toBe(true);

    await h.agent.put(`/api/v1/clients/${clientId}/late-logs/${start.id}`).send({ accept: true }).expect(200);
    const [logged] = (await session(s.id)).openSymptoms;
    expect([logged!.id, logged!.late]).toEqual([felt, undefined]);
    const cleared = { note: 'Looked at', who: 'Dr. Maude Ferrant, physician' };
    await h.agent.post(`/api/v1/symptoms/${felt}/clear`).send(cleared).expect(200);
    await run(sessions[1]!.id).expect(201);
  });

  it('keeps a run whose session is no longer in the plan, and makes the session again when the coach takes it', async () => {
    const { clientId, blockId, sessions } = await planned();
    const phone = await aPhone(clientId);
    const s = await session(sessions[1]!.id);
    const [block] = (await h.agent.get(`/api/v1/clients/${clientId}/blocks`)).body;
    const change = { ...block.choices, weeks: 6, reason: 'Shorter', version: block.version };
    await h.agent.put(`/api/v1/blocks/${blockId}`).send(change).expect(200);
    await h.agent.get(`/api/v1/sessions/${s.id}`).expect(404);

    const start = startBody(s);
    await phone.post(`/api/v1/shared/sessions/${s.id}/runs`).send(start).expect(202);
    await phone
      .put(`/api/v1/shared/runs/${start.id}/sets/${uuid()}`)
      .send({ ...setBody, side: 'right' })
      .expect(202);
    await phone.post(`/api/v1/shared/runs/${start.id}/finish`).send(finishBody).expect(202);
    expect(await late(clientId)).toMatchObject([{ reason: 'plan', date: s.date, sets: 1, seconds: 30 }]);
    await h.agent.put(`/api/v1/clients/${clientId}/late-logs/${start.id}`).send({ accept: true }).expect(200);
    const again = await session(s.id);
    expect(again).toMatchObject({ status: 'done', date: s.date, week: 1 });
    expect(again.items).toEqual(s.items);
    expect(again.run!.sets).toMatchObject([{ side: 'right', doneSeconds: 30 }]);
  });

  it('puts a late run aside without losing it', async () => {
    const { clientId, sessions } = await planned();
    const phone = await aPhone(clientId);
    await h.agent.post(`/api/v1/clients/${clientId}/phone-link/revoke`).send({}).expect(200);
    const s = await session(sessions[0]!.id);
    const start = startBody(s);
    await phone.post(`/api/v1/shared/sessions/${s.id}/runs`).send(start).expect(202);
    await h.agent.put(`/api/v1/clients/${clientId}/late-logs/${start.id}`).send({ accept: false }).expect(200);
    expect((await session(s.id)).status).toBe('planned');
    const [row] = await h.source.query('SELECT accepted, decided_at FROM late_log WHERE run_id = ?', [start.id]);
    expect([row.accepted, row.decided_at === null]).toEqual([0, false]);
  });

  it('a new link ends the one before; a link ends by itself', async () => {
    const { clientId } = await planned();
    const first = await aPhone(clientId);
    const second = await aPhone(clientId);
    await first.get('/api/v1/shared/block').expect(401);
    await block(second);
    const link = (await h.agent.get(`/api/v1/clients/${clientId}/phone-link`).expect(200)).body;
    expect(link.usedAt).not.toBeNull();
    h.clock.now = new Date(NOW.getTime() + 181 * 86_400_000);
    await second.get('/api/v1/shared/block').expect(401);
    expect((await h.agent.get(`/api/v1/clients/${clientId}/phone-link`).expect(200)).body).toBeNull();
    h.clock.now = NOW;
  });

  it('of an erased client everything ends: block, link, what the phone still sends, and the calendar', async () => {
    const { clientId, sessions } = await planned();
    const phone = await aPhone(clientId);
    const { path } = (await h.agent.post(`/api/v1/clients/${clientId}/calendar-link`).expect(201)).body as {
      path: string;
    };
    const s = await session(sessions[0]!.id);
    const start = startBody(s);
    await phone.post(`/api/v1/shared/sessions/${s.id}/runs`).send(start).expect(200);
    const { client } = (await h.agent.get(`/api/v1/clients/${clientId}`)).body as { client: { name: string } };
    await h.agent.post(`/api/v1/clients/${clientId}/erase`).send({ name: client.name }).expect(200);
    const after = await phone.get('/api/v1/shared/block').expect(410);
    expect(after.body.code).toBe('gone');
    await phone.put(`/api/v1/shared/runs/${start.id}/sets/${uuid()}`).send(setBody).expect(410);
    await h.agent.get(path).expect(404);
  });

  it('says how sore and how the client breathes', async () => {
    const { clientId } = await planned();
    const phone = await aPhone(clientId);
    await phone
      .put(`/api/v1/shared/soreness/${uuid()}`)
      .send({ date: TODAY, region: null, soreness: 4, note: '' })
      .expect(200);
    await phone.put('/api/v1/shared/breath').send({ seconds: 6 }).expect(200);
    const seen = await block(phone);
    expect(seen.sorenessEntries).toMatchObject([{ soreness: 4 }]);
    expect(seen.sessions[0]!.breathSeconds).toBe(6);
  });

  it('sets whose beginning never arrived are taken into the session that the coach says, and never into another client’s', async () => {
    const clientId = await aClient(h, { name: 'Lost Start' });
    await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody()).expect(201);
    const other = await aClient(h, { name: 'Somebody Else' });
    await h.agent.post(`/api/v1/clients/${other}/blocks`).send(blockBody()).expect(201);
    const sessions = async (id: string) =>
      (await h.agent.get(`/api/v1/clients/${id}/sessions`)).body as { id: string }[];
    const [session] = await sessions(clientId);
    const { token } = (await h.agent.post(`/api/v1/clients/${clientId}/phone-link`).expect(201)).body as {
      token: string;
    };
    const phone = request.agent(h.app);
    await phone.post('/api/v1/shared/open').send({ token }).expect(200);
    const run = uuid();
    const set = { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 28, replaces: null };
    await phone.put(`/api/v1/shared/runs/${run}/sets/${uuid()}`).send(set).expect(202);
    const [late] = (await h.agent.get(`/api/v1/clients/${clientId}/late-logs`)).body as { started: boolean }[];
    expect(late).toMatchObject({ runId: run, started: false, sets: 1 });
    const decide = (body: object) => h.agent.put(`/api/v1/clients/${clientId}/late-logs/${run}`).send(body);
    const asked = await decide({ accept: true }).expect(400);
    expect(asked.body.errors[0].path).toBe('sessionId');
    await decide({ accept: true, sessionId: (await sessions(other))[0]!.id }).expect(400);
    await decide({ accept: true, sessionId: session!.id }).expect(200);
    const { body } = await h.agent.get(`/api/v1/sessions/${session!.id}`).expect(200);
    expect(body.run).toMatchObject({ id: run });
    expect(body.run.sets).toMatchObject([{ doneSeconds: 28 }]);
    // The beginning arrives after all: it is the same run.
    const { purpose, alreadyWarm, rounds, items, date } = body;
    await phone
      .post(`/api/v1/shared/sessions/${session!.id}/runs`)
      .send({ id: run, startedAt: h.clock.now.toISOString(), snapshot: { date, purpose, alreadyWarm, rounds, items } })
      .expect(200);
  });
});

import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Account, ScreeningView, Session, SessionSummary } from '@yandle/contract';
import { intakeBody } from './bodies.js';
import { aClient, blockBody, harness, TODAY, type Harness } from './harness.js';

/** What is off for everybody until somebody who answers for it allows it (issue "Safe hands" 1; domain 2.6 rule 9, 2.7). */
describe('rules of the house', () => {
  let h: Harness;
  beforeAll(async () => (h = await harness()));
  afterAll(() => h.close());

  async function aSession(yes: readonly string[] = [], over: object = {}): Promise<Session> {
    const client = await aClient(h, over);
    await h.agent.put(`/api/v1/clients/${client}/intakes/${uuid()}`).send(intakeBody(yes)).expect(200);
    await h.agent.post(`/api/v1/clients/${client}/blocks`).send(blockBody()).expect(201);
    const [first] = (await h.agent.get(`/api/v1/clients/${client}/sessions`)).body as SessionSummary[];
    return load(first!.id);
  }
  const load = async (id: string) => (await h.agent.get(`/api/v1/sessions/${id}`).expect(200)).body as Session;
  /** Puts one exercise into a session in place of all others. */
  const put = (s: Session, exerciseId: string, over: object = {}) => {
    const { version, purpose, alreadyWarm, rounds, minutes } = s;
    const item = { exerciseId, sets: 1, holdSeconds: 20, sensation: 4, firstSide: 'left', ...over };
    return h.agent
      .put(`/api/v1/sessions/${s.id}/items`)
      .send({ version, purpose, alreadyWarm, rounds, minutes, items: [item] });
  };
  const start = (s: Session) =>
    h.agent.post(`/api/v1/sessions/${s.id}/runs`).send({ id: uuid(), startedAt: h.clock.now.toISOString() });
  const glides = { licence: 'Physiotherapist, 40-117', since: '2019-06-01' };

  it('nerve glides: on for the clients of a coach who recorded a licence and off again at once', async () => {
    const session = await aSession();
    const glide = { technique: 'nerve glide', holdSeconds: 0, reps: 6 };
    expect((await put(session, 'sciatic-glide', glide).expect(409)).body.code).toBe('screening-blocks-planning');
    await h.agent.put('/api/v1/account/nerve-glides').send({ licence: '', since: TODAY }).expect(400);
    await h.agent
      .put('/api/v1/account/nerve-glides')
      .send({ ...glides, since: '2099-01-01' })
      .expect(400);
    await h.agent.put('/api/v1/account/nerve-glides').send(glides).expect(200);
    expect(((await h.agent.get('/api/v1/account')).body as Account).nerveGlides).toEqual(glides);
    const changed = (await put(session, 'sciatic-glide', glide).expect(200)).body as Session;
    await h.agent.delete('/api/v1/account/nerve-glides').expect(200);
    // Planned while they were on: not begun once they are off.
    expect((await start(changed).expect(409)).body.code).toBe('screening-blocks-planning');
    await h.agent.put('/api/v1/account/nerve-glides').send(glides).expect(200);
    await start(changed).expect(201);
    await h.agent.delete('/api/v1/account/nerve-glides').expect(200);
  });

  it('a hand on the head: for one client, from the day it is allowed, until it is taken back', async () => {
    const session = await aSession();
    const other = await aSession();
    const old = await aSession([], { birthDate: '1950-02-01' });
    const allow = (s: Session, id = uuid()) =>
      h.agent
        .put(`/api/v1/clients/${s.clientId}/clearances/${id}`)
        .send({ cautionId: 'hand-on-head', who: 'Mara Thornebrook', on: TODAY, note: '', lifts: [] });
    await put(session, 'nose-to-armpit-hand').expect(409);
    const view = (await allow(session).expect(200)).body as ScreeningView;
    expect(view.current.map((c) => c.id)).toEqual(['nerve-glides']);
    const changed = (await put(session, 'nose-to-armpit-hand').expect(200)).body as Session;
    await put(other, 'nose-to-armpit-hand').expect(409);
    await allow(old).expect(200);
    await put(old, 'nose-to-armpit-hand').expect(409);
    await h.agent.post(`/api/v1/clearances/${view.clearances[0]!.id}/withdraw`).send({}).expect(200);
    await start(changed).expect(409);
  });
});

import type { CheckIn, PrioritiesView, Progress, Session, SharedBlock } from '@yandle/contract';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { harness, TODAY, type Harness } from './harness.js';
import { blockBy, doses, plannedAt, sessionsBy, SUNDAY } from './reviewing.js';

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

const body = (over: object = {}) => ({
  ...{ date: '2026-03-15', moment: 'day', sessionId: null, inTheWay: ['time'], away: [], note: '' },
  stiffness: [{ region: 'thigh-back', score: 6 }],
  complaints: [{ region: 'low-back', score: 3 }],
  ...over,
});
const list = async (client: string): Promise<CheckIn[]> =>
  (await h.agent.get(`/api/v1/clients/${client}/check-ins`).expect(200)).body as CheckIn[];

/** A phone that has opened the client's link. */
async function phoneOf(client: string) {
  const { token } = (await h.agent.post(`/api/v1/clients/${client}/phone-link`).send({}).expect(201)).body as {
    token: string;
  };
  const phone = request.agent(h.app);
  await phone.post('/api/v1/shared/open').send({ token }).expect(200);
  return phone;
}

describe('what a client says', () => {
  it('of the week goes in once from the phone, and is asked again a week later', async () => {
    const client = await plannedAt(h, SUNDAY);
    const phone = await phoneOf(client);
    h.clock.now = new Date('2026-03-16T08:00:00.000Z');
    const before = (await phone.get('/api/v1/shared/block').expect(200)).body as SharedBlock;
    expect([before.regions, before.complaints, before.checkInDue]).toEqual([['lower-leg', 'thigh-back'], [], true]);
    const id = uuid();
    const said = body({ date: '2026-03-16' });
    for (let i = 0; i < 2; i++) await phone.put(`/api/v1/shared/check-ins/${id}`).send(said).expect(200);
    await phone
      .put(`/api/v1/shared/check-ins/${id}`)
      .send(body({ note: 'other' }))
      .expect(409);

    const [entry, ...more] = await list(client);
    expect(more).toEqual([]);
    expect(entry).toEqual({ ...said, id, awaySeen: true });
    // How it feels stands with everything that was ever noted of it.
    const { selfReports } = (await h.agent.get(`/api/v1/clients/${client}/priorities`)).body as PrioritiesView;
    expect(selfReports.map((r) => [r.kind, r.region, r.score, r.moment]).sort()).toEqual([
      ['complaint', 'low-back', 3, 'day'],
      ['stiffness', 'thigh-back', 6, 'day'],
    ]);
    const after = (await phone.get('/api/v1/shared/block').expect(200)).body as SharedBlock;
    expect([after.checkInDue, after.complaints]).toEqual([false, [{ region: 'low-back', score: 3 }]]);
    h.clock.now = new Date('2026-03-23T08:00:00.000Z');
    expect(((await phone.get('/api/v1/shared/block')).body as SharedBlock).checkInDue).toBe(true);
    expect((await h.other.get(`/api/v1/clients/${client}/check-ins`)).status).toBe(404);
  });

  it('around a session stands beside it', async () => {
    const client = await plannedAt(h, SUNDAY);
    const sessionId = (await sessionsBy(h, client))[0]!.id;
    const around = (moment: string, score: number) =>
      body({
        date: TODAY,
        moment,
        sessionId,
        stiffness: [{ region: 'thigh-back', score }],
        complaints: [],
        inTheWay: [],
      });
    for (const [moment, score] of [
      ['before session', 6],
      ['after session', 3],
    ] as const)
      await h.agent.put(`/api/v1/clients/${client}/check-ins/${uuid()}`).send(around(moment, score)).expect(200);
    expect((await list(client)).map((c) => [c.moment, c.sessionId, c.stiffness[0]!.score])).toEqual([
      ['after session', sessionId, 3],
      ['before session', sessionId, 6],
    ]);
  });

  it('about days away goes into the plan by one press, or aside', async () => {
    const client = await plannedAt(h, SUNDAY);
    const before = await blockBy(h, client);
    const away = [{ from: '2026-03-23', to: '2026-03-29' }];
    const [first, second] = [uuid(), uuid()];
    for (const id of [first, second])
      await h.agent.put(`/api/v1/clients/${client}/check-ins/${id}`).send(body({ away })).expect(200);
    expect((await list(client)).map((c) => c.awaySeen)).toEqual([false, false]);
    const see = (id: string, plan: boolean) =>
      h.agent.put(`/api/v1/clients/${client}/check-ins/${id}/away`).send({ plan });
    await see(first, true).expect(200);
    const block = await blockBy(h, client);
    // The third week is away; what the weeks before ask has not changed.
    expect(doses(block, 'soleus')[2]).toBe(0);
    expect(doses(block, 'soleus').slice(0, 2)).toEqual(doses(before, 'soleus').slice(0, 2));
    expect(block.choices.away).toEqual(away);
    await see(first, true).expect(200);
    await see(second, true).expect(200);
    // Known already: nothing is planned anew.
    expect((await blockBy(h, client)).revision).toBe(block.revision);
    expect((await list(client)).every((c) => c.awaySeen)).toBe(true);
  });

  it('may be nothing but one thing, and is refused where it makes no sense', async () => {
    const client = await plannedAt(h, SUNDAY);
    const put = (over: object) => h.agent.put(`/api/v1/clients/${client}/check-ins/${uuid()}`).send(body(over));
    await put({ stiffness: [], complaints: [], inTheWay: [] }).expect(200);
    await put({ stiffness: [{ region: 'thigh-back', score: 11 }] }).expect(400);
    await put({ away: [{ from: '2026-03-20', to: '2026-03-19' }] }).expect(400);
    await put({ date: '2026-03-18' }).expect(400);
  });
});

describe('a side that felt tighter in an exercise', () => {
  it('is kept with the end of the run, and shown with the session', async () => {
    const client = await plannedAt(h, SUNDAY);
    const [session] = await sessionsBy(h, client);
    const run = uuid();
    const startedAt = h.clock.now.toISOString();
    await h.agent.post(`/api/v1/sessions/${session!.id}/runs`).send({ id: run, startedAt }).expect(201);
    const end = {
      ...{ endedAt: startedAt, sensation: 5, feltTighter: null, note: '' },
      tighterIn: [{ exerciseId: 'bent-knee-wall-calf', side: 'left' }],
    };
    await h.agent.post(`/api/v1/runs/${run}/finish`).send(end).expect(200);
    const { run: kept } = (await h.agent.get(`/api/v1/sessions/${session!.id}`)).body as Session;
    expect(kept!.tighterIn).toEqual(end.tighterIn);
    const progress = (await h.agent.get(`/api/v1/clients/${client}/progress`)).body as Progress;
    expect(progress.felt).toEqual([{ date: session!.date, group: 'soleus', side: 'left' }]);
  });
});

import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Block, Session, SessionSummary } from '@yandle/contract';
import { addDays } from '@yandle/core';
import { aClient, blockBody, clientBody, harness, TODAY, type Harness } from './harness.js';

/** Requests of two people, or of one twice, that reach the server at one moment. */
describe('at one moment', () => {
  let h: Harness;
  beforeAll(async () => (h = await harness()));
  afterAll(() => h.close());

  const sessionsOf = async (clientId: string) =>
    (await h.agent.get(`/api/v1/clients/${clientId}/sessions`).expect(200)).body as SessionSummary[];
  const start = (sessionId: string, id: string) =>
    h.agent.post(`/api/v1/sessions/${sessionId}/runs`).send({ id, startedAt: h.clock.now.toISOString() });

  it('a run that was acknowledged while the block was published is still there', async () => {
    const clientId = await aClient(h);
    const made = (await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody()).expect(201)).body as Block;
    let block = made;
    const outcomes: number[] = [];
    for (let round = 0; round < 8; round++) {
      const open = (await sessionsOf(clientId)).filter((s) => s.status === 'planned');
      const runs = open.slice(0, 3).map((s) => ({ sessionId: s.id, id: uuid() }));
      // The first is acknowledged beforehand, or on a slow machine none might be; the others race.
      const first = await start(runs[0]!.sessionId, runs[0]!.id);
      const [published, ...raced] = await Promise.all([
        h.agent
          .put(`/api/v1/blocks/${block.id}`)
          .send({ ...block.choices, version: block.version, ramp: round % 2 ? 0.2 : 0.1, reason: 'Another pace' }),
        ...runs.slice(1).map((r) => start(r.sessionId, r.id)),
      ]);
      expect(published.status).toBe(200);
      block = published.body as Block;
      for (const [i, response] of [first, ...raced].entries()) {
        outcomes.push(response.status);
        // Refused with what to do, or acknowledged and kept: never acknowledged and gone.
        expect([201, 404]).toContain(response.status);
        if (response.status !== 201) continue;
        const session = (await h.agent.get(`/api/v1/sessions/${runs[i]!.sessionId}`).expect(200)).body as Session;
        expect(session.run?.id).toBe(runs[i]!.id);
        // A log that follows is taken.
        const set = { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 30, replaces: null };
        await h.agent.put(`/api/v1/runs/${runs[i]!.id}/sets/${uuid()}`).send(set).expect(200);
      }
    }
    expect(outcomes.filter((status) => status === 201).length).toBeGreaterThanOrEqual(8);
  });

  it('twelve identical creations get the same answer', async () => {
    const client = clientBody(h.coachId, { name: 'Twelve' });
    const clients = await Promise.all(Array.from({ length: 12 }, () => h.agent.post('/api/v1/clients').send(client)));
    expect(clients.map((r) => r.status)).toEqual(Array.from({ length: 12 }, () => 201));
    expect(new Set(clients.map((r) => JSON.stringify(r.body))).size).toBe(1);

    const clientId = client.id;
    const block = blockBody();
    const blocks = await Promise.all(
      Array.from({ length: 12 }, () => h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(block)),
    );
    expect(blocks.map((r) => r.status)).toEqual(Array.from({ length: 12 }, () => 201));
    const [first] = await sessionsOf(clientId);
    const run = uuid();
    const runs = await Promise.all(Array.from({ length: 12 }, () => start(first!.id, run)));
    expect(runs.map((r) => r.status)).toEqual(Array.from({ length: 12 }, () => 201));
    const id = uuid();
    const set = { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 30, replaces: null };
    const sets = await Promise.all(
      Array.from({ length: 12 }, () => h.agent.put(`/api/v1/runs/${run}/sets/${id}`).send(set)),
    );
    expect(sets.map((r) => r.status)).toEqual(Array.from({ length: 12 }, () => 200));
    const session = (await h.agent.get(`/api/v1/sessions/${first!.id}`)).body as Session;
    expect(session.run!.sets).toHaveLength(1);
  });

  it('of two sessions moved to one day one is', async () => {
    const clientId = await aClient(h);
    await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody()).expect(201);
    for (let round = 0; round < 5; round++) {
      const [one, two] = (await sessionsOf(clientId)).slice(-2);
      const date = addDays(TODAY, 200 + round);
      const moves = await Promise.all(
        [one!, two!].map((s) => h.agent.put(`/api/v1/sessions/${s.id}/date`).send({ date })),
      );
      expect(moves.map((r) => r.status).sort()).toEqual([200, 409]);
      expect((await sessionsOf(clientId)).filter((s) => s.date === date)).toHaveLength(1);
    }
  });

  it('twenty blocks of different clients are all made', async () => {
    const clients = await Promise.all(Array.from({ length: 20 }, () => aClient(h)));
    const blocks = await Promise.all(
      clients.map((id) => h.agent.post(`/api/v1/clients/${id}/blocks`).send(blockBody())),
    );
    expect(blocks.map((r) => r.status)).toEqual(Array.from({ length: 20 }, () => 201));
  });

  it('forty phone links of different clients are all made', async () => {
    const clients = await Promise.all(Array.from({ length: 40 }, () => aClient(h)));
    const links = await Promise.all(clients.map((id) => h.agent.post(`/api/v1/clients/${id}/phone-link`).send({})));
    expect(new Set(links.map((r) => r.status))).toEqual(new Set([links[0]!.status]));
    expect(links[0]!.status).toBeLessThan(300);
  });
});

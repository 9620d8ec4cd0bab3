import request from 'supertest';
import type TestAgent from 'supertest/lib/agent.js';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import type { AuditEntry, Client, LinkMade, Me, Page, Problem, StudioView } from '@yandle/contract';
import { addDays } from '@yandle/core';
import { command } from '../src/commands.js';
import { aClient, clientBody, harness, PASSWORD, TODAY, type Harness } from './harness.js';

const GOOD = 'four plain words here';

describe('coaches of a studio', () => {
  let h: Harness;
  beforeAll(async () => (h = await harness()));
  afterAll(() => h.close());

  const studio = async (agent: TestAgent = h.agent) =>
    (await agent.get('/api/v1/studio').expect(200)).body as StudioView;
  const invite = async (role: string, note = 'for a colleague') =>
    (await h.agent.post('/api/v1/studio/invitations').send({ role, note }).expect(201)).body as LinkMade;
  const tokenOf = (made: LinkMade) => made.path.split('#')[1]!;
  const me = async (agent: TestAgent) => (await agent.get('/api/v1/me').expect(200)).body as Me;

  async function join(role: string, name: string, email: string): Promise<{ agent: TestAgent; id: string }> {
    const agent = request.agent(h.app);
    const token = tokenOf(await invite(role));
    await agent.post(`/api/v1/join/${token}`).send({ name, email, password: GOOD }).expect(201);
    return { agent, id: (await me(agent)).coach.id };
  }

  it('come in by a link that works once, and see the studio’s clients', async () => {
    const made = await invite('coach');
    expect((await studio()).invitations).toMatchObject([{ note: 'for a colleague', role: 'coach' }]);
    const token = tokenOf(made);
    const agent = request.agent(h.app);
    expect((await agent.get(`/api/v1/join/${token}`).expect(200)).body).toEqual({ studio: 'First', role: 'coach' });
    const body = { name: 'Ilse Maren', email: 'Ilse@Studio.example', password: GOOD };
    await agent.post(`/api/v1/join/${token}`).send(body).expect(201);
    expect((await me(agent)).coach).toMatchObject({ name: 'Ilse Maren', email: 'ilse@studio.example', role: 'coach' });
    await aClient(h, { name: 'Seen by both' });
    expect((await agent.get('/api/v1/clients').expect(200)).text).toContain('Seen by both');
    expect((await studio()).invitations).toEqual([]);
    // Used, ended, run out and never made look alike.
    const answers = [await request(h.app).get(`/api/v1/join/${token}`)];
    await invite('guest');
    const [open] = (await studio()).invitations;
    await h.agent.delete(`/api/v1/studio/invitations/${open!.id}`).expect(200);
    const late = tokenOf(await invite('guest'));
    const now = h.clock.now;
    h.clock.now = new Date(now.getTime() + 8 * 24 * 3600_000);
    answers.push(await request(h.app).get(`/api/v1/join/${late}`));
    h.clock.now = now;
    answers.push(await request(h.app).get(`/api/v1/join/${'x'.repeat(32)}`));
    expect(answers.map((r) => [r.status, (r.body as Problem).detail])).toEqual(
      answers.map(() => [404, 'This link has ended. Ask the owner of the studio for a new one.']),
    );
  });

  it('of two who use one link at the same moment one comes in', async () => {
    const token = tokenOf(await invite('coach'));
    const both = await Promise.all(
      ['twin-a', 'twin-b'].map((name) =>
        request(h.app)
          .post(`/api/v1/join/${token}`)
          .send({ name, email: `${name}@studio.example`, password: GOOD }),
      ),
    );
    expect(both.map((r) => r.status).sort()).toEqual([201, 404]);
    const { coaches } = await studio();
    expect(coaches.filter((c) => c.name.startsWith('twin'))).toHaveLength(1);
  });

  it('cannot take an address that somebody has, of this studio or another, and learn nothing by trying', async () => {
    const token = tokenOf(await invite('coach'));
    const tries = await Promise.all(
      ['first@studio.example', 'other@studio.example'].map((email) =>
        request(h.app).post(`/api/v1/join/${token}`).send({ name: 'N', email, password: GOOD }),
      ),
    );
    for (const r of tries)
      expect([r.status, (r.body as Problem).errors]).toEqual([
        400,
        [{ path: 'email', message: 'This address can’t be used here. Enter another one.' }],
      ]);
  });

  it('as guests read everything and change nothing', async () => {
    const guest = await join('guest', 'Greta Lind', 'greta@studio.example');
    const id = await aClient(h);
    await guest.agent.get(`/api/v1/clients/${id}`).expect(200);
    const refused = await guest.agent.post('/api/v1/clients').send(clientBody(h.coachId)).expect(403);
    expect((refused.body as Problem).code).toBe('not-allowed');
    await guest.agent.post(`/api/v1/clients/${id}/phone-link`).send({}).expect(403);
    await guest.agent.get('/api/v1/studio').expect(403);
    await guest.agent.get(`/api/v1/clients/${id}/record.json`).expect(403);
    // Their own account is theirs.
    await guest.agent
      .put('/api/v1/account/password')
      .send({ current: GOOD, password: 'another four words' })
      .expect(200);
  });

  it('run no studio unless they own it', async () => {
    const coach = await join('coach', 'Pim Aldous', 'pim@studio.example');
    for (const [method, path] of [
      ['get', '/studio'],
      ['put', '/studio'],
      ['post', '/studio/invitations'],
      ['put', `/studio/coaches/${h.coachId}/role`],
      ['post', `/studio/coaches/${h.coachId}/reset-link`],
      ['post', `/studio/coaches/${h.coachId}/remove`],
      ['get', '/studio/audit'],
    ] as const)
      expect((await coach.agent[method](`/api/v1${path}`)).status, path).toBe(403);
    // The other studio's owner finds none of ours.
    await h.other.put(`/api/v1/studio/coaches/${coach.id}/role`).send({ role: 'guest' }).expect(404);
    await h.other.post(`/api/v1/studio/coaches/${coach.id}/reset-link`).expect(404);
  });

  it('always leave an owner, even when two step down at the same moment', async () => {
    const second = await join('owner', 'Orla Quist', 'orla@studio.example');
    const down = await Promise.all([
      h.agent.put(`/api/v1/studio/coaches/${h.coachId}/role`).send({ role: 'coach' }),
      second.agent.put(`/api/v1/studio/coaches/${second.id}/role`).send({ role: 'coach' }),
    ]);
    expect(down.map((r) => r.status).sort()).toEqual([200, 409]);
    const left = down[0].status === 409 ? h.agent : second.agent;
    const owners = (await studio(left)).coaches.filter((c) => c.role === 'owner');
    expect(owners).toHaveLength(1);
    await left.put(`/api/v1/studio/coaches/${h.coachId}/role`).send({ role: 'owner' }).expect(200);
    await h.agent.put(`/api/v1/studio/coaches/${second.id}/role`).send({ role: 'coach' }).expect(200);
    await h.agent.post(`/api/v1/studio/coaches/${h.coachId}/remove`).send({ clientsTo: second.id }).expect(409);
  });

  it('that are removed are out at once; their clients pass on, and what they wrote keeps their name', async () => {
    const leaver = await join('coach', 'Leo Vasse', 'leo@studio.example');
    const heir = await join('coach', 'Hedda Roan', 'hedda@studio.example');
    const client = (await leaver.agent.post('/api/v1/clients').send(clientBody(leaver.id)).expect(201)).body as Client;
    await h.agent.post(`/api/v1/studio/coaches/${leaver.id}/remove`).send({ clientsTo: leaver.id }).expect(400);
    await h.agent.post(`/api/v1/studio/coaches/${leaver.id}/remove`).send({ clientsTo: heir.id }).expect(200);
    await leaver.agent.get('/api/v1/clients').expect(401);
    await request(h.app).post('/api/v1/sign-in').send({ email: 'leo@studio.example', password: GOOD }).expect(401);
    const { client: after } = (await h.agent.get(`/api/v1/clients/${client.id}`).expect(200)).body as {
      client: Client;
    };
    expect(after.leadCoachId).toBe(heir.id);
    expect((await me(h.agent)).coaches.map((c) => c.name)).not.toContain('Leo Vasse');
    await h.agent.post('/api/v1/clients').send(clientBody(leaver.id)).expect(400);
    const { items } = (await h.agent.get('/api/v1/studio/audit').expect(200)).body as Page<AuditEntry>;
    expect(items.find((e) => e.action === 'client-added' && e.client?.id === client.id)?.coach).toBe('Leo Vasse');
    // The address is free again.
    await join('coach', 'Leo Vasse', 'leo@studio.example');
  });

  it('have somebody stand in until a day, who then sees whose clients are theirs', async () => {
    const away = await join('coach', 'Ada Brill', 'ada@studio.example');
    const standIn = await join('coach', 'Sten Holt', 'sten@studio.example');
    const set = (agent: TestAgent, body: object) => agent.put(`/api/v1/studio/coaches/${away.id}/stand-in`).send(body);
    await set(standIn.agent, { standInId: standIn.id, until: TODAY }).expect(403);
    await set(away.agent, { standInId: away.id, until: TODAY }).expect(400);
    await set(away.agent, { standInId: standIn.id, until: addDays(TODAY, -1) }).expect(400);
    await set(away.agent, { standInId: standIn.id, until: null }).expect(400);
    await set(away.agent, { standInId: standIn.id, until: addDays(TODAY, 1) }).expect(200);
    const theirs = await aClient(h, { name: 'Of Ada', leadCoachId: away.id });
    await aClient(h, { name: 'Of the first', leadCoachId: h.coachId });
    expect((await me(standIn.agent)).standingInFor).toEqual([away.id]);
    expect((await away.agent.get('/api/v1/account').expect(200)).body.standIn).toEqual({
      standInId: standIn.id,
      until: addDays(TODAY, 1),
    });
    const mine = (await standIn.agent.get('/api/v1/clients?whose=mine').expect(200)).body as Page<{ id: string }>;
    expect(mine.items.map((c) => c.id)).toEqual([theirs]);
    const now = h.clock.now;
    h.clock.now = new Date(now.getTime() + 2 * 24 * 3600_000);
    expect((await me(standIn.agent)).standingInFor).toEqual([]);
    h.clock.now = now;
    await set(h.agent, { standInId: null, until: null }).expect(200);
    expect((await me(standIn.agent)).standingInFor).toEqual([]);
  });

  it('get back in by a link of the owner, on no device of before, without a lost second factor', async () => {
    const coach = await join('coach', 'Nils Orme', 'nils@studio.example');
    const first = (await h.agent.post(`/api/v1/studio/coaches/${coach.id}/reset-link`).expect(201)).body as LinkMade;
    const made = (await h.agent.post(`/api/v1/studio/coaches/${coach.id}/reset-link`).expect(201)).body as LinkMade;
    // A newer link ends the one before.
    await request(h.app)
      .get(`/api/v1/reset/${tokenOf(first)}`)
      .expect(404);
    const fresh = request.agent(h.app);
    expect((await fresh.get(`/api/v1/reset/${tokenOf(made)}`).expect(200)).body).toEqual({
      name: 'Nils Orme',
      studio: 'First',
    });
    await fresh
      .post(`/api/v1/reset/${tokenOf(made)}`)
      .send({ password: 'sunshine123' })
      .expect(400);
    await fresh
      .post(`/api/v1/reset/${tokenOf(made)}`)
      .send({ password: 'quite another phrase' })
      .expect(200);
    await fresh.get('/api/v1/me').expect(200);
    await coach.agent.get('/api/v1/me').expect(401);
    await fresh
      .post(`/api/v1/reset/${tokenOf(made)}`)
      .send({ password: 'quite another phrase' })
      .expect(404);
    await request(h.app).post('/api/v1/sign-in').send({ email: 'nils@studio.example', password: GOOD }).expect(401);
  });

  it('who own a studio alone get back in by a command on the server', async () => {
    const lines: string[] = [];
    const write = vi.spyOn(process.stdout, 'write').mockImplementation((text) => lines.push(String(text)) > 0);
    const run = (...args: string[]) =>
      command('reset-link', args, h.source, { now: () => h.clock.now }, pino({ level: 'silent' }));
    await run('FIRST@studio.example').finally(() => write.mockRestore());
    await expect(run('nobody@studio.example')).rejects.toThrow('There is no coach with the address');
    const token = lines.join('').trim().split('#')[1]!;
    const fresh = request.agent(h.app);
    await fresh.post(`/api/v1/reset/${token}`).send({ password: 'back in by the server' }).expect(200);
    const { items } = (await fresh.get('/api/v1/studio/audit').expect(200)).body as Page<AuditEntry>;
    expect(items.find((e) => e.action === 'reset-link-made')).toMatchObject({ actor: 'server', coach: null });
    h.agent.jar.setCookies([]);
    await h.agent.post('/api/v1/sign-in').send({ email: 'first@studio.example', password: 'back in by the server' });
  });

  it('are told from each other letter by letter', async () => {
    await join('coach', 'Mara One', 'mara@studio.example');
    await join('coach', 'Mára Two', 'mára@studio.example');
    const agent = request.agent(h.app);
    await agent.post('/api/v1/sign-in').send({ email: 'MARA@studio.example', password: GOOD }).expect(200);
    expect((await me(agent)).coach.name).toBe('Mara One');
    await h.agent.get('/api/v1/me').expect(200);
    expect(PASSWORD).not.toBe(GOOD);
  });
});

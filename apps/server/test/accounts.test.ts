import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { AuthSessionEntity } from '../src/accounts/entities.js';
import { emptyDatabase, harness, newApp, PASSWORD, signedIn, type Harness } from './harness.js';

describe('accounts', () => {
  let h: Harness;
  beforeAll(async () => (h = await harness()));
  afterAll(() => h.close());

  it('says who is signed in, and today in the studio’s zone', async () => {
    const { body } = await h.agent.get('/api/v1/me').expect(200);
    expect(body).toMatchObject({
      coach: { email: 'first@studio.example' },
      studio: { name: 'First' },
      today: '2026-03-09',
    });
    expect(body.coaches).toHaveLength(1);
    expect(JSON.stringify(body)).not.toContain('argon2');
  });

  it('lets nobody in without a session, on any route but the open ones', async () => {
    for (const path of ['me', 'clients', 'today', 'sessions/x', 'anything'])
      await request(h.app)
        .get(`/api/v1/${path}`)
        .expect(401)
        .expect('content-type', /application\/problem\+json/);
    await request(h.app).post('/api/v1/clients').send({}).expect(401);
    await request(h.app).get('/api/v1/health').expect(200);
  });

  it('refuses a wrong password and an unknown account alike', async () => {
    const wrong = await request(h.app).post('/api/v1/sign-in').send({ email: 'first@studio.example', password: 'no' });
    const unknown = await request(h.app)
      .post('/api/v1/sign-in')
      .send({ email: 'nobody@studio.example', password: 'no' });
    expect([wrong.status, unknown.status]).toEqual([401, 401]);
    expect(wrong.body.detail).toBe(unknown.body.detail);
    expect(wrong.headers['set-cookie']).toBeUndefined();
  });

  it('ends a session for good at sign-out', async () => {
    const agent = request.agent(h.app);
    const signIn = await agent
      .post('/api/v1/sign-in')
      .send({ email: 'first@studio.example', password: PASSWORD })
      .expect(200);
    const cookie = signIn.headers['set-cookie']![0]!;
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Lax/);
    await agent.get('/api/v1/me').expect(200);
    await agent.post('/api/v1/sign-out').send({}).expect(200);
    await request(h.app).get('/api/v1/me').set('cookie', cookie.split(';')[0]!).expect(401);
  });

  it('keeps only hashes of session ids and passwords', async () => {
    const agent = request.agent(h.app);
    const signIn = await agent.post('/api/v1/sign-in').send({ email: 'first@studio.example', password: PASSWORD });
    const sid = decodeURIComponent(signIn.headers['set-cookie']![0]!.split(';')[0]!.split('=')[1]!)
      .slice(2)
      .split('.')[0]!;
    const rows = await h.source.manager.find(AuthSessionEntity);
    expect(rows.some((r) => r.sidHash === sid || r.data.includes(sid))).toBe(false);
    const [{ hash }] = await h.source.query('SELECT password_hash AS hash FROM coach LIMIT 1');
    expect(hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  });

  it('survives a restart of the server: sessions are in the database', async () => {
    const restarted = newApp(h.source, { now: () => h.clock.now });
    const agent = request.agent(h.app);
    const signIn = await agent.post('/api/v1/sign-in').send({ email: 'first@studio.example', password: PASSWORD });
    await request(restarted)
      .get('/api/v1/me')
      .set('cookie', signIn.headers['set-cookie']![0]!.split(';')[0]!)
      .expect(200);
  });

  it('refuses writes from another site and bodies that are no JSON', async () => {
    await h.agent.post('/api/v1/sign-out').set('origin', 'https://elsewhere.example').send({}).expect(403);
    await h.agent.post('/api/v1/sign-out').set('sec-fetch-site', 'cross-site').send({}).expect(403);
    await h.agent.post('/api/v1/sign-out').set('origin', 'null').send({}).expect(403);
    await h.agent.post('/api/v1/clients').type('form').send('name=x').expect(415);
    await h.agent.post('/api/v1/clients').type('text/plain').send('{}').expect(415);
    await h.agent.get('/api/v1/me').expect(200);
  });

  it('sends a strict content security policy and no referrer', async () => {
    const { headers } = await request(h.app).get('/api/v1/health');
    const csp = headers['content-security-policy'];
    // WebAssembly may be compiled for the composer; inline scripts and eval may not.
    expect(csp).toContain("script-src 'self' 'wasm-unsafe-eval';");
    expect(csp).not.toMatch(/script-src[^;]*('unsafe-inline'|'unsafe-eval')/);
    expect(csp).toContain("frame-ancestors 'none'");
    expect(headers['referrer-policy']).toBe('no-referrer');
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['x-request-id']).toMatch(/^[0-9a-f-]{36}$/);
  });

  it('slows down guessing: the eleventh failure waits', async () => {
    // What failed before in this file is forgotten by then.
    h.clock.now = new Date(h.clock.now.getTime() + 16 * 60_000);
    // Two processes: they count together.
    const apps = [0, 1].map(() => newApp(h.source, { now: () => h.clock.now }));
    const statuses = [];
    for (let i = 0; i < 11; i++) {
      const r = await request(apps[i % 2]!)
        .post('/api/v1/sign-in')
        .send({ email: 'other@studio.example', password: `no ${i}` });
      statuses.push(r.status);
    }
    expect(statuses.slice(0, 10)).toEqual(Array.from({ length: 10 }, () => 401));
    expect(statuses[10]).toBe(429);
    // The colleague behind the same address is not locked out, nor is anybody after a quarter of an hour.
    await signedIn(apps[0]!, 'first@studio.example');
    h.clock.now = new Date(h.clock.now.getTime() + 16 * 60_000);
    await signedIn(apps[1]!, 'other@studio.example');
  });
});

describe('first visit', () => {
  const setup = {
    studioName: 'New',
    timeZone: 'Europe/Vienna',
    coachName: 'Ada',
    email: 'Ada@New.example',
    password: PASSWORD,
  };

  it('creates the studio once, even when two come at the same moment', async () => {
    const source = await emptyDatabase();
    const app = newApp(source, { now: () => new Date() });
    expect((await request(app).get('/api/v1/health')).body).toMatchObject({ status: 'ok', needsSetup: true });
    await request(app)
      .post('/api/v1/setup')
      .send({ ...setup, password: 'short' })
      .expect(400);
    const both = await Promise.all(
      [1, 2].map((n) =>
        request(app)
          .post('/api/v1/setup')
          .send({ ...setup, email: `a${n}@new.example` }),
      ),
    );
    expect(both.map((r) => r.status).sort()).toEqual([201, 409]);
    const cookie = both.find((r) => r.status === 201)!.headers['set-cookie']![0]!.split(';')[0]!;
    expect((await request(app).get('/api/v1/me').set('cookie', cookie).expect(200)).body.studio.name).toBe('New');
    expect((await request(app).get('/api/v1/health')).body.needsSetup).toBe(false);
    await source.destroy();
  });
});

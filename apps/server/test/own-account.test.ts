import { TOTP, Secret } from 'otpauth';
import request from 'supertest';
import type TestAgent from 'supertest/lib/agent.js';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Account, OfferedFactor, Problem, RecoveryCodes } from '@yandle/contract';
import { stepOf } from '../src/accounts/second-factor.js';
import { harness, PASSWORD, signedIn, type Harness } from './harness.js';

const EMAIL = 'first@studio.example';

describe('the own account', () => {
  let h: Harness;
  beforeAll(async () => (h = await harness()));
  afterAll(() => h.close());
  // Each test has its own quarter of an hour, and codes of its own.
  beforeEach(() => (h.clock.now = new Date(h.clock.now.getTime() + 20 * 60_000)));

  const account = async (agent: TestAgent) => (await agent.get('/api/v1/account').expect(200)).body as Account;
  const signIn = (body: object) =>
    request(h.app)
      .post('/api/v1/sign-in')
      .send({ email: EMAIL, password: PASSWORD, ...body });

  it('lists the devices that are signed in, and signs out one, or all others', async () => {
    const phone = request.agent(h.app).set('user-agent', 'A phone of the test');
    await phone.post('/api/v1/sign-in').send({ email: EMAIL, password: PASSWORD }).expect(200);
    const tablet = await signedIn(h.app, EMAIL);
    const { devices } = await account(h.agent);
    expect(devices.filter((d) => d.current)).toHaveLength(1);
    const there = devices.find((d) => d.agent === 'A phone of the test')!;
    expect(there).toMatchObject({ current: false, signedInAt: h.clock.now.toISOString() });
    expect(JSON.stringify(devices)).not.toMatch(/[0-9a-f]{64}/);
    // Nobody signs out a device of somebody else.
    await h.other.delete(`/api/v1/account/devices/${there.id}`).expect(404);
    await h.agent.delete(`/api/v1/account/devices/${there.id}`).expect(200);
    await phone.get('/api/v1/me').expect(401);
    await tablet.get('/api/v1/me').expect(200);
    await h.agent.post('/api/v1/account/sign-out-others').expect(200);
    await tablet.get('/api/v1/me').expect(401);
    expect((await account(h.agent)).devices).toHaveLength(1);
  });

  it('changes its password against the present one, and signs out every other device', async () => {
    const elsewhere = await signedIn(h.app, EMAIL);
    const put = (body: object) => h.agent.put('/api/v1/account/password').send(body);
    const wrong = await put({ current: 'not this one', password: 'a longer one, of words' }).expect(400);
    expect((wrong.body as Problem).errors).toEqual([
      { path: 'current', message: 'This is not your password. Check it and try again.' },
    ]);
    for (const password of ['password1234', 'sunshinesunshine', '1234567890', 'aaaaaaaaaaaa', EMAIL, 'too short'])
      expect((await put({ current: PASSWORD, password })).status, password).toBe(400);
    await put({ current: PASSWORD, password: 'a longer one, of words' }).expect(200);
    await h.agent.get('/api/v1/me').expect(200);
    await elsewhere.get('/api/v1/me').expect(401);
    await signIn({}).expect(401);
    await put({ current: 'a longer one, of words', password: PASSWORD }).expect(200);
  });

  // RFC 6238, appendix B, SHA-1: the secret "12345678901234567890"; six digits are the last six of the eight printed there.
  it.each([
    [59, '287082'],
    [1111111109, '081804'],
    [1111111111, '050471'],
    [1234567890, '005924'],
    [2000000000, '279037'],
  ])('knows the code of RFC 6238 at %i s', (seconds, code) => {
    const secret = Secret.fromLatin1('12345678901234567890').base32;
    const at = new Date(seconds * 1000);
    expect(stepOf(secret, code, at, null)).toBe(Math.floor(seconds / 30));
    expect(stepOf(secret, code, new Date(at.getTime() + 90_000), null)).toBeNull();
    expect(stepOf(secret, code, at, Math.floor(seconds / 30))).toBeNull();
  });

  it('takes a second factor: a code of the app each once, or a recovery code each once', async () => {
    const offered = (await h.agent.post('/api/v1/account/second-factor').expect(201)).body as OfferedFactor;
    expect(offered.uri).toMatch(/^otpauth:\/\/totp\/Yandle:first%40studio\.example\?/);
    const totp = new TOTP({ secret: Secret.fromBase32(offered.secret), algorithm: 'SHA1', digits: 6, period: 30 });
    const code = () => totp.generate({ timestamp: h.clock.now.getTime() });
    // Until it is confirmed nothing has changed.
    await signIn({}).expect(200);
    const wrong = code() === '000000' ? '111111' : '000000';
    await h.agent.post('/api/v1/account/second-factor/confirm').send({ code: wrong }).expect(400);
    const confirmed = await h.agent.post('/api/v1/account/second-factor/confirm').send({ code: code() }).expect(200);
    const { codes } = confirmed.body as RecoveryCodes;
    expect(new Set(codes).size).toBe(10);
    for (const c of codes) expect(c).toMatch(/^[a-z2-9]{5}-[a-z2-9]{5}$/);
    expect(await account(h.agent)).toMatchObject({ secondFactor: true, recoveryCodesLeft: 10 });

    const asked = await signIn({}).expect(401);
    expect((asked.body as Problem).code).toBe('second-factor');
    // The code that confirmed it was used; so is one that signed in.
    await signIn({ code: code() }).expect(401);
    h.clock.now = new Date(h.clock.now.getTime() + 30_000);
    await signIn({ code: code() }).expect(200);
    await signIn({ code: code() }).expect(401);
    await signIn({ code: codes[3]!.toUpperCase() }).expect(200);
    await signIn({ code: codes[3]! }).expect(401);
    expect((await account(h.agent)).recoveryCodesLeft).toBe(9);
    // Neither secret nor codes stand anywhere in plain, but for the secret that has to.
    const [row] = await h.source.query('SELECT recovery_codes FROM coach WHERE id = ?', [h.coachId]);
    for (const c of codes) expect(row.recovery_codes).not.toContain(c.replace('-', ''));

    await h.agent.post('/api/v1/account/second-factor/off').send({ password: 'not this' }).expect(400);
    await h.agent.post('/api/v1/account/second-factor/off').send({ password: PASSWORD }).expect(200);
    await signIn({}).expect(200);
  });

  it('of two who send one code at the same moment one comes in', async () => {
    const offered = (await h.agent.post('/api/v1/account/second-factor').expect(201)).body as OfferedFactor;
    const totp = new TOTP({ secret: Secret.fromBase32(offered.secret), algorithm: 'SHA1', digits: 6, period: 30 });
    const code = () => totp.generate({ timestamp: h.clock.now.getTime() });
    await h.agent.post('/api/v1/account/second-factor/confirm').send({ code: code() }).expect(200);
    h.clock.now = new Date(h.clock.now.getTime() + 60_000);
    const both = await Promise.all([signIn({ code: code() }), signIn({ code: code() })]);
    expect(both.map((r) => r.status).sort()).toEqual([200, 401]);
    await h.agent.post('/api/v1/account/second-factor/off').send({ password: PASSWORD }).expect(200);
  });

  it('slows down who guesses a password at an open desk', async () => {
    const statuses = [];
    for (let i = 0; i < 11; i++) {
      const guess = { current: `guess ${i}`, password: 'a longer one, of words' };
      statuses.push((await h.other.put('/api/v1/account/password').send(guess)).status);
    }
    expect(statuses).toEqual([...Array.from({ length: 10 }, () => 400), 429]);
  });
});

import { mkdtempSync, writeFileSync } from 'node:fs';
import { createServer, request as httpRequest, type ClientRequest, type Server } from 'node:http';
import { createServer as createNetServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import request from 'supertest';
import type TestAgent from 'supertest/lib/agent.js';
import { EntityManager } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import type { Client, Health, Problem } from '@yandle/contract';
import { HealthProbe } from '../src/database/health-probe.js';
import { POOL_SIZE } from '../src/database/data-source.js';
import { aClient, blockBody, clientBody, harness, newApp, signedIn, TODAY, type Harness } from './harness.js';

const HEADER = 'client,date,time,body,tester,test,side,value,unit,instrument,id';

describe('no request stops the others', () => {
  let h: Harness;
  let clientId: string;
  let server: Server;
  let port: number;
  let cookie: string;
  const open: ClientRequest[] = [];

  beforeAll(async () => {
    h = await harness();
    clientId = await aClient(h);
    server = createServer(h.app);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    port = (server.address() as AddressInfo).port;
    const r = await h.agent
      .post('/api/v1/sign-in')
      .send({ email: 'first@studio.example', password: 'a password of the tests' });
    cookie = (r.headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!;
  });
  afterEach(() => {
    for (const req of open.splice(0)) req.destroy();
    vi.restoreAllMocks();
  });
  afterAll(async () => {
    server.closeAllConnections();
    await h.close();
  });

  /** A connection that is begun and left. */
  function begin(method: string, path: string, headers: Record<string, string>, firstBytes?: string): ClientRequest {
    const req = httpRequest({
      port,
      host: '127.0.0.1',
      method,
      path: `/api/v1${path}`,
      headers: { cookie, ...headers },
    });
    req.on('error', () => undefined);
    open.push(req);
    if (firstBytes === undefined) req.end();
    else req.write(firstBytes);
    return req;
  }

  /** Sign-in and health are what must answer whatever goes on. */
  async function stillServes(): Promise<void> {
    await signedIn(h.app, 'other@studio.example');
    // On a busy machine the database may take longer than the second that health allows it: it comes back by itself.
    await vi.waitFor(
      async () =>
        expect((await request(h.app).get('/api/v1/health')).body).toMatchObject({ status: 'ok', database: 'up' }),
      { timeout: 15_000, interval: 250 },
    );
  }

  async function phone(): Promise<TestAgent> {
    const agent = request.agent(h.app);
    const { token } = (await h.agent.post(`/api/v1/clients/${clientId}/phone-link`).expect(201)).body as {
      token: string;
    };
    await agent.post('/api/v1/shared/open').send({ token }).expect(200);
    return agent;
  }

  it('a list is as long as it may be before anybody looks at what it holds', async () => {
    const items = Array.from({ length: 60_000 }, () => ({}));
    const body = {
      id: uuid(),
      startedAt: h.clock.now.toISOString(),
      snapshot: { date: TODAY, purpose: 'own', alreadyWarm: false, rounds: 1, items },
    };
    const path = `/api/v1/shared/sessions/${uuid()}/runs`;
    // Signed out it is refused for that, whatever it holds.
    const out = await request(h.app).post(path).send(body).expect(401);
    expect(out.text.length).toBeLessThan(1000);
    const linked = await (await phone()).post(path).send(body).expect(400);
    expect((linked.body as Problem).errors).toEqual([{ path: 'snapshot.items', message: 'Choose at most 40.' }]);

    const pinned = Array.from({ length: 49_000 }, () => 1);
    const priorities = { version: null, interests: [], pinned, excluded: [], order: [], quickCheck: [] };
    const refused = await h.agent.put(`/api/v1/clients/${clientId}/priorities`).send(priorities).expect(400);
    expect((refused.body as Problem).errors).toHaveLength(1);
    expect((refused.body as Problem).errors![0]!.path).toBe('pinned');
  });

  it('at most twenty faults are named at once', async () => {
    const lanes = Array.from({ length: 12 }, () => ({ a: 1, b: 2, c: 3, d: 4 }));
    const refused = await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody({ lanes })).expect(400);
    expect((refused.body as Problem).errors).toHaveLength(20);
  });

  const file = (body: string | Buffer, type = 'application/x-yandle-results+json') =>
    h.agent.post('/api/v1/imports/results').set('content-type', type).send(body);

  it.each([
    ['[', 20_000],
    ['{"a":', 20_000],
    ['{"results":[', 5_000],
  ])('JSON nested without end is refused by the byte: %s', async (piece, times) => {
    expect(((await file(piece.repeat(times)).expect(400)).body as Problem).detail).toMatch(/nested more than 20 deep/);
    const body = await h.agent
      .post('/api/v1/clients')
      .set('content-type', 'application/json')
      .send(piece.repeat(times));
    expect(body.status).toBe(400);
  });

  it.each(['[]', '{}', 'null', '{"results":5}', '{"results":null}', '{"results":{"a":1}}', '5', '""', ''])(
    'a file that holds no list of results is not "0 lines read": %s',
    async (body) => {
      expect(((await file(body).expect(400)).body as Problem).code).toBe('malformed-body');
    },
  );

  it('an empty list of results is one', async () => {
    expect((await file('{"format":"x","results":[]}').expect(200)).body).toMatchObject({ lines: 0, errorCount: 0 });
  });

  it.each([
    ['a stray quote', `${HEADER}\n"Ottoline" Varga,2026-02-02,,,,,,,,,\n`],
    ['a quote that never ends', `${HEADER}\n"Ottoline,2026-02-02\n`],
    ['UTF-16', Buffer.from(`\ufeff${HEADER}\n`, 'utf16le')],
    ['bytes', Buffer.from([0xff, 0xfe, 0x00, 0x80])],
    ['one endless line', 'x'.repeat(100_000)],
  ])('a table with %s is refused with what to do', async (_what, body) => {
    const refused = await file(body, 'text/csv');
    expect(refused.status).toBe(400);
    expect((refused.body as Problem).detail.length).toBeGreaterThan(20);
  });

  it('more bytes than a file may have are refused while they arrive', async () => {
    const big = Buffer.alloc(51_000_000, ' ');
    const answer = await new Promise<number>((resolve, reject) => {
      const req = httpRequest(
        {
          port,
          host: '127.0.0.1',
          method: 'POST',
          path: '/api/v1/imports/results',
          headers: { cookie, 'content-type': 'text/csv', 'transfer-encoding': 'chunked' },
        },
        (res) => {
          res.resume();
          resolve(res.statusCode ?? 0);
        },
      );
      req.on('error', reject);
      open.push(req);
      req.write(big);
      req.end();
    });
    expect(answer).toBe(413);
  });

  it('names hold no control characters, no turned writing and no half letters', async () => {
    for (const name of ['A\u0000B', 'A\nB', 'A\tB', '\u202eAB', 'A\u2066B', 'A\ud800B', 'A\u2028B', 'A\u0085B'])
      await h.agent.post('/api/v1/clients').send(clientBody(h.coachId, { name })).expect(400);
    // What people are called stays.
    for (const name of ['Zoë O’Brien-Łuk', '李小龍', 'محمد', '🌿 Fern'])
      await h.agent.post('/api/v1/clients').send(clientBody(h.coachId, { name })).expect(201);
  });

  it('files that are sent slowly hold no connection of the database', async () => {
    for (let i = 0; i < POOL_SIZE + 4; i++)
      begin('POST', '/imports/results', { 'content-type': 'text/csv', 'transfer-encoding': 'chunked' }, `${HEADER}\n`);
    await new Promise((r) => setTimeout(r, 300));
    await stillServes();
  });

  it('nor do exports that nobody reads', async () => {
    const assessment = uuid();
    const about = { id: assessment, date: TODAY, time: '09:40', warm: false, note: '', battery: ['neck-rotation'] };
    await h.agent.post(`/api/v1/clients/${clientId}/assessments`).send(about).expect(201);
    await h.source.query(
      `INSERT INTO reading (id, studio_id, assessment_id, seq, test_id, side, value, instrument, request_hash)
       SELECT UUID(), a.studio_id, a.id, seq, 'neck-rotation', 'left', 60, 'goniometer', SHA2(seq, 256)
       FROM assessment a, seq_1_to_30000 WHERE a.id = ?`,
      [assessment],
    );
    try {
      for (let i = 0; i < POOL_SIZE + 4; i++)
        begin('GET', '/exports/results.csv', {}).on('response', (res) => res.pause());
      await new Promise((r) => setTimeout(r, 1500));
      await stillServes();
      // And one that is read comes whole, in order, each line once.
      const csv = (await h.agent.get('/api/v1/exports/results.csv').buffer(true).expect(200)).text.trim().split('\n');
      expect(csv).toHaveLength(30_001);
      expect(new Set(csv.map((l) => l.split(',').at(-1))).size).toBe(30_001);
    } finally {
      // A client with as many readings can be planned for by nobody: the tests after this one are of other things.
      await h.source.query('DELETE FROM reading WHERE assessment_id = ?', [assessment]);
    }
  }, 60_000);

  it('nor do those who wait for a row that somebody holds: they are told to come again', async () => {
    const runner = h.source.createQueryRunner();
    await runner.startTransaction();
    await runner.query('SELECT id FROM client WHERE id = ? FOR UPDATE', [clientId]);
    const { id: _id, ...body } = clientBody(h.coachId);
    const waiting = Array.from({ length: POOL_SIZE }, () =>
      h.agent
        .put(`/api/v1/clients/${clientId}`)
        .send({ ...body, version: 1 })
        .then((r) => r),
    );
    await new Promise((r) => setTimeout(r, 200));
    // Health has its own line and answers in the midst of it.
    expect((await request(h.app).get('/api/v1/health').expect(200)).body).toMatchObject({ database: 'up' });
    await signedIn(h.app, 'other@studio.example');
    const answers = await Promise.all(waiting);
    await runner.rollbackTransaction();
    await runner.release();
    for (const r of answers) {
      expect([r.status, (r.body as Problem).code]).toEqual([503, 'busy']);
      expect(r.headers['retry-after']).toBe('3');
    }
    expect(((await h.agent.get(`/api/v1/clients/${clientId}`)).body as { client: Client }).client.version).toBe(1);
  }, 60_000);

  it('fifty at once are all answered', async () => {
    const answers = await Promise.all(Array.from({ length: 50 }, () => h.agent.get('/api/v1/today')));
    expect(new Set(answers.map((r) => r.status))).toEqual(new Set([200]));
  }, 60_000);

  it('a full disk is said plainly, and nothing is half-written', async () => {
    const tables = ['block', 'revision', 'lane', 'prescription', 'session', 'session_item', 'audit_entry'];
    const count = async () =>
      Promise.all(tables.map(async (t) => Number((await h.source.query(`SELECT COUNT(*) AS n FROM \`${t}\``))[0].n)));
    const before = await count();
    for (const code of ['ENOSPC', 'ER_RECORD_FILE_FULL'])
      for (const after of [0, 2, 4]) {
        const insert = EntityManager.prototype.insert;
        let done = 0;
        vi.spyOn(EntityManager.prototype, 'insert').mockImplementation(function (this: EntityManager, ...args) {
          if (done++ >= after)
            return Promise.reject(Object.assign(new Error('injected'), { driverError: { code, errno: 1114 } }));
          return insert.apply(this, args);
        });
        const refused = await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody()).expect(507);
        expect(refused.body).toMatchObject({ code: 'disk-full' });
        expect((refused.body as Problem).detail).toContain('Nothing was saved');
        vi.restoreAllMocks();
        expect(await count()).toEqual(before);
      }
  });

  it('a missing script is missing, not the page', async () => {
    const webRoot = mkdtempSync(join(tmpdir(), 'yandle-web-'));
    writeFileSync(join(webRoot, 'index.html'), '<!doctype html><title>page</title>');
    const app = newApp(h.source, { now: () => h.clock.now }, { webRoot });
    await request(app).get('/clients/some/page').set('accept', 'text/html').expect(200);
    for (const path of ['/main-ABCDEFGH.js', '/chunk.css', '/old/icon.svg'])
      await request(app).get(path).set('accept', '*/*').expect(404);
  });

  it('health says what is wrong, and soon', async () => {
    const life = { stopping: true };
    const stopping = await request(newApp(h.source, { now: () => h.clock.now }, { life })).get('/api/v1/health');
    expect([stopping.status, (stopping.body as Health).status]).toEqual([503, 'stopping']);
    // A database that takes the call and never says a word.
    const mute = createNetServer();
    await new Promise<void>((resolve) => mute.listen(0, '127.0.0.1', resolve));
    const probe = new HealthProbe(`mysql://x:y@127.0.0.1:${(mute.address() as AddressInfo).port}/z`);
    expect(['slow', 'down']).toContain((await probe.ask()).database);
    probe.close();
    mute.close();
  });

  it('the log holds no values, names, statements or tokens', async () => {
    const lines: string[] = [];
    const log = pino({ level: 'trace' }, { write: (line: string) => void lines.push(line) });
    const app = newApp(h.source, { now: () => h.clock.now }, { log });
    const agent = await signedIn(app, 'first@studio.example');
    const token = 'SeCrEtToKeN0123456789abcdefghijk';
    await agent.get(`/api/v1/fill-in/${token}`);
    await agent.get(`/api/v1/join/${token}`);
    await agent.get(`/api/v1/calendar/${token}.ics?x=${token}`);
    await agent.post('/api/v1/clients').set('content-type', 'application/json').send('{"name":"Hidden Person"');
    vi.spyOn(EntityManager.prototype, 'insert').mockRejectedValue(
      Object.assign(new Error("Duplicate: INSERT INTO client VALUES ('Hidden Person')"), {
        driverError: { code: 'ER_ODD', sql: 'Hidden Person' },
        parameters: ['Hidden Person'],
      }),
    );
    await agent
      .post('/api/v1/clients')
      .send(clientBody(h.coachId, { name: 'Hidden Person' }))
      .expect(500);
    const text = lines.join('');
    expect(text).toContain('ER_ODD');
    expect(text).toContain('/api/v1/fill-in/…');
    for (const secret of ['Hidden', 'INSERT', token, 'yandle=', 'first@studio.example'])
      expect(text).not.toContain(secret);
  });

  it('what a page may use of the device is said with every answer', async () => {
    const policy = (await request(h.app).get('/api/v1/health')).headers['permissions-policy'] as string;
    for (const used of [
      'camera=(self)',
      'accelerometer=(self)',
      'screen-wake-lock=(self)',
      'geolocation=()',
      'microphone=()',
    ])
      expect(policy).toContain(used);
  });

  it('a cookie that would not be set is said, instead of a sign-in that leads nowhere', async () => {
    const app = newApp(h.source, { now: () => h.clock.now }, { publicUrl: 'https://stretch.studio.example' });
    const body = { email: 'first@studio.example', password: 'a password of the tests' };
    const refused = await request(app).post('/api/v1/sign-in').send(body).expect(401);
    expect((refused.body as Problem).detail).toContain('Open https://stretch.studio.example');
    expect(refused.headers['set-cookie']).toBeUndefined();
  });

  it('a stream of samples ends with the session that opened it', async () => {
    const own = await h.agent
      .post('/api/v1/sign-in')
      .send({ email: 'first@studio.example', password: 'a password of the tests' });
    const mine = (own.headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!;
    const ended = new Promise<void>((resolve) => {
      const req = httpRequest(
        { port, host: '127.0.0.1', path: '/api/v1/devices/inclinometer/stream', headers: { cookie: mine } },
        (res) => {
          res.resume();
          res.on('end', resolve);
        },
      );
      open.push(req);
      req.end();
    });
    await new Promise((r) => setTimeout(r, 200));
    await request(h.app).post('/api/v1/sign-out').set('cookie', mine).expect(200);
    await ended;
  });
});

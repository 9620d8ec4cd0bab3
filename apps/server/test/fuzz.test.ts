import { request as httpRequest, createServer, type Server } from 'node:http';
import { subscribe, unsubscribe } from 'node:diagnostics_channel';
import type { AddressInfo } from 'node:net';
import fc from 'fast-check';
import type Joi from 'joi';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Block, SessionSummary } from '@yandle/contract';
import { aClient, blockBody, harness, TODAY, type Harness } from './harness.js';
import { routesOf } from './routes-of.js';
import { bodyOf } from './schema-bodies.js';

/** Hostile requests: a tenth in `npm test`, all in `npm run deep`. */
const REQUESTS = Number(process.env['DEEP'] ?? 0) > 0 ? 10_000 : 1_000;
/** Requests between two looks at the tables. */
const GROUP = 10;

interface Route {
  readonly method: string;
  readonly path: string;
  readonly schema: Joi.Schema | null;
}

/** What breaks servers: the wrong kind, the wrong size, the wrong letters. */
const HOSTILE: readonly unknown[] = [
  null,
  [],
  {},
  '',
  ' ',
  true,
  -1,
  0,
  1.5,
  1e300,
  -0,
  Number.MAX_SAFE_INTEGER + 2,
  'x'.repeat(5000),
  '\u0000',
  '\u202eolleh',
  'Zoë\u2028Lind',
  'é',
  '\ud800',
  "1' OR '1'='1",
  '%00',
  '../../../etc/passwd',
  '${7*7}',
  { $gt: '' },
  { __proto__: { admin: true } },
  { constructor: { prototype: {} } },
  [[[[[[]]]]]],
  Array.from({ length: 1000 }, () => ({})),
  Object.fromEntries(Array.from({ length: 200 }, (_, i) => [`k${i}`, i])),
  '2026-02-30',
  '9999-99-99',
  '24:60',
  'ffffffff-ffff-ffff-ffff-ffffffffffff',
];

/** Bodies that are no JSON of ours at all. */
const BROKEN: readonly { readonly body: string | Buffer; readonly headers: Readonly<Record<string, string>> }[] = [
  { body: '{"a', headers: {} },
  { body: Buffer.from([0x7b, 0xff, 0xfe, 0x7d]), headers: {} },
  { body: '\ufeff{}', headers: {} },
  { body: '[]', headers: {} },
  { body: 'null', headers: {} },
  { body: '"text"', headers: {} },
  { body: '['.repeat(50_000), headers: {} },
  { body: '{"a":'.repeat(5_000) + '1' + '}'.repeat(5_000), headers: {} },
  { body: '{}', headers: { 'content-encoding': 'gzip' } },
  { body: '{}', headers: { 'content-encoding': 'br' } },
  { body: '{}', headers: { 'content-encoding': 'nothing' } },
  { body: '{}', headers: { 'content-type': 'application/json; charset=utf-16' } },
  { body: '{}', headers: { 'content-type': 'application/json; charset=nothing' } },
  { body: 'a=b', headers: { 'content-type': 'application/x-www-form-urlencoded' } },
  { body: 'client,"date\nx"y,1', headers: { 'content-type': 'text/csv' } },
  { body: '{"results":5}', headers: { 'content-type': 'application/x-yandle-results+json' } },
  { body: Buffer.from([0x89, 0x50, 0x4e, 0x47]), headers: { 'content-type': 'image/png' } },
  { body: Buffer.alloc(0), headers: { 'content-type': 'image/jpeg' } },
];

type Mutation = (body: unknown, pick: (n: number) => number) => unknown;

/** Puts something hostile at some place of a body. */
const bent: Mutation = (body, pick) => {
  const hostile = HOSTILE[pick(HOSTILE.length)];
  if (Array.isArray(body)) {
    const list = body as unknown[];
    if (list.length === 0 || pick(3) === 0) return pick(2) === 0 ? hostile : [...list, hostile];
    const at = pick(list.length);
    return list.map((v, i) => (i === at ? bent(v, pick) : v));
  }
  if (typeof body !== 'object' || body === null) return hostile;
  const fields = Object.entries(body);
  const kind = pick(6);
  if (fields.length === 0 || kind === 0) return { ...body, [['unknown', '__proto__', 'studioId'][pick(3)]!]: hostile };
  const at = pick(fields.length);
  if (kind === 1) return Object.fromEntries(fields.filter((_, i) => i !== at));
  return Object.fromEntries(fields.map(([k, v], i) => [k, i === at ? bent(v, pick) : v]));
};

describe('hostile requests', () => {
  let h: Harness;
  let server: Server;
  let port: number;
  let cookie: string;
  let routes: Route[];
  const ids: Record<string, string> = {};

  const send = (method: string, path: string, body: string | Buffer | null, headers: Record<string, string>) =>
    new Promise<number>((resolve, reject) => {
      const req = httpRequest({ port, host: '127.0.0.1', method, path, headers: { cookie, ...headers } }, (res) => {
        // A stream of samples never ends by itself.
        if (String(res.headers['content-type']).startsWith('text/event-stream')) res.destroy();
        res.resume();
        res.on('close', () => resolve(res.statusCode ?? 0));
      });
      req.on('error', (err: NodeJS.ErrnoException) => (err.code === 'ECONNRESET' ? resolve(-1) : reject(err)));
      req.end(body ?? undefined);
    });

  async function signIn(): Promise<void> {
    const r = await h.agent
      .post('/api/v1/sign-in')
      .send({ email: 'first@studio.example', password: 'a password of the tests' });
    if (r.status !== 200) return;
    const own = (r.headers['set-cookie'] as unknown as string[]).map((c) => c.split(';')[0]!);
    const phone = cookie?.split('; ').filter((c) => c.startsWith('yandle-share')) ?? [];
    cookie = [...own, ...phone].join('; ');
  }

  beforeAll(async () => {
    h = await harness();
    const client = await aClient(h);
    const block = (await h.agent.post(`/api/v1/clients/${client}/blocks`).send(blockBody()).expect(201)).body as Block;
    const sessions = (await h.agent.get(`/api/v1/clients/${client}/sessions`)).body as SessionSummary[];
    const run = uuid();
    await h.agent
      .post(`/api/v1/sessions/${sessions[0]!.id}/runs`)
      .send({ id: run, startedAt: h.clock.now.toISOString() });
    const assessment = uuid();
    const about = { id: assessment, date: TODAY, time: '09:40', warm: false, note: '', battery: ['neck-rotation'] };
    await h.agent.post(`/api/v1/clients/${client}/assessments`).send(about).expect(201);
    const { token } = (await h.agent.post(`/api/v1/clients/${client}/phone-link`).expect(201)).body as {
      token: string;
    };
    const opened = await h.agent.post('/api/v1/shared/open').send({ token }).expect(200);
    cookie = (opened.headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!;
    await signIn();
    Object.assign(ids, {
      clients: client,
      blocks: block.id,
      sessions: sessions[1]!.id,
      runs: run,
      assessments: assessment,
    });
    server = createServer(h.app);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    port = (server.address() as AddressInfo).port;

    // The schema of a route is the one it looks by when it is asked.
    let seen: Joi.Schema | null = null;
    const listen = (message: unknown) =>
      (seen =
        (message as { schema: Joi.Schema; of: string }).of === 'body'
          ? (message as { schema: Joi.Schema }).schema
          : seen);
    subscribe('yandle:validate', listen);
    routes = [];
    for (const { method, path } of routesOf(h.app)) {
      seen = null;
      if (!['GET', 'DELETE'].includes(method) && !path.endsWith('/sign-out'))
        await send(
          method,
          filled(path, () => 0),
          '{}',
          { 'content-type': 'application/json' },
        );
      routes.push({ method, path, schema: seen });
      if (path.startsWith('/account') || path.startsWith('/sign')) await signIn();
    }
    unsubscribe('yandle:validate', listen);
  }, 60_000);
  afterAll(async () => {
    server.closeAllConnections();
    await h.close();
  });

  /** A path with ids that are there, or that are not. */
  function filled(path: string, pick: (n: number) => number): string {
    const group = /^\/(?:shared\/)?([a-z-]+)/.exec(path)?.[1] ?? '';
    const bad = ['x', '..', '%00', '%ff', "1'--", '%F0%9F%8C%BF', 'a'.repeat(500), uuid()];
    let first = true;
    const whole = path.replace(/:[A-Za-z]+/g, () => {
      const known = first ? ids[group] : undefined;
      first = false;
      const choice = pick(10);
      return choice === 9 ? bad[pick(bad.length)]! : (known ?? uuid());
    });
    return `/api/v1${whole}${pick(12) === 11 ? `?cursor=${encodeURIComponent('é')}&limit=-1&archived=2&columns=%00&client=x` : ''}`;
  }

  async function checksum(): Promise<string> {
    const tables = await h.source.query<{ t: string }[]>(
      "SELECT table_name AS t FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name NOT IN ('auth_session', 'attempt', 'audit_entry', 'lease')",
    );
    const rows = await h.source.query<{ Table: string; Checksum: string }[]>(
      `CHECKSUM TABLE ${tables.map((x) => `\`${x.t}\``).join(', ')}`,
    );
    return rows
      .map((r) => `${r.Table} ${r.Checksum}`)
      .sort()
      .join('\n');
  }

  it('know every route of the application, and the schema of each that takes a body', () => {
    expect(routes.length).toBeGreaterThan(90);
    const without = routes.filter((r) => ['POST', 'PUT'].includes(r.method) && r.schema === null).map((r) => r.path);
    // These take no body, a file, or refuse before they look at one.
    const none =
      /sign-out|link|revoke|imports|pictures|second-factor$|\/setup|join|reset|own-errors\/|withdraw|intakes|fill-in|copy|undo|goals/;
    expect(without.filter((p) => !none.test(p))).toEqual([]);
  });

  it(`never meet a fault, and change nothing where they are refused (${REQUESTS})`, async () => {
    const seed = Number(process.env['FUZZ_SEED'] ?? Date.now() % 1_000_000);
    const random = fc.sample(fc.infiniteStream(fc.nat(1_000_000)), { numRuns: 1, seed })[0]!;
    const pick = (n: number) => random.next().value % n;
    const statuses = new Map<number, number>();
    for (let done = 0; done < REQUESTS;) {
      const before = await checksum();
      let refused = true;
      const tried: string[] = [];
      for (let i = 0; i < GROUP; i++, done++) {
        const route = routes[pick(routes.length)]!;
        // Signing out or up, by whoever knows how, is no fault.
        if (/sign-out|\/account\/password|erase$|remove$/.test(route.path)) continue;
        const path = filled(route.path, pick);
        const broken = pick(5) === 0 ? BROKEN[pick(BROKEN.length)]! : null;
        const whole = route.schema ? bodyOf(route.schema) : {};
        const body = ['GET', 'DELETE'].includes(route.method)
          ? null
          : (broken?.body ?? JSON.stringify(bent(whole, pick)));
        const headers = { 'content-type': 'application/json', ...broken?.headers };
        const status = await send(route.method, path, body, body === null ? {} : headers);
        const what = `seed ${seed}: ${route.method} ${path} ${String(body).slice(0, 400)} → ${status}`;
        expect(status, what).toBeLessThan(500);
        tried.push(what);
        statuses.set(status, (statuses.get(status) ?? 0) + 1);
        if (status < 400) refused = false;
        if (status === 401) await signIn();
      }
      if (refused) expect(await checksum(), tried.join('\n')).toBe(before);
    }
    // Most are understood and refused; were all of them refused at the door, nothing would have been tried.
    expect(statuses.get(400) ?? 0).toBeGreaterThan(REQUESTS / 5);
    expect([...statuses].filter(([s]) => s < 400).reduce((sum, [, n]) => sum + n, 0)).toBeGreaterThan(REQUESTS / 50);
  }, 3_600_000);
});

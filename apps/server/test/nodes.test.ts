import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { v7 as uuid } from 'uuid';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import type { Block, Health, Session, SessionSummary } from '@yandle/contract';
import { openDataSource } from '../src/database/data-source.js';
import { MIGRATIONS } from '../src/database/migrations/index.js';
import { bareDatabase, blockBody, clientBody, databaseUrl } from './harness.js';

const MAIN = fileURLToPath(new URL('../src/main.ts', import.meta.url));
const TSCONFIG = fileURLToPath(new URL('../tsconfig.json', import.meta.url));
const ROOT = fileURLToPath(new URL('../../../', import.meta.url));
const SECRET = 'one secret for all processes of the tests';

async function freePort(): Promise<number> {
  const server = createServer().listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  server.close();
  return port;
}

/** The program as it is started, in a process of its own. */
class Node {
  private output = '';
  readonly ready: Promise<void>;
  readonly ended: Promise<number | null>;

  private constructor(
    readonly port: number,
    readonly child: ChildProcess,
  ) {
    child.stderr!.on('data', (d) => (this.output += String(d)));
    this.ended = once(child, 'exit').then(([code]) => code as number | null);
    this.ready = Promise.race([
      once(child, 'message').then(() => undefined),
      this.ended.then(() => Promise.reject(new Error(this.output))),
    ]);
  }

  static async start(env: Record<string, string> = {}): Promise<Node> {
    const port = await freePort();
    const child = spawn(process.execPath, ['--import', 'tsx', MAIN], {
      cwd: ROOT,
      env: {
        ...process.env,
        TSX_TSCONFIG_PATH: TSCONFIG,
        PORT: String(port),
        DATABASE_URL: databaseUrl(),
        SESSION_SECRET: SECRET,
        LOG_LEVEL: 'warn',
        ...env,
      },
      stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
    });
    return new Node(port, child);
  }
}

/** A browser in front of several processes: each request goes to the next one, as a proxy without memory would send it. */
class RoundRobin {
  private next = 0;
  private readonly jar = new Map<string, string>();
  constructor(private readonly nodes: readonly Node[]) {}

  async send(method: string, path: string, body?: object, only?: Node): Promise<{ status: number; body: unknown }> {
    const node = only ?? this.nodes[this.next++ % this.nodes.length]!;
    const response = await fetch(`http://127.0.0.1:${node.port}/api/v1${path}`, {
      method,
      headers: {
        cookie: [...this.jar].map(([k, v]) => `${k}=${v}`).join('; '),
        ...(body ? { 'content-type': 'application/json' } : {}),
      },
      ...(body ? { body: JSON.stringify(body) } : {}),
      signal: AbortSignal.timeout(20_000),
    });
    for (const c of response.headers.getSetCookie()) {
      const [name, value] = c.split(';')[0]!.split('=') as [string, string];
      this.jar.set(name, value);
    }
    const text = await response.text();
    return { status: response.status, body: text === '' ? null : (JSON.parse(text) as unknown) };
  }

  /** @throws for any answer but this one */
  async must<T>(status: number, method: string, path: string, body?: object): Promise<T> {
    const answer = await this.send(method, path, body);
    if (answer.status !== status) throw new Error(`${method} ${path}: ${answer.status} ${JSON.stringify(answer.body)}`);
    return answer.body as T;
  }
}

const setup = {
  studioName: 'Two Nodes',
  timeZone: 'Europe/Vienna',
  coachName: 'Owner',
  email: 'owner@studio.example',
  password: 'four plain words here',
};

describe('two processes on one database', () => {
  const nodes: Node[] = [];
  beforeAll(async () => {
    await (await bareDatabase()).destroy();
  });
  afterEach(async () => {
    for (const n of nodes.splice(0)) {
      n.child.kill('SIGKILL');
      await n.ended;
    }
  });
  async function two(env: Record<string, string> = {}): Promise<[Node, Node]> {
    const started = await Promise.all([Node.start(env), Node.start(env)]);
    nodes.push(...started);
    await Promise.all(started.map((n) => n.ready));
    return started;
  }

  it('make the tables once, set the studio up once, and serve as one whichever answers', async () => {
    const pair = await two();
    const source = await openDataSource(databaseUrl());
    const done = await source.query<{ name: string }[]>('SELECT name FROM migration');
    expect(done.map((m) => m.name).sort()).toEqual(MIGRATIONS.map((M) => new M().name).sort());
    expect((await source.driver.createSchemaBuilder().log()).upQueries).toEqual([]);
    await source.destroy();

    const browser = new RoundRobin(pair);
    const first = await Promise.all(pair.map((n) => new RoundRobin([n]).send('POST', '/setup', setup)));
    expect(first.map((r) => r.status).sort()).toEqual([201, 409]);

    // Sign-in: the session of one is known to the other.
    await browser.must(200, 'POST', '/sign-in', { email: setup.email, password: setup.password });
    const me = await browser.must<{ coach: { id: string }; today: string }>(200, 'GET', '/me');
    await browser.must(200, 'GET', '/me');

    // Revisions: what one published the other goes on from, and a stale one is refused by either.
    const { id: clientId } = await browser.must<{ id: string }>(201, 'POST', '/clients', clientBody(me.coach.id));
    const body = blockBody({ startDate: me.today });
    let block = await browser.must<Block>(201, 'POST', `/clients/${clientId}/blocks`, body);
    await browser.must(201, 'POST', `/clients/${clientId}/blocks`, body);
    for (let i = 0; i < 4; i++) {
      const draft = { ...block.choices, version: block.version, ramp: i % 2 ? 0.2 : 0.1, reason: `Pace ${i}` };
      block = await browser.must<Block>(200, 'PUT', `/blocks/${block.id}`, draft);
      if (i === 2)
        expect((await browser.send('PUT', `/blocks/${block.id}`, { ...draft, reason: 'Stale' })).status).toBe(409);
    }
    expect(block.revision).toBe(5);
    // Two who publish at the same moment, each at another process: one wins.
    const race = await Promise.all(
      pair.map((n) =>
        browser.send(
          'PUT',
          `/blocks/${block.id}`,
          { ...block.choices, version: block.version, ramp: 0.15, reason: n.port.toString() },
          n,
        ),
      ),
    );
    expect(race.map((r) => r.status).sort()).toEqual([200, 409]);

    // The phone: its link is made by one, opened at the other, and its session logged at both.
    const sessions = await browser.must<SessionSummary[]>(200, 'GET', `/clients/${clientId}/sessions`);
    const { token } = await browser.must<{ token: string }>(201, 'POST', `/clients/${clientId}/phone-link`, {});
    const phone = new RoundRobin(pair);
    await phone.must(200, 'POST', '/shared/open', { token });
    const shared = await phone.must<{ sessions: Session[] }>(200, 'GET', '/shared/block');
    const session = shared.sessions.find((s) => s.id === sessions[0]!.id)!;
    const run = uuid();
    const { date, purpose, alreadyWarm, rounds, items } = session;
    const start = {
      id: run,
      startedAt: new Date().toISOString(),
      snapshot: { date, purpose, alreadyWarm, rounds, items },
    };
    const set = { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 30, replaces: null };
    const id = uuid();
    await phone.must(200, 'POST', `/shared/sessions/${session.id}/runs`, start);
    await phone.must(200, 'POST', `/shared/sessions/${session.id}/runs`, start);
    await phone.must(200, 'PUT', `/shared/runs/${run}/sets/${id}`, set);
    await phone.must(200, 'PUT', `/shared/runs/${run}/sets/${id}`, set);
    expect((await browser.must<Session>(200, 'GET', `/sessions/${session.id}`)).run!.sets).toHaveLength(1);

    // The simulated inclinometer stands where whichever process set it.
    await browser.must(200, 'PUT', '/devices/inclinometer', {
      ...{ trueAngle: 31, tremor: 0, driftPerMinute: 0, settling: 0, dropOuts: 0 },
    });
    for (let i = 0; i < 2; i++)
      expect(
        (await browser.must<{ settings: { trueAngle: number } }>(200, 'GET', '/devices/inclinometer')).settings
          .trueAngle,
      ).toBe(31);

    // Limits: ten failures, whichever counted them.
    const guesser = new RoundRobin(pair);
    const statuses = [];
    for (let i = 0; i < 11; i++)
      statuses.push(
        (await guesser.send('POST', '/sign-in', { email: 'guess@studio.example', password: `guess ${i}` })).status,
      );
    expect(statuses).toEqual([...Array.from({ length: 10 }, () => 401), 429]);

    // Signed out at one, signed out at both.
    await browser.must(200, 'POST', '/sign-out');
    for (const n of pair) expect((await browser.send('GET', '/me', undefined, n)).status).toBe(401);
  }, 120_000);

  it('lose nothing and double nothing when one is killed under a thousand writes', async () => {
    const [a, b] = await two();
    const browser = new RoundRobin([a, b]);
    await browser.must(200, 'POST', '/sign-in', { email: setup.email, password: setup.password });
    const me = await browser.must<{ coach: { id: string } }>(200, 'GET', '/me');
    const before = (await browser.must<{ items: unknown[] }>(200, 'GET', '/clients?limit=200')).items.length;
    const acknowledged = new Set<string>();
    const bodies = Array.from({ length: 1000 }, (_, i) => clientBody(me.coach.id, { name: `Write ${i}` }));
    let killed = false;
    /** As the outbox does it: the same request again, until somebody has acknowledged it. */
    const write = async (body: (typeof bodies)[number]): Promise<void> => {
      for (let attempt = 0; attempt < 60; attempt++) {
        const node = killed ? b : attempt % 2 ? a : b;
        const to = killed || Math.random() < 0.5 ? node : a;
        const answer = await browser.send('POST', '/clients', body, killed ? b : to).catch(() => null);
        if (answer?.status === 201) return void acknowledged.add(body.id);
        if (answer && answer.status < 500) throw new Error(JSON.stringify(answer.body));
        await new Promise((r) => setTimeout(r, 50));
      }
      throw new Error('never acknowledged');
    };
    const queue = [...bodies];
    const worker = async () => {
      for (let body = queue.shift(); body; body = queue.shift()) {
        await write(body);
        if (acknowledged.size === 400 && !killed) {
          killed = true;
          a.child.kill('SIGKILL');
        }
      }
    };
    await Promise.all(Array.from({ length: 16 }, worker));
    expect(killed).toBe(true);
    expect(acknowledged.size).toBe(1000);
    const source = await openDataSource(databaseUrl());
    const rows = await source.query<{ id: string }[]>("SELECT id FROM client WHERE name LIKE 'Write %'");
    await source.destroy();
    expect(rows).toHaveLength(1000);
    expect(new Set(rows.map((r) => r.id))).toEqual(acknowledged);
    expect(before).toBeGreaterThan(0);
  }, 180_000);

  it('told to end, answers what is under way and says meanwhile that it takes no more', async () => {
    const [a] = await two({ STOP_GRACE_MS: '1500' });
    const browser = new RoundRobin([a]);
    await browser.must(200, 'POST', '/sign-in', { email: setup.email, password: setup.password });
    const me = await browser.must<{ coach: { id: string } }>(200, 'GET', '/me');
    const client = clientBody(me.coach.id, { name: 'Under way' });
    await browser.must(201, 'POST', '/clients', client);
    // A write that waits for a row while the process is told to end.
    const source = await openDataSource(databaseUrl());
    const runner = source.createQueryRunner();
    await runner.startTransaction();
    await runner.query('SELECT id FROM client WHERE id = ? FOR UPDATE', [client.id]);
    const { id, ...body } = client;
    const write = browser.send('PUT', `/clients/${id}`, { ...body, notes: 'arrived', version: 1 });
    await new Promise((r) => setTimeout(r, 300));
    a.child.kill('SIGTERM');
    await new Promise((r) => setTimeout(r, 300));
    const health = await new RoundRobin([a]).send('GET', '/health');
    expect([health.status, (health.body as Health).status]).toEqual([503, 'stopping']);
    await runner.rollbackTransaction();
    await runner.release();
    expect((await write).status).toBe(200);
    expect(await a.ended).toBe(0);
    const [row] = await source.query('SELECT notes FROM client WHERE id = ?', [id]);
    expect(row.notes).toBe('arrived');
    await source.destroy();
  }, 60_000);
});

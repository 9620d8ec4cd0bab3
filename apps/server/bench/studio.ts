import { writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { cpus } from 'node:os';
import { fileURLToPath } from 'node:url';
import { createServer } from 'node:http';
import { createPool } from 'mysql2/promise';
import { format } from 'prettier';
import { pino } from 'pino';
import { v7 as uuid } from 'uuid';
import { addDays, dayPlanOf } from '@yandle/core';
import { DatabaseSessionStore } from '../src/accounts/session-store.js';
import { createApp } from '../src/app.js';
import { openDataSource } from '../src/database/data-source.js';
import { HealthProbe } from '../src/database/health-probe.js';
import { migrate } from '../src/database/lease.js';
import { loadDemoOnce } from '../src/demo/load.js';
import { lookAtWeeksOfAll } from '../src/review/week-look.js';
import { mainThreadOf } from './main-thread.js';

/** A row of the table of benchmarks: what, measured, bar. */
type Row = readonly [what: string, measured: string, bar: string];

const CLIENTS = Number(process.env['BENCH_CLIENTS'] ?? 300);
const RUNS = 40;
const WEB = fileURLToPath(new URL('../../web/dist/web', import.meta.url));
/** Clients with a week to review. */
const REVIEWED = 100;

type Send = (method: string, path: string, body?: object) => Promise<Response>;

interface Statement {
  readonly sql: string;
  readonly values: unknown[];
}

const median = (ms: number[]): number => ms.sort((a, b) => a - b)[Math.floor(ms.length / 2)]!;
const said = (n: number): string => `${n.toFixed(n < 10 ? 1 : 0)} ms`;

/**
 * A studio of 300 clients, each with a block, sessions and assessments: what a morning asks of the server, against the very statements of the
 * same request sent one after the other by the bare driver. One process, real HTTP, real database.
 */
async function studioRows(): Promise<Row[]> {
  const url = process.env['TEST_DATABASE_URL']!;
  const now = new Date();
  const clock = { now: () => now };
  const source = await openDataSource(url);
  await migrate(source);
  await loadDemoOnce(source, clock);
  const app = createApp({
    config: {
      publicUrl: null,
      trustedProxies: 0,
      webRoot: WEB,
      sessionSecret: 'a secret of the benchmark, long enough',
      erasedFile: null,
    },
    source,
    store: new DatabaseSessionStore(source, clock),
    clock,
    log: pino({ level: 'silent' }),
    probe: new HealthProbe(url),
    life: { stopping: false },
  });
  const server = createServer(app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/v1`;
  let cookie = '';
  const send = async (method: string, path: string, body?: object): Promise<Response> => {
    const headers = { cookie, 'content-type': 'application/json' };
    const response = await fetch(base + path, { method, headers, ...(body ? { body: JSON.stringify(body) } : {}) });
    if (response.status >= 300) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`);
    return response;
  };
  const signIn = await send('POST', '/sign-in', { email: 'mara@harbourlane.example', password: 'long-easy-breath' });
  cookie = signIn.headers.get('set-cookie')!.split(';')[0]!;
  const me = (await (await send('GET', '/me')).json()) as { coach: { id: string }; today: string };
  const first = await fillStudio(send, me.coach.id, me.today);
  const rows: Row[] = [];
  // As the server does by itself.
  const looking = performance.now();
  const looked = await lookAtWeeksOfAll(source, clock, (err) => {
    throw err;
  });
  rows.push([`looking at the weeks of ${looked} blocks, twice a day`, said(performance.now() - looking), '']);
  const phone = (await (await send('POST', `/clients/${first}/phone-link`, {})).json()) as { token: string };
  const opened = await send('POST', '/shared/open', { token: phone.token });
  cookie += `; ${opened.headers.get('set-cookie')!.split(';')[0]!}`;

  // What a request sends to the database, as the log of the data source tells it.
  let heard: Statement[] = [];
  source.logger = Object.assign(Object.create(source.logger) as typeof source.logger, {
    logQuery: (sql: string, values?: unknown[]) => void heard.push({ sql, values: values ?? [] }),
  });
  const bare = createPool({ uri: url, connectionLimit: 1, timezone: 'Z' });
  for (const [what, path] of [
    ['Today', '/today'],
    [`reviews of ${REVIEWED} clients`, '/reviews?whose=all'],
    ['the clients’ list, first 50', '/clients?limit=50'],
    ['progress of a client', `/clients/${first}/progress`],
    ['history of assessments', `/clients/${first}/assessments`],
    ['a client’s path', `/clients/${first}`],
    ['blocks of a client', `/clients/${first}/blocks`],
    ['the test catalogue', '/test-catalogue'],
    ['a client’s phone: all it needs', '/shared/block'],
  ] as const) {
    for (let i = 0; i < 5; i++) await (await send('GET', path)).text();
    heard = [];
    await (await send('GET', path)).text();
    const statements = heard.filter((s) => /^(SELECT|WITH)/i.test(s.sql));
    const [http, sql]: [number[], number[]] = [[], []];
    // One after the other in turns: what else the machine does hits both.
    for (let i = 0; i < RUNS; i++) {
      let start = performance.now();
      await (await send('GET', path)).text();
      http.push(performance.now() - start);
      start = performance.now();
      for (const s of statements) await bare.query(s.sql, s.values);
      sql.push(performance.now() - start);
    }
    const [a, b] = [median(http), median(sql)];
    if (process.env['BENCH_STATEMENTS'])
      for (const s of statements) {
        const at = performance.now();
        const [found] = await bare.query(s.sql, s.values);
        process.stderr.write(
          `  ${said(performance.now() - at)} ${(found as unknown[]).length} rows ${s.sql.replace(/\s+/g, ' ').slice(0, 110)}\n`,
        );
      }
    process.stderr.write(`${what} ${said(a)} / ${said(b)}\n`);
    rows.push([
      `${what} (HTTP, ${CLIENTS} clients), p50; ${statements.length} statements by the bare driver`,
      `${said(a)} against ${said(b)} (${(a / b).toFixed(1)} ×)`,
      what === 'Today' ? '≤ 40 ms, and ≤ 3 × or + 4 ms' : what.startsWith('reviews') ? '≤ 1 s' : '≤ 3 × or + 4 ms',
    ]);
  }
  const start = performance.now();
  const fifty = await Promise.all(
    Array.from({ length: 500 }, (_, i) => i % 50).map(
      async () => (await fetch(`${base}/today`, { headers: { cookie } })).status,
    ),
  );
  const seconds = (performance.now() - start) / 1000;
  const counts = [...new Set(fifty)].map((s) => `${fifty.filter((x) => x === s).length} × ${s}`).join(', ');
  rows.push(['500 × Today, all at once', `${counts} in ${seconds.toFixed(1)} s`, 'all answered: 200, or 503']);
  const address = base.slice(0, -'/api/v1'.length);
  const { busy, longest } = await mainThreadOf(address, cookie.split('; '), {
    ...{ from: '/clients', link: 'Today', there: /Needs you/ },
  });
  rows.push([
    `Today in Chromium (${CLIENTS} clients), come to from Clients: main thread, median of 9`,
    `${said(busy)}${longest > 0 ? `, longest task ${said(longest)}` : ', no task over 50 ms'}`,
    '≤ 100 ms',
  ]);
  server.closeAllConnections();
  await bare.end();
  await source.destroy();
  return rows;
}

/** @returns the client with the longest history */
async function fillStudio(send: Send, coachId: string, today: string): Promise<string> {
  const ids = Array.from({ length: CLIENTS }, () => uuid());
  for (const [i, id] of ids.entries()) {
    await send('POST', '/clients', {
      ...{
        id,
        name: `Bench Person ${String(i).padStart(3, '0')}`,
        birthDate: '1980-01-10',
        sex: null,
        aim: 'Sit on my heels',
      },
      ...{
        experience: 'regular',
        trainingDays: [1, 3, 5, 6],
        minutesPerSession: 20,
        gentleGroups: [],
        screening: 'clear',
      },
      ...{ screeningNote: '', notes: '', leadCoachId: coachId },
    });
    const assessments = i === 0 ? 60 : 2;
    for (let a = 0; a < assessments; a++) {
      const assessment = uuid();
      const date = addDays(today, -7 * (assessments - a));
      const battery = ['active-knee-extension', 'weight-bearing-lunge'];
      await send('POST', `/clients/${id}/assessments`, {
        id: assessment,
        date,
        time: '09:40',
        warm: false,
        note: '',
        battery,
      });
      for (const side of i === 0 ? ['left', 'right'] : ['left'])
        await send('PUT', `/assessments/${assessment}/readings/${uuid()}`, {
          ...{ testId: 'active-knee-extension', side, value: 40 - (a % 10), instrument: 'goniometer' },
          ...{ replaces: null, warm: null, testerId: null },
        });
    }
    const lane = (group: string, exerciseId: string) => ({
      ...{ id: uuid(), group, styleId: 'steady-hold', laterStyles: [], fromWeek: 1, untilWeek: null },
      ...{ startingDose: null, loadUnit: null, startLoad: null, startHelp: null, loadMax: null, phaseWeeks: null },
      ...{ exercises: [{ technique: 'static hold', exerciseId, dayPlanId: null }], locked: [] },
    });
    // A hundred have a week behind them, to be reviewed.
    const reviewed = i > 0 && i <= REVIEWED;
    await send('POST', `/clients/${id}/blocks`, {
      ...{
        id: uuid(),
        startDate: reviewed ? addDays(today, -7) : today,
        weeks: 8,
        ramp: 0.2,
        easierEvery: 4,
        easierWeeks: null,
        missedWeeks: [],
      },
      ...{ away: [], lanesPerSession: 5, smallestPlate: null, reason: 'First plan' },
      dayPlans: [dayPlanOf({ trainingDays: [1, 3, 5], minutesPerSession: 20 })],
      lanes: [lane('soleus', 'bent-knee-wall-calf'), lane('hamstrings', 'supine-strap-hamstring')],
    });
    if (reviewed && i % 7 !== 0) await logWeek(send, id, i);
  }
  return ids[0]!;
}

/** Everything of the first week as planned, for some with a sensation that is far too strong. */
async function logWeek(send: Send, client: string, i: number): Promise<void> {
  const sessions = (await (await send('GET', `/clients/${client}/sessions`)).json()) as { id: string; week: number }[];
  for (const { id } of sessions.filter((s) => s.week === 1)) {
    const session = (await (await send('GET', `/sessions/${id}`)).json()) as {
      items: { sets: number; holdSeconds: number }[];
    };
    const run = uuid();
    const at = new Date().toISOString();
    await send('POST', `/sessions/${id}/runs`, { id: run, startedAt: at });
    for (const [item, { sets, holdSeconds }] of session.items.entries())
      for (const side of ['left', 'right'])
        for (let set = 1; set <= sets; set++)
          await send('PUT', `/runs/${run}/sets/${uuid()}`, {
            ...{ item, side, set, plannedSeconds: holdSeconds, doneSeconds: holdSeconds },
            ...{ replaces: null, sensation: i % 10 === 0 ? 8 : 4 },
          });
    await send('POST', `/runs/${run}/finish`, { endedAt: at, sensation: null, feltTighter: null, note: '' });
  }
}

const rows = await studioRows();
const text = `# A studio of ${CLIENTS} clients

Taken by \`npm run bench:studio\` on ${new Date().toISOString().slice(0, 10)}: ${cpus().length} × ${cpus()[0]?.model.trim()}, Node ${process.versions.node}. The server, the sender and the
reading of the answer share one process; the statements of the same request are sent one after the other by the bare driver, in turns with it.

Before this was mended (measured from outside, 291 clients): Today 227 ms with 18 statements, the clients’ list 59 ms, progress 70 ms, history of
assessments 87 ms, the test catalogue up to 5.2 s with own tests, a phone’s block about 20 statements a session.

| what | measured | bar |
| --- | --- | --- |
${rows.map((r) => `| ${r.join(' | ')} |`).join('\n')}
`;
const file = fileURLToPath(new URL('../../../docs/benchmarks-studio.md', import.meta.url));
writeFileSync(file, await format(text, { parser: 'markdown' }));
process.stdout.write(text);
process.exit(0);

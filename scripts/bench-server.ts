import { readFileSync } from 'node:fs';
import { createConnection, type Connection } from 'mysql2/promise';
import { addDays, ROM_TESTS } from '@yandle/core';
import type { ClientListItem, ImportReport, Page } from '@yandle/contract';

const CLIENTS = 2_000;
const READINGS = 100_000;

/** A row of the table of benchmarks: what, measured, bar. */
export type Row = [what: string, measured: string, bar: string];

function quantile(sorted: readonly number[], p: number): number {
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * p))]!;
}

async function timed(work: () => Promise<unknown>, runs = 60): Promise<{ p50: number; p95: number }> {
  for (let i = 0; i < 5; i++) await work();
  const ms: number[] = [];
  for (let i = 0; i < runs; i++) {
    const start = performance.now();
    await work();
    ms.push(performance.now() - start);
  }
  ms.sort((a, b) => a - b);
  return { p50: quantile(ms, 0.5), p95: quantile(ms, 0.95) };
}

const ms = (n: number): string => `${n.toFixed(n < 10 ? 1 : 0)} ms`;

/** Resident memory of the server, megabytes. */
function memory(): number {
  const status = readFileSync(`/proc/${process.env['SERVER_PID']}/status`, 'utf8');
  return Number(/VmRSS:\s+(\d+)/.exec(status)![1]) / 1024;
}

/** Clients straight into the table: what is measured is reading and importing. */
async function addClients(db: Connection): Promise<string[]> {
  const [[like]] = (await db.query('SELECT * FROM client WHERE archived_at IS NULL LIMIT 1')) as unknown as [
    Record<string, unknown>[],
  ];
  const names = Array.from({ length: CLIENTS }, (_, i) => `Bench Person ${String(i).padStart(4, '0')}`);
  const columns = Object.keys(like!);
  const rows = names.map((name) =>
    columns.map((c) => (c === 'id' ? crypto.randomUUID() : c === 'name' ? name : like![c])),
  );
  for (let i = 0; i < rows.length; i += 500)
    await db.query(`INSERT INTO client (${columns.join(',')}) VALUES ?`, [rows.slice(i, i + 500)]);
  return names;
}

/** Assessments of five years: the first 260 weeks of one client, the rest spread over all. */
function* csv(names: readonly string[]): Generator<string> {
  yield 'client,date,test,side,value\n';
  const tests = ROM_TESTS.filter((t) => t.sides !== 'none').slice(0, 5);
  let lines = 0;
  for (let week = 0; week < 260; week++)
    for (const t of tests.slice(0, 2))
      for (const side of ['left', 'right']) {
        lines++;
        yield `${names[0]},${addDays('2021-01-04', week * 7)},${t.id},${side},${Math.round(t.scale.stiffest)}\n`;
      }
  for (let i = 0; lines < READINGS; i++)
    for (const t of tests)
      for (const side of ['left', 'right']) {
        if (lines++ >= READINGS) return;
        const date = addDays('2022-01-03', Math.floor(i / (CLIENTS - 1)) * 30);
        yield `${names[1 + (i % (CLIENTS - 1))]},${date},${t.id},${side},${Math.round(t.scale.stiffest)}\n`;
      }
}

/** Reading and importing with 2,000 clients and 100,000 results, through HTTP and a real database. */
export async function serverRows(): Promise<Row[]> {
  const base = process.env['BASE_URL']!;
  const signIn = await fetch(`${base}/api/v1/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: 'mara@harbourlane.example', password: 'long-easy-breath' }),
  });
  const cookie = signIn.headers.get('set-cookie')!.split(';')[0]!;
  const get = async <T>(path: string): Promise<T> =>
    (await (await fetch(`${base}/api/v1${path}`, { headers: { cookie } })).json()) as T;
  const db = await createConnection(process.env['PRODUCT_DATABASE_URL']!);
  const names = await addClients(db);

  const file = [...csv(names)].join('');
  const before = memory();
  let most = before;
  const watch = setInterval(() => (most = Math.max(most, memory())), 50);
  const start = performance.now();
  const response = await fetch(`${base}/api/v1/imports/results`, {
    method: 'POST',
    headers: { cookie, 'content-type': 'text/csv' },
    body: file,
  });
  const seconds = (performance.now() - start) / 1000;
  clearInterval(watch);
  const report = (await response.json()) as ImportReport;
  if (report.readings !== READINGS) throw new Error(`The import took ${JSON.stringify(report).slice(0, 500)}`);

  // The database writes the import out in the background for a while.
  await new Promise((resolve) => setTimeout(resolve, 10_000));
  const roster = await timed(() => get('/clients?limit=50'));
  const search = await timed(() => get('/clients?search=Person%201&limit=50'));
  const { items } = await get<Page<ClientListItem>>('/clients?search=Bench%20Person%200000');
  const id = items[0]!.id;
  const history = await timed(() => get(`/clients/${id}/assessments`));
  const one = await timed(() => get(`/clients/${id}`));
  const [[studio]] = (await db.query('SELECT studio_id AS id FROM client WHERE id = ?', [id])) as unknown as [
    { id: string }[],
  ];
  const bare = await timed(() =>
    db.query('SELECT * FROM client WHERE studio_id = ? AND archived_at IS NULL ORDER BY name, id LIMIT 51', [
      studio!.id,
    ]),
  );
  const bareOne = await timed(() => db.query('SELECT * FROM client WHERE id = ? AND studio_id = ?', [id, studio!.id]));
  await db.end();
  return [
    [
      `roster of ${CLIENTS} clients, first page of 50 (HTTP)`,
      `${ms(roster.p50)} p50, ${ms(roster.p95)} p95`,
      '≤ 100 ms p95',
    ],
    ['the same with a search', `${ms(search.p50)} p50, ${ms(search.p95)} p95`, '≤ 100 ms p95'],
    [
      `history of a client with 260 assessments, among ${READINGS} results (HTTP)`,
      `${ms(history.p50)} p50, ${ms(history.p95)} p95`,
      '≤ 100 ms p95',
    ],
    ['roster against its SQL by the bare driver, p50', `${ms(roster.p50)} against ${ms(bare.p50)}`, '≤ 3 × or + 5 ms'],
    [
      'a client’s path against its row by the bare driver, p50',
      `${ms(one.p50)} against ${ms(bareOne.p50)}`,
      '≤ 3 × or + 5 ms',
    ],
    [
      `import of ${READINGS} results (${(file.length / 1e6).toFixed(1)} MB CSV), checked and written in one transaction`,
      `${seconds.toFixed(1)} s; server ${before.toFixed(0)} → at most ${most.toFixed(0)} MB`,
      'bounded memory',
    ],
  ];
}

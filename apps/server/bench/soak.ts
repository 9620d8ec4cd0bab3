import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { createServer, type AddressInfo } from 'node:net';
import { request } from 'node:http';
import { fileURLToPath } from 'node:url';
import { createConnection } from 'mysql2/promise';
import { v7 as uuid } from 'uuid';

/**
 * A busy and unlucky quarter of an hour in a minute: `npm run soak` (SOAK_SECONDS, 60). One server process on a database of its own, on
 * loopback; coaches who read and write, phones that log, files that trickle in, exports that nobody reads, hostile bodies, and a kill every
 * fifteen seconds. At the end every acknowledged write has to be there once, and nothing may have met a fault.
 */
const SECONDS = Math.min(600, Number(process.env['SOAK_SECONDS'] ?? 60));
const KILL_EVERY_MS = 15_000;
const MAIN = fileURLToPath(new URL('../src/main.ts', import.meta.url));
const TSCONFIG = fileURLToPath(new URL('../tsconfig.json', import.meta.url));
const url = process.env['TEST_DATABASE_URL'];
if (!url) throw new Error('Run this through npm run soak: it needs a database of its own.');

async function freePort(): Promise<number> {
  const server = createServer().listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  server.close();
  return port;
}

const port = await freePort();
let child: ChildProcess;
async function start(): Promise<void> {
  child = spawn(process.execPath, ['--import', 'tsx', MAIN], {
    env: {
      ...process.env,
      ...{ TSX_TSCONFIG_PATH: TSCONFIG, PORT: String(port), DATABASE_URL: url!, LOG_LEVEL: 'silent' },
      SESSION_SECRET: 'a secret of the soak test, long enough',
    },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  await once(child, 'message');
}

let cookie = '';
const counts = new Map<string, number>();
const count = (what: string) => void counts.set(what, (counts.get(what) ?? 0) + 1);
const latencies: number[] = [];

/** A request; status 0 where nobody answered. */
async function send(method: string, path: string, body?: object | string): Promise<{ status: number; text: string }> {
  const at = performance.now();
  try {
    const response = await fetch(`http://127.0.0.1:${port}/api/v1${path}`, {
      method,
      headers: { cookie, 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
      signal: AbortSignal.timeout(30_000),
    });
    for (const c of response.headers.getSetCookie()) if (c.startsWith('yandle=')) cookie = c.split(';')[0]!;
    const text = await response.text();
    latencies.push(performance.now() - at);
    return { status: response.status, text };
  } catch {
    return { status: 0, text: '' };
  }
}

await start();
const owner = { email: 'owner@studio.example', password: 'four plain words here' };
await send('POST', '/setup', { studioName: 'Soak', timeZone: 'Europe/Vienna', coachName: 'Owner', ...owner });
const me = JSON.parse((await send('GET', '/me')).text) as { coach: { id: string }; today: string };
const end = Date.now() + SECONDS * 1000;
const acknowledged = new Set<string>();
const faults: string[] = [];
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** As the outbox does: again until somebody has acknowledged it. */
async function write(): Promise<void> {
  const body = {
    ...{
      id: uuid(),
      name: `Soak ${acknowledged.size}`,
      birthDate: '1980-01-10',
      sex: null,
      aim: '',
      experience: 'regular',
    },
    ...{
      trainingDays: [1, 3],
      minutesPerSession: 20,
      gentleGroups: [],
      screening: 'clear',
      screeningNote: '',
      notes: '',
    },
    leadCoachId: me.coach.id,
  };
  for (let tries = 0; tries < 100; tries++) {
    const { status, text } = await send('POST', '/clients', body);
    if (status === 201) return void (acknowledged.add(body.id), count('writes'));
    if (status !== 0 && status !== 503) return void faults.push(`write ${status} ${text}`);
    await pause(100);
  }
}
async function read(): Promise<void> {
  const paths = ['/today', '/clients?limit=50', '/test-catalogue', '/studio', '/account', '/health'];
  const path = paths[Math.floor(Math.random() * paths.length)]!;
  const { status } = await send('GET', path);
  if (status >= 500 && status !== 503) faults.push(`${path} ${status}`);
  count('reads');
}
const HOSTILE = [
  '[',
  '{"a":'.repeat(3000),
  '{"name":"\\u0000"}',
  JSON.stringify({ items: Array(50_000).fill({}) }),
  'null',
  '\u00ff',
];
async function attack(): Promise<void> {
  const body = HOSTILE[Math.floor(Math.random() * HOSTILE.length)]!;
  const { status } = await send('POST', Math.random() < 0.5 ? '/clients' : `/shared/sessions/${uuid()}/runs`, body);
  if (status >= 500 && status !== 503) faults.push(`hostile ${status}`);
  count('hostile');
}
/** A connection that is begun and never finished. */
async function trickle(): Promise<void> {
  const req = request({
    ...{ port, host: '127.0.0.1', method: 'POST', path: '/api/v1/imports/results' },
    headers: { cookie, 'content-type': 'text/csv', 'transfer-encoding': 'chunked' },
  });
  req.on('error', () => undefined);
  req.write('client,date,test,side,value\n');
  count('trickled');
  await pause(3000);
  req.destroy();
}
const forever = async (work: () => Promise<void>) => {
  while (Date.now() < end) await work();
};
async function kill(): Promise<void> {
  await pause(KILL_EVERY_MS);
  if (Date.now() > end - 5000) return;
  child.kill('SIGKILL');
  count('kills');
  await start();
}
await Promise.all([
  ...Array.from({ length: 6 }, () => forever(write)),
  ...Array.from({ length: 6 }, () => forever(read)),
  ...Array.from({ length: 2 }, () => forever(attack)),
  ...Array.from({ length: 14 }, () => forever(trickle)),
  forever(kill),
]);
const db = await createConnection(url);
const [rows] = (await db.query("SELECT id FROM client WHERE name LIKE 'Soak %'")) as unknown as [{ id: string }[]];
await db.end();
child!.kill('SIGTERM');
const there = new Map<string, number>();
for (const { id } of rows) there.set(id, (there.get(id) ?? 0) + 1);
const lost = [...acknowledged].filter((id) => !there.has(id)).length;
const doubled = [...there.values()].filter((n) => n > 1).length;
latencies.sort((a, b) => a - b);
const quantile = (p: number) => `${(latencies[Math.floor(latencies.length * p)] ?? 0).toFixed(0)} ms`;
process.stdout.write(
  `${[...counts].map(([what, n]) => `${n} ${what}`).join(', ')} in ${SECONDS} s\n` +
    `answers: ${quantile(0.5)} p50, ${quantile(0.99)} p99\n` +
    `${acknowledged.size} acknowledged: ${lost} lost, ${doubled} doubled; ${faults.length} faults\n${faults.slice(0, 10).join('\n')}\n`,
);
process.exit(lost + doubled + faults.length === 0 ? 0 : 1);

import { createServer, type Server } from 'node:http';
import { setTimeout as sleep } from 'node:timers/promises';
import { pino, type Logger } from 'pino';
import { DatabaseSessionStore } from './accounts/session-store.js';
import { createApp } from './app.js';
import { SYSTEM_CLOCK } from './clock.js';
import { command, isCommand } from './commands.js';
import { readConfig, type Config } from './config.js';
import { openDataSource } from './database/data-source.js';
import { HealthProbe } from './database/health-probe.js';
import { migrate } from './database/lease.js';
import { errorForLog } from './http/error-handler.js';
import type { Life } from './http/health.js';
import { Limits } from './limits/limit.js';
import { eraseByTerm } from './privacy/erase.js';
import { acceptStandingOfAll } from './review/standing.js';
import { lookAtWeeksOfAll } from './review/week-look.js';
import { erasedFile } from './privacy/erased-file.js';

const HOUR_MS = 60 * 60 * 1000;
/** How long a whole request may take to arrive, and its head alone. */
const REQUEST_MS = 120_000;
const HEAD_MS = 20_000;
/** An idle connection stays open longer than a proxy or a browser means to use it again: closed earlier, a request meets a closing door. */
const IDLE_MS = 75_000;

/** The log: on the console, or in files that only the owner reads, five of ten megabytes at most. */
function logOf(config: Config): Logger {
  if (config.logFile === null) return pino({ level: config.logLevel });
  const options = {
    file: config.logFile,
    size: '10m',
    limit: { count: 5 },
    mkdir: true,
    mode: 0o600,
    extension: '.log',
  };
  return pino({ level: config.logLevel }, pino.transport({ target: 'pino-roll', options }) as pino.DestinationStream);
}

/** Ends after what is under way was answered. Meanwhile health says that this process takes no more. */
function endsWell(server: Server, life: Life, config: Config, log: Logger, close: () => Promise<void>): void {
  const stop = async (signal: string) => {
    if (life.stopping) return;
    life.stopping = true;
    log.info({ signal }, 'stopping');
    setTimeout(() => process.exit(1), config.graceMs + 15_000).unref();
    // Whoever sends requests here looks at health first; they get this long to see it.
    await sleep(config.graceMs);
    server.close(() => void close().finally(() => process.exit(0)));
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 10_000).unref();
  };
  process.on('SIGTERM', () => void stop('SIGTERM'));
  process.on('SIGINT', () => void stop('SIGINT'));
}

function warnOfProxy(config: Config, log: Logger): void {
  if (config.publicUrl && config.trustedProxies === 0)
    log.warn(
      'PUBLIC_URL is set and TRUSTED_PROXIES is 0: behind a proxy everybody has its address, and limits count them as one. Set TRUSTED_PROXIES to the number of proxies in front.',
    );
  if (config.publicUrl?.startsWith('http:'))
    log.warn('PUBLIC_URL is not https: cookies travel readable, and phones cannot keep the sessions.');
}

/** Starts the server: migrations, then listening. Ends cleanly on SIGTERM and SIGINT. */
async function start(): Promise<void> {
  const config = readConfig(process.env);
  const log = logOf(config);
  const source = await openDataSource(config.databaseUrl);
  await migrate(source);
  const [name, ...args] = process.argv.slice(2);
  if (isCommand(name)) {
    await command(name, args, source, SYSTEM_CLOCK, log);
    return source.destroy();
  }
  const store = new DatabaseSessionStore(source, SYSTEM_CLOCK);
  const probe = new HealthProbe(config.databaseUrl);
  const life: Life = { stopping: false };
  const limits = new Limits(source, SYSTEM_CLOCK);
  const server = createServer(
    { requestTimeout: REQUEST_MS, headersTimeout: HEAD_MS, keepAliveTimeout: IDLE_MS },
    createApp({ config, source, store, clock: SYSTEM_CLOCK, log, probe, life }),
  );
  warnOfProxy(config, log);
  const tell = erasedFile(config.erasedFile);
  const sweep = async () => {
    await store.sweep();
    await limits.sweep();
    const erased = await eraseByTerm(source, SYSTEM_CLOCK);
    for (const gone of erased) await tell(gone);
    if (erased.length > 0) log.info({ erased: erased.length }, 'archived clients erased by term');
    const fault = (err: unknown) => log.warn({ fault: errorForLog(err) }, 'standing review');
    const accepted = await acceptStandingOfAll(source, SYSTEM_CLOCK, fault);
    if (accepted.lanes > 0) log.info(accepted, 'plain reviews accepted by themselves');
    await lookAtWeeksOfAll(source, SYSTEM_CLOCK, (err) => log.warn({ fault: errorForLog(err) }, 'looking at weeks'));
  };
  const sweeping = () => void sweep().catch((err: unknown) => log.warn({ fault: errorForLog(err) }, 'sweep'));
  setInterval(sweeping, HOUR_MS).unref();
  sweeping();
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(config.port, config.host, resolve);
  });
  log.info({ port: config.port }, 'listening');
  process.send?.('listening');
  endsWell(server, life, config, log, async () => {
    probe.close();
    await source.destroy();
  });
}

start().catch((err: unknown) => {
  process.stderr.write(`${err instanceof Error ? err.message : String(err)}\n`);
  process.exit(1);
});

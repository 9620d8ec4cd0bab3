import { createServer } from 'node:http';
import { pino } from 'pino';
import { DatabaseSessionStore } from './accounts/session-store.js';
import { createApp } from './app.js';
import { SYSTEM_CLOCK } from './clock.js';
import { readConfig } from './config.js';
import { createDataSource } from './database/data-source.js';
import { loadDemoOnce, resetDemo } from './demo/load.js';

const HOUR_MS = 60 * 60 * 1000;

/** Starts the server: migrations, demo data when asked for, then listening. Ends cleanly on SIGTERM and SIGINT. */
async function start(): Promise<void> {
  const config = readConfig(process.env);
  const log = pino({ level: config.logLevel });
  const source = createDataSource(config.databaseUrl);
  await source.initialize();
  await source.runMigrations({ transaction: 'each' });
  const store = new DatabaseSessionStore(source, SYSTEM_CLOCK);

  const command = process.argv[2];
  if (command === 'migrate') return source.destroy();
  if (command === 'load-demo') {
    const loaded = await loadDemoOnce(source, SYSTEM_CLOCK);
    log.info({ loaded }, 'demo data');
    return source.destroy();
  }
  if (command === 'reset-demo') {
    await resetDemo(source, SYSTEM_CLOCK);
    return source.destroy();
  }

  const server = createServer(createApp({ config, source, store, clock: SYSTEM_CLOCK, log }));
  const sweep = setInterval(
    () => void store.sweep().catch((err: unknown) => log.warn({ err }, 'session sweep')),
    HOUR_MS,
  );
  sweep.unref();
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(config.port, config.host, resolve);
  });
  log.info({ port: config.port }, 'listening');
  process.send?.('listening');

  let stopping = false;
  const stop = (signal: string) => {
    if (stopping) return;
    stopping = true;
    log.info({ signal }, 'stopping');
    // Requests under way are answered; idle connections are closed; nothing holds the end up for long.
    server.close(() => void source.destroy().finally(() => process.exit(0)));
    server.closeIdleConnections();
    // Streams never end by themselves.
    setTimeout(() => server.closeAllConnections(), 2_000).unref();
    setTimeout(() => process.exit(1), 10_000).unref();
  };
  process.on('SIGTERM', () => stop('SIGTERM'));
  process.on('SIGINT', () => stop('SIGINT'));
}

start().catch((err: unknown) => {
  process.stderr.write(`${err instanceof Error ? err.message : String(err)}\n`);
  process.exit(1);
});

import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { ensureMariaDb } from './lib/debian.mjs';
import { PrivateMariaDb } from './lib/mariadb.mjs';
import { run } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';

/** Runs a command with a MariaDB of its own: `node scripts/with-database.mjs COMMAND ARGS`. The data goes with it. API tests have a
 * database for each of TEST_WORKERS beside it. */
main(async () => {
  const [command, ...args] = process.argv.slice(2);
  if (!command) throw new Stop('Say what to run: node scripts/with-database.mjs COMMAND ARGS');
  await ensureMariaDb();
  const base = mkdtempSync(`${tmpdir()}/yandle-test-`);
  const database = new PrivateMariaDb(base, { preferredPort: 4206, quiet: true });
  say('Starting a database for the tests ...');
  await database.start();
  const workers = Number(process.env.TEST_WORKERS ?? 2);
  await database.addSchemas(workers);
  const env = {
    ...process.env,
    DATABASE_URL: database.url,
    TEST_DATABASE_URL: database.url,
    TEST_WORKERS: String(workers),
  };
  const { code } = await run(command, args, { env });
  await database.stop();
  rmSync(base, { recursive: true, force: true });
  process.exit(code);
});

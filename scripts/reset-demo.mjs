import { checkNode } from './lib/node-version.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { main, say, Stop } from './lib/say.mjs';

/** Puts the demo studios back to how they were at first. Other studios are not touched. Works while the product runs. */
async function reset() {
  checkNode();
  const { ensurePackages } = await import('./lib/packages.mjs');
  await ensurePackages();
  const { buildIfChanged } = await import('./build.mjs');
  await buildIfChanged();
  const { run } = await import('./lib/run.mjs');
  let url = process.env.DATABASE_URL;
  let database = null;
  let wasRunning = true;
  if (!url) {
    const { ensureMariaDb } = await import('./lib/debian.mjs');
    const { PrivateMariaDb } = await import('./lib/mariadb.mjs');
    await ensureMariaDb();
    database = new PrivateMariaDb(`${DATA}/mariadb`);
    wasRunning = database.ownPid() !== null;
    await database.start();
    url = database.url;
  }
  const { code, output } = await run(process.execPath, [`${ROOT}/apps/server/dist/main.js`, 'reset-demo'], {
    quiet: true,
    env: { ...process.env, DATABASE_URL: url },
  });
  if (!wasRunning) await database?.stop();
  if (code !== 0) throw new Stop(`The demo data could not be reset:\n${output.slice(-2000)}`);
  say('The demo studios are as they were at first.');
}

main(reset);

import { checkNode } from './lib/node-version.mjs';
import { ROOT } from './lib/paths.mjs';
import { main, say, Stop } from './lib/say.mjs';

/** Puts the demo studios back to how they were at first. Other studios are not touched. Works while the product runs. */
async function reset() {
  checkNode();
  const { ensurePackages } = await import('./lib/packages.mjs');
  await ensurePackages();
  const { buildIfChanged } = await import('./build.mjs');
  await buildIfChanged();
  const { run } = await import('./lib/run.mjs');
  const { productDatabase } = await import('./lib/product-database.mjs');
  const database = await productDatabase();
  const { code, output } = await run(process.execPath, [`${ROOT}/apps/server/dist/main.js`, 'reset-demo'], {
    quiet: true,
    env: { ...process.env, DATABASE_URL: database.url },
  });
  await database.close();
  if (code !== 0) throw new Stop(`The demo data could not be reset:\n${output.slice(-2000)}`);
  say('The demo studios are as they were at first.');
}

main(reset);

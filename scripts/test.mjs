import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { checkNode } from './lib/node-version.mjs';
import { ROOT } from './lib/paths.mjs';
import { main, say } from './lib/say.mjs';

const OUT = `${ROOT}/.test-output`;
/** Files of API tests that run at once, each on a database of its own. */
const API_WORKERS = 2;
let passed = 0;
let failed = 0;
const broken = [];

function count(name, good, bad) {
  passed += good;
  failed += bad;
  if (bad > 0) broken.push(`${name}: ${bad} failed`);
}

function readJson(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}

/** Adds up a suite by its report. A suite that ends badly without a failed test has failed as a whole. */
function countSuite(name, code, good, bad) {
  count(name, good, bad === 0 && (code !== 0 || good === 0) ? 1 : bad);
}

/** Everything, with all set-up of its own; what uses one core only runs two at a time. The last line says how it went. */
main(async () => {
  checkNode();
  const { ensurePackages } = await import('./lib/packages.mjs');
  const { ensureChromium, ensureMariaDb } = await import('./lib/debian.mjs');
  const { PrivateMariaDb } = await import('./lib/mariadb.mjs');
  const { run } = await import('./lib/run.mjs');
  const { buildIfChanged } = await import('./build.mjs');
  await ensurePackages();
  await ensureMariaDb();
  await ensureChromium();
  rmSync(OUT, { recursive: true, force: true });
  mkdirSync(OUT, { recursive: true });
  const step = (name) => say(`\n== ${name}`);

  // Each is one process on one core: two at a time.
  step('types · lint, format');
  const still = async (name, script) => {
    const { code } = await run('npm', ['run', '--silent', script]);
    count(name, code === 0 ? 1 : 0, code === 0 ? 0 : 1);
  };
  await Promise.all([still('types', 'typecheck'), still('lint', 'lint').then(() => still('format', 'format:check'))]);

  const vitest = async (name, args, env = process.env) => {
    step(name);
    const file = `${OUT}/${name}.json`;
    const { code } = await run('npx', [...args, '--reporter=default', '--reporter=json', `--outputFile.json=${file}`], {
      env,
    });
    const report = readJson(file);
    countSuite(name, code, report?.numPassedTests ?? 0, report?.numFailedTests ?? 0);
  };
  await vitest('core', ['vitest', 'run', '--root', 'packages/core']);
  await vitest('contract', ['vitest', 'run', '--root', 'packages/contract']);
  await vitest('server', ['vitest', 'run', '--root', 'apps/server', '--config', 'vitest.unit.config.ts']);

  const base = mkdtempSync(`${tmpdir()}/yandle-test-`);
  const database = new PrivateMariaDb(base, { preferredPort: 4206, quiet: true });
  await database.start();
  await database.addSchemas(API_WORKERS);
  await vitest('api', ['vitest', 'run', '--root', 'apps/server', '--config', 'vitest.api.config.ts'], {
    ...process.env,
    TEST_DATABASE_URL: database.url,
    TEST_WORKERS: String(API_WORKERS),
  });
  await database.stop();
  rmSync(base, { recursive: true, force: true });

  step('web');
  const web = await run('npx', [
    'ng',
    'test',
    'web',
    '--watch=false',
    '--reporters=json',
    `--output-file=${OUT}/web.json`,
  ]);
  const webReport = readJson(`${OUT}/web.json`);
  for (const file of webReport?.testResults ?? [])
    for (const t of file.assertionResults)
      if (t.status === 'failed') say(`FAIL ${t.fullName}\n${t.failureMessages.join('\n')}`);
  say(`${webReport?.numPassedTests ?? 0} passed, ${webReport?.numFailedTests ?? 0} failed`);
  countSuite('web', web.code, webReport?.numPassedTests ?? 0, webReport?.numFailedTests ?? 0);

  step('e2e');
  await buildIfChanged();
  const e2e = await run(
    process.execPath,
    [
      'scripts/with-product.mjs',
      '--products',
      '2',
      'npx',
      'playwright',
      'test',
      '--config',
      'e2e/playwright.config.ts',
    ],
    { env: { ...process.env, E2E_JSON: `${OUT}/e2e.json` } },
  );
  const stats = existsSync(`${OUT}/e2e.json`) ? readJson(`${OUT}/e2e.json`)?.stats : null;
  // What passes at the second try only has failed.
  countSuite('e2e', e2e.code, stats?.expected ?? 0, (stats?.unexpected ?? 0) + (stats?.flaky ?? 0));

  if (broken.length > 0) say(`\n${broken.join('\n')}`);
  say(`\n${passed} passed, ${failed} failed`);
  process.exit(failed === 0 ? 0 : 1);
});

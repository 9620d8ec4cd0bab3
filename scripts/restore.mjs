import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { backUp, load, passphrase, unseal } from './lib/backup.mjs';
import { checkNode } from './lib/node-version.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { productDatabase } from './lib/product-database.mjs';
import { run } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';

const SERVER = `${ROOT}/apps/server/dist/main.js`;

async function assertStopped() {
  const { commandLine, isAlive } = await import('./lib/processes.mjs');
  try {
    const { parent, address } = JSON.parse(readFileSync(`${DATA}/run.json`, 'utf8'));
    if (!process.env.DATABASE_URL && isAlive(parent) && commandLine(parent).includes('scripts/start.mjs'))
      throw new Stop(`Yandle is running at ${address}. Stop it first: a restore changes all there is.`);
  } catch (err) {
    if (err instanceof Stop) throw err;
  }
}

/** Ids of the file that the running product writes when somebody is erased, and of another one that was given. */
function listed(files) {
  return files
    .filter((f) => f && existsSync(f))
    .flatMap((f) => {
      const text = readFileSync(f, 'utf8').trim();
      return text === '' ? [] : text.startsWith('[') ? JSON.parse(text) : text.split('\n').map((l) => JSON.parse(l));
    });
}

/**
 * Puts everything back as a backup has it: `npm run restore -- FILE [--erased FILE]`. Before it changes anything it reads the whole backup
 * and writes one of what there is now; afterwards whoever was erased since is erased once more.
 */
main(async () => {
  checkNode();
  const [file, flag, list] = process.argv.slice(2);
  if (!file || (flag && flag !== '--erased')) throw new Stop('Say which: npm run restore -- FILE [--erased FILE]');
  const secret = passphrase();
  await assertStopped();
  const { ensurePackages } = await import('./lib/packages.mjs');
  await ensurePackages();
  const { buildServer } = await import('./build.mjs');
  await buildServer();
  const database = await productDatabase();
  const folder = mkdtempSync(`${tmpdir()}/yandle-restore-`);
  const env = { ...process.env, DATABASE_URL: database.url };
  const server = async (...args) => {
    const { code, output } = await run(process.execPath, [SERVER, ...args], { quiet: true, env });
    if (code !== 0) throw new Stop(`The restored database could not be prepared:\n${output.slice(-2000)}`);
  };
  try {
    await unseal(file, secret, `${folder}/dump.sql`);
    await server('list-erased', `${folder}/now.json`);
    const erased = listed([`${folder}/now.json`, process.env.ERASED_FILE ?? `${DATA}/erased.jsonl`, list]);
    const before = await backUp(database.url, secret, 'before-restore');
    try {
      await load(database.url, `${folder}/dump.sql`);
    } catch (err) {
      throw new Stop(`${err.message}\nWhat was there before: npm run restore -- ${before}`);
    }
    const ids = [...new Map(erased.map((e) => [e.id, e])).values()];
    writeFileSync(`${folder}/erased.json`, JSON.stringify(ids), { mode: 0o600 });
    await server('erase-again', `${folder}/erased.json`);
    say(`Restored from ${file}.`);
    say(
      `${ids.length} erased ${ids.length === 1 ? 'client is' : 'clients are'} not in it. What was there before: ${before}`,
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
    await database.close();
  }
});

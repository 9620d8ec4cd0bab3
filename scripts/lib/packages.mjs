import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { ROOT } from './paths.mjs';
import { run } from './run.mjs';
import { say, Stop } from './say.mjs';

const MARK = `${ROOT}/node_modules/.yandle-lock`;

/** Installs the npm packages when the lock file differs from the one installed last. */
export async function ensurePackages() {
  const hash = createHash('sha256')
    .update(readFileSync(`${ROOT}/package-lock.json`))
    .digest('hex');
  if (existsSync(MARK) && readFileSync(MARK, 'utf8') === hash) return;
  say('Installing npm packages (a minute or two) ...');
  const { code, output } = await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { quiet: true });
  if (code !== 0) throw new Stop(`npm ci failed:\n${output.slice(-3000)}\nCheck the network, then start again.`);
  writeFileSync(MARK, hash);
}

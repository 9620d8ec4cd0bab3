import { has, run } from './run.mjs';
import { say, Stop } from './say.mjs';

/**
 * Makes sure that a program of a Debian package is there: installs the package when this process may, else says what to run.
 * @param {string[]} programs any of these will do
 */
export async function ensureDebian(programs, packageName, what) {
  for (const p of programs) if (await has(p)) return;
  const command = `apt-get update && apt-get install -y --no-install-recommends ${packageName}`;
  const root = process.getuid?.() === 0;
  const sudo = !root && (await run('sudo', ['-n', 'true'], { quiet: true })).code === 0;
  if (!(root || sudo) || !(await has('apt-get')))
    throw new Stop(
      `${what} is missing and cannot be installed from here. Run this, then start again:\n\n  sudo sh -c '${command}'\n`,
    );
  say(`Installing ${packageName} from Debian (about half a minute) ...`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const result = root
    ? await run('sh', ['-c', command], { quiet: true, env })
    : await run('sudo', ['-n', 'sh', '-c', `DEBIAN_FRONTEND=noninteractive; export DEBIAN_FRONTEND; ${command}`], {
        quiet: true,
      });
  if (result.code !== 0)
    throw new Stop(
      `Installing ${packageName} failed:\n${result.output.slice(-2000)}\nRun this by hand, then start again:\n\n  sudo sh -c '${command}'\n`,
    );
}

export const ensureMariaDb = () => ensureDebian(['mariadbd', '/usr/sbin/mariadbd'], 'mariadb-server', 'MariaDB');
export const ensureChromium = () => ensureDebian(['chromium'], 'chromium', 'Chromium (for the browser tests)');

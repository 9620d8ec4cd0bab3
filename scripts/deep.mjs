// Every random suite of the computation with many times as many cases: hours of luck in some minutes. DEEP sets how many times (20).
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const run = (command, args) =>
  spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, DEEP: process.env.DEEP ?? '20' } })
    .status ?? 1;
const core = run('npx', ['vitest', 'run', '--root', 'packages/core', ...process.argv.slice(2)]);
// And ten thousand hostile requests to the server.
process.exitCode = core || run('npm', ['run', '--silent', 'test:api', '--', 'test/fuzz.test.ts']);

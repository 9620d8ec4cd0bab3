import { run } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';

const PROJECTS = [
  'packages/core/tsconfig.json',
  'packages/contract/tsconfig.json',
  'apps/server/tsconfig.json',
  'apps/web/tsconfig.app.json',
  'apps/web/tsconfig.spec.json',
  'e2e/tsconfig.json',
  'scripts/tsconfig.json',
];

/** Type-checks every room. Templates of the web application are checked by its build. */
main(async () => {
  let failed = 0;
  for (const project of PROJECTS) {
    const { code, output } = await run('npx', ['tsc', '--noEmit', '-p', project], { quiet: true });
    if (code !== 0) {
      failed++;
      say(`${project}\n${output}`);
    }
  }
  if (failed > 0) process.exit(1);
});

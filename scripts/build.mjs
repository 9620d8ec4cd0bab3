import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { ROOT } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';

const MARK = `${ROOT}/apps/server/dist/.sources`;
const OUTPUTS = [`${ROOT}/apps/server/dist/main.js`, `${ROOT}/apps/web/dist/web/index.html`];
/** What the build reads. */
const SOURCES = [
  'packages/core/src',
  'packages/contract/src',
  'apps/server/src',
  'apps/web/src',
  'apps/web/public',
  'apps/web/package.json',
  'apps/web/tsconfig.app.json',
  'apps/web/ngsw-config.json',
  'apps/web/.postcssrc.json',
  'angular.json',
  'tsconfig.base.json',
  'package-lock.json',
  'scripts/build.mjs',
];

function* filesUnder(path) {
  if (!existsSync(path)) return;
  if (statSync(path).isFile()) return void (yield path);
  for (const name of readdirSync(path).sort()) yield* filesUnder(`${path}/${name}`);
}

/** Fingerprint of all sources: content, so that a fresh checkout of the same content counts as the same. */
function fingerprint() {
  const hash = createHash('sha256');
  for (const source of SOURCES)
    for (const file of filesUnder(`${ROOT}/${source}`)) {
      if (file.endsWith('.spec.ts')) continue;
      hash.update(file.slice(ROOT.length)).update('\0').update(readFileSync(file)).update('\0');
    }
  return hash.digest('hex');
}

export async function buildServer() {
  const { build } = await import('esbuild');
  await build({
    entryPoints: { main: `${ROOT}/apps/server/src/main.ts` },
    outdir: `${ROOT}/apps/server/dist`,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    alias: {
      '@yandle/core': `${ROOT}/packages/core/src/index.ts`,
      '@yandle/contract/schemas': `${ROOT}/packages/contract/src/schemas/index.ts`,
      '@yandle/contract': `${ROOT}/packages/contract/src/index.ts`,
    },
    tsconfig: `${ROOT}/apps/server/tsconfig.json`,
    sourcemap: true,
    keepNames: true,
    logLevel: 'warning',
  });
}

/** Builds server and web application when their sources differ from those built last. */
export async function buildIfChanged() {
  const print = fingerprint();
  if (OUTPUTS.every((f) => existsSync(f)) && existsSync(MARK) && readFileSync(MARK, 'utf8') === print) return;
  say('Building (about half a minute) ...');
  await buildServer();
  const { code, output } = await run('npx', ['ng', 'build', 'web', '--configuration', 'production'], { quiet: true });
  if (code !== 0) throw new Stop(`The web application does not build:\n${output.slice(-4000)}`);
  mkdirSync(`${ROOT}/apps/server/dist`, { recursive: true });
  writeFileSync(MARK, print);
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) main(buildIfChanged);

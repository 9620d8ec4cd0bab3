import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { buildIfChanged } from '../build.mjs';
import { ensureChromium, ensureMariaDb } from './debian.mjs';
import { PrivateMariaDb } from './mariadb.mjs';
import { ROOT } from './paths.mjs';
import { freePort } from './ports.mjs';
import { end, isAlive } from './processes.mjs';
import { run } from './run.mjs';
import { Stop } from './say.mjs';

const SERVER = `${ROOT}/apps/server/dist/main.js`;

/** What every product needs, once. */
export async function prepareProducts() {
  await ensureMariaDb();
  await ensureChromium();
  await buildIfChanged();
}

/** The built product with demo data on a database of its own: for browser tests and pictures, beside a running one. */
export class TestProduct {
  async start() {
    this.base = mkdtempSync(`${tmpdir()}/yandle-e2e-`);
    this.database = new PrivateMariaDb(this.base, { preferredPort: 4306, quiet: true });
    await this.database.start();
    this.database.guard();
    this.port = await freePort(4400);
    this.env = {
      ...process.env,
      PORT: String(this.port),
      HOST: '127.0.0.1',
      DATABASE_URL: this.database.url,
      SESSION_SECRET: 'a secret of the browser tests, long enough',
      LOG_LEVEL: 'warn',
    };
    const { code, output } = await run(process.execPath, [SERVER, 'load-demo'], { quiet: true, env: this.env });
    if (code !== 0) throw new Stop(`Demo data could not be loaded:\n${output}`);
    await this.database.dump(this.demo);
    await this.startServer();
    return `http://127.0.0.1:${this.port}`;
  }

  get demo() {
    return `${this.base}/demo.sql`;
  }

  /** The demo data as it was loaded, whatever was done since. */
  async refresh() {
    await this.database.restore(this.demo);
    await this.startServer();
  }

  async startServer() {
    if (this.child && isAlive(this.child.pid)) return;
    this.child = spawn(process.execPath, [SERVER], { env: this.env, stdio: ['ignore', 'ignore', 'inherit', 'ipc'] });
    await new Promise((resolve, reject) => {
      this.child.once('message', resolve);
      this.child.once('exit', () => reject(new Stop('The server for the browser tests did not start.')));
    });
  }

  /** Ends the server without any goodbye, as a crash does. */
  async killServer() {
    this.child.removeAllListeners('exit');
    this.child.kill('SIGKILL');
    while (isAlive(this.child.pid)) await new Promise((r) => setTimeout(r, 20));
  }

  /** Ends the database as a crash does. Whoever guards it starts it again. */
  async killDatabase() {
    process.kill(this.database.ownPid(), 'SIGKILL');
  }

  async stop() {
    if (this.child && isAlive(this.child.pid)) await end(this.child.pid);
    await this.database?.stop();
    rmSync(this.base, { recursive: true, force: true });
  }
}

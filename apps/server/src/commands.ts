import { readFile, writeFile } from 'node:fs/promises';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { plainEmail } from './accounts/sign-in.js';
import type { Clock } from './clock.js';
import { withLease } from './database/lease.js';
import { allErased, coachAt, type Erased } from './database/studios.js';
import { loadDemoOnce, resetDemo } from './demo/load.js';
import { eraseAgain } from './privacy/erase.js';
import { makeResetLink } from './studio/service.js';

type Command = (source: DataSource, clock: Clock, args: readonly string[], log: Logger) => Promise<void>;

/** What whoever runs the server can do at its command line, the tables being brought up to today first. */
const COMMANDS: Readonly<Record<string, Command>> = {
  migrate: () => Promise.resolve(),
  'load-demo': async (source, clock, _args, log) => {
    const loaded = await withLease(source, 'demo', () => loadDemoOnce(source, clock));
    log.info({ loaded }, 'demo data');
  },
  'reset-demo': (source, clock) => withLease(source, 'demo', () => resetDemo(source, clock)),
  /** `reset-link name@studio.example`: a way back in for an owner whom nobody else can let in. */
  'reset-link': async (source, clock, [email]) => {
    const found = await coachAt(source, plainEmail(email ?? ''), clock.now());
    if (!found) throw new Error(`There is no coach with the address "${email ?? ''}".`);
    const { path } = await makeResetLink(found.data, found.coach.id);
    process.stdout.write(`${path}\n`);
  },
  /** `list-erased FILE`: ids of clients who were erased, for a restore. */
  'list-erased': async (source, _clock, [file]) => {
    await writeFile(file!, JSON.stringify(await allErased(source)), { mode: 0o600 });
  },
  /** `erase-again FILE`: after a restore, whom the list names is erased once more. */
  'erase-again': async (source, clock, [file], log) => {
    const erased = await eraseAgain(source, clock, JSON.parse(await readFile(file!, 'utf8')) as Erased[]);
    log.info({ erased }, 'erased again');
  },
};

export function isCommand(name: string | undefined): name is string {
  return name !== undefined && Object.hasOwn(COMMANDS, name);
}

export function command(
  name: string,
  args: readonly string[],
  source: DataSource,
  clock: Clock,
  log: Logger,
): Promise<void> {
  return COMMANDS[name]!(source, clock, args, log);
}

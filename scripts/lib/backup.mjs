import { spawn } from 'node:child_process';
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
} from 'node:fs';
import { open, rename } from 'node:fs/promises';
import { once } from 'node:events';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { DATA } from './paths.mjs';
import { Stop } from './say.mjs';

const DAY_MS = 24 * 60 * 60 * 1000;
/** What stands at the end of a whole dump. */
const WHOLE = /-- Dump completed/;
/** AES-256 by openssl; the key from the passphrase by 600,000 rounds of PBKDF2 (OWASP, for SHA-256). */
const CIPHER = ['enc', '-aes-256-cbc', '-pbkdf2', '-iter', '600000', '-md', 'sha256'];

export const FOLDER = process.env.BACKUP_DIR ?? `${DATA}/backups`;

/** @throws Stop saying how to give one */
export function passphrase() {
  const { BACKUP_PASSPHRASE, BACKUP_PASSPHRASE_FILE } = process.env;
  const given =
    BACKUP_PASSPHRASE ?? (BACKUP_PASSPHRASE_FILE ? readFileSync(BACKUP_PASSPHRASE_FILE, 'utf8').trim() : '');
  if (given.length >= 12) return given;
  throw new Stop(
    'Backups are encrypted: give a passphrase of 12 characters or more as BACKUP_PASSPHRASE, or a file with it as BACKUP_PASSPHRASE_FILE.\nKeep it elsewhere: without it no backup can be read.',
  );
}

/** Where a program of MariaDB finds the database; the password travels in the environment, where no list of processes shows it. */
function client(url, program, args) {
  const u = new URL(url);
  return spawn(
    program,
    [
      '--no-defaults',
      `--host=${u.hostname}`,
      `--port=${u.port || 3306}`,
      '--protocol=tcp',
      `--user=${decodeURIComponent(u.username)}`,
      '--default-character-set=utf8mb4',
      ...args,
      u.pathname.slice(1),
    ],
    { env: { ...process.env, MYSQL_PWD: decodeURIComponent(u.password) }, stdio: ['pipe', 'pipe', 'pipe'] },
  );
}

const openssl = (args, secret) =>
  spawn('openssl', [...CIPHER, ...args, '-pass', 'env:YANDLE_PASSPHRASE'], {
    env: { ...process.env, YANDLE_PASSPHRASE: secret },
    stdio: ['pipe', 'pipe', 'pipe'],
  });

/** Waits for a program's good end. */
async function ends(child, what) {
  let said = '';
  child.stderr.on('data', (d) => (said = (said + d).slice(-1000)));
  const [code] = await once(child, 'close');
  if (code !== 0) throw new Stop(`${what}:\n${said}`);
}

/**
 * Writes all tables, as they are at one moment, into an encrypted file.
 * @returns the file's path
 */
export async function backUp(url, secret, name = 'yandle') {
  mkdirSync(FOLDER, { recursive: true, mode: 0o700 });
  const stamp = new Date().toISOString().replace(/[:.]/g, '-');
  const file = `${FOLDER}/${name}-${stamp}.sql.gz.enc`;
  const draft = `${file}.part`;
  const dump = client(url, 'mariadb-dump', ['--single-transaction', '--quick', '--no-tablespaces', '--hex-blob']);
  const seal = openssl(['-salt'], secret);
  try {
    dump.stdin.end();
    await Promise.all([
      ends(dump, 'The database could not be written to a file'),
      ends(seal, 'The file could not be encrypted'),
      pipeline(dump.stdout, createGzip(), seal.stdin),
      pipeline(seal.stdout, createWriteStream(draft, { mode: 0o600 })),
    ]);
    // On the disk, whatever happens next; only then it has its name.
    const handle = await open(draft, 'r');
    await handle.sync();
    await handle.close();
    await rename(draft, file);
  } catch (err) {
    rmSync(draft, { force: true });
    throw err;
  }
  return file;
}

/** Removes backups that are older than so many days; the newest one stays whatever its age. @returns how many */
export function dropOld(days, now = Date.now()) {
  const files = readdirSync(FOLDER)
    .filter((f) => /^yandle-.*\.sql\.gz\.enc$/.test(f))
    .sort();
  const old = files.slice(0, -1).filter((f) => now - statSync(`${FOLDER}/${f}`).mtimeMs > days * DAY_MS);
  for (const f of old) rmSync(`${FOLDER}/${f}`);
  return old.length;
}

/**
 * Decrypts a backup into a file that only the owner reads. What is not whole, or was sealed with another passphrase, is refused before any
 * table is touched.
 */
export async function unseal(file, secret, into) {
  if (!existsSync(file)) throw new Stop(`There is no file ${file}.`);
  const unlock = openssl(['-d'], secret);
  let tail = '';
  try {
    await Promise.all([
      ends(unlock, 'wrong'),
      pipeline(createReadStream(file), unlock.stdin),
      pipeline(
        unlock.stdout,
        createGunzip(),
        async function* (chunks) {
          for await (const chunk of chunks) {
            tail = (tail + chunk.toString('latin1')).slice(-200);
            yield chunk;
          }
        },
        createWriteStream(into, { mode: 0o600 }),
      ),
    ]);
  } catch {
    tail = '';
  }
  if (!WHOLE.test(tail)) {
    rmSync(into, { force: true });
    throw new Stop(`${file} cannot be read: another passphrase, or not the whole file. Nothing was changed.`);
  }
}

/** Puts all tables as a dump has them; tables that it does not have are removed first. */
export async function load(url, dump) {
  const sql = async (text) => {
    const child = client(url, 'mariadb', ['-N', '-B']);
    let out = '';
    child.stdout.on('data', (d) => (out += d));
    child.stdin.end(text);
    await ends(child, 'The database refused');
    return out;
  };
  const tables = await sql('SELECT table_name FROM information_schema.tables WHERE table_schema = DATABASE();');
  const drops = tables
    .split('\n')
    .filter((t) => t !== '')
    .map((t) => `DROP TABLE IF EXISTS \`${t}\`;`);
  await sql(`SET FOREIGN_KEY_CHECKS = 0;\n${drops.join('\n')}`);
  const child = client(url, 'mariadb', []);
  child.stdout.resume();
  await Promise.all([ends(child, 'The tables could not be loaded'), pipeline(createReadStream(dump), child.stdin)]);
}

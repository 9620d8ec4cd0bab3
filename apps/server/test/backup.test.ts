import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createDataSource } from '../src/database/data-source.js';
import { loadDemoOnce } from '../src/demo/load.js';
import { bareDatabase, databaseUrl, emptyDatabase, NOW } from './harness.js';

const SCRIPTS = fileURLToPath(new URL('../../../scripts/', import.meta.url));
const PASSPHRASE = 'a passphrase of the tests';

describe('backup and restore', () => {
  const folder = mkdtempSync(join(tmpdir(), 'yandle-backup-'));
  beforeAll(async () => {
    const source = await emptyDatabase();
    await loadDemoOnce(source, { now: () => NOW });
    await source.destroy();
  }, 60_000);
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  const script = (name: string, args: readonly string[], env: Record<string, string> = {}) => {
    const { status, stdout, stderr } = spawnSync(process.execPath, [`${SCRIPTS}${name}.mjs`, ...args], {
      encoding: 'utf8',
      env: {
        ...process.env,
        DATABASE_URL: databaseUrl(),
        BACKUP_DIR: folder,
        BACKUP_PASSPHRASE: PASSPHRASE,
        ERASED_FILE: join(folder, 'erased.jsonl'),
        ...env,
      },
    });
    return { status, said: stdout + stderr };
  };
  const files = (name = 'yandle') =>
    readdirSync(folder)
      .filter((f) => f.startsWith(`${name}-`))
      .sort();

  /** All rows of all tables, by checksum. */
  async function state(): Promise<string[]> {
    const source = await createDataSource(databaseUrl()).initialize();
    const tables = await source.query<{ t: string }[]>(
      "SELECT table_name AS t FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name <> 'lease'",
    );
    const rows = await source.query<{ Table: string; Checksum: string }[]>(
      `CHECKSUM TABLE ${tables.map((x) => `\`${x.t}\``).join(', ')}`,
    );
    await source.destroy();
    return rows.map((r) => `${r.Table.split('.')[1]} ${r.Checksum}`).sort();
  }

  it('asks for a passphrase, and writes nothing without one', () => {
    const { status, said } = script('backup', [], { BACKUP_PASSPHRASE: 'short' });
    expect(status).not.toBe(0);
    expect(said).toContain('BACKUP_PASSPHRASE');
    expect(files()).toEqual([]);
  });

  it('come back whole, into an empty database, from a file that nobody reads without the passphrase', async () => {
    const before = await state();
    expect(before.length).toBeGreaterThan(40);
    expect(script('backup', [])).toMatchObject({ status: 0 });
    const [file] = files();
    const bytes = readFileSync(join(folder, file!));
    // openssl's mark, and not a word of anybody.
    expect(bytes.subarray(0, 8).toString()).toBe('Salted__');
    expect(bytes.toString('latin1')).not.toMatch(/Thornebrook|CREATE TABLE/);

    await (await bareDatabase()).destroy();
    const restored = script('restore', [join(folder, file!)]);
    expect(restored.said).toContain('Restored from');
    expect(await state()).toEqual(before);
  }, 120_000);

  it('with another passphrase, or a file that is not whole, change nothing', async () => {
    const before = await state();
    const [file] = files();
    expect(script('restore', [join(folder, file!)], { BACKUP_PASSPHRASE: 'some other passphrase' })).toMatchObject({
      status: 1,
      said: expect.stringContaining('Nothing was changed') as string,
    });
    const cut = join(folder, 'cut.enc');
    writeFileSync(cut, readFileSync(join(folder, file!)).subarray(0, -5000));
    expect(script('restore', [cut]).status).toBe(1);
    expect(await state()).toEqual(before);
  }, 120_000);

  it('bring nobody back who was erased: by the database of now, and by the list beside it where that is lost', async () => {
    const [file] = files();
    const source = await createDataSource(databaseUrl()).initialize();
    const [one, two] = await source.query<{ id: string; studioId: string }[]>(
      'SELECT id, studio_id AS studioId FROM client ORDER BY name LIMIT 2',
    );
    await source.query('INSERT INTO erased_client (id, studio_id, at) VALUES (?, ?, NOW(3))', [one!.id, one!.studioId]);
    await source.destroy();
    writeFileSync(join(folder, 'erased.jsonl'), `${JSON.stringify(two)}\n`);
    const restored = script('restore', [join(folder, file!)]);
    expect(restored.said).toContain('2 erased clients are not in it');
    const after = await createDataSource(databaseUrl()).initialize();
    const there = await after.query('SELECT id FROM client WHERE id IN (?)', [[one!.id, two!.id]]);
    const listed = await after.query<{ id: string }[]>('SELECT id FROM erased_client');
    await after.destroy();
    expect(there).toEqual([]);
    expect(listed.map((r) => r.id).sort()).toEqual([one!.id, two!.id].sort());
    // What was there before is kept too.
    expect(files('before-restore').length).toBeGreaterThan(0);
  }, 120_000);

  it('are kept for a set term, the newest whatever its age', () => {
    const [file] = files();
    const long = new Date(Date.now() - 100 * 24 * 3600_000);
    utimesSync(join(folder, file!), long, long);
    expect(script('backup', [], { BACKUP_KEEP_DAYS: '90' }).said).toContain('1 older removed');
    const left = files();
    expect(left).toHaveLength(1);
    expect(left).not.toContain(file);
    utimesSync(join(folder, left[0]!), long, long);
    script('backup', [], { BACKUP_KEEP_DAYS: '90' });
    expect(files()).toHaveLength(1);
  }, 60_000);
});

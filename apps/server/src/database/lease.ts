import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import type { DataSource } from 'typeorm';
import { isClash } from './retry.js';

/** Seconds for which a lease is held unless it is renewed: a process that was killed holds nothing up for longer. */
const SECONDS = 30;
const RENEW_MS = 10_000;
const LOOK_AGAIN_MS = 100;

const TABLE = `CREATE TABLE IF NOT EXISTS lease (
  name varchar(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  holder char(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
  until datetime(3) NULL,
  PRIMARY KEY (name)
) ENGINE=InnoDB`;

async function written(source: DataSource, statement: string, values: readonly unknown[]): Promise<boolean> {
  try {
    const { affectedRows } = await source.query<{ affectedRows: number }>(statement, [...values]);
    return affectedRows === 1;
  } catch (err) {
    // Another node wrote first.
    if (isClash(err)) return false;
    throw err;
  }
}

/**
 * Does work while no other process does work of that name. A row says who holds it, written in one statement that commits by itself, so that
 * it holds between the nodes of a cluster too, where locks of one node are not seen by the others.
 */
export async function withLease<R>(source: DataSource, name: string, work: () => Promise<R>): Promise<R> {
  const holder = randomUUID();
  await source.query(TABLE);
  await source.query('INSERT IGNORE INTO lease (name) VALUES (?)', [name]);
  const until = `NOW(3) + INTERVAL ${SECONDS} SECOND`;
  const take = `UPDATE lease SET holder = ?, until = ${until} WHERE name = ? AND (holder IS NULL OR until < NOW(3))`;
  while (!(await written(source, take, [holder, name]))) await sleep(LOOK_AGAIN_MS);
  const renewing = setInterval(
    () =>
      void written(source, `UPDATE lease SET until = ${until} WHERE name = ? AND holder = ?`, [name, holder]).catch(
        () => undefined,
      ),
    RENEW_MS,
  );
  try {
    return await work();
  } finally {
    clearInterval(renewing);
    await written(source, 'UPDATE lease SET holder = NULL, until = NULL WHERE name = ? AND holder = ?', [name, holder]);
  }
}

/** Brings the tables up to today; of several processes one does it, and the others find it done. */
export function migrate(source: DataSource): Promise<void> {
  return withLease(source, 'migrations', async () => {
    await source.runMigrations({ transaction: 'each' });
  });
}

import { backUp, dropOld, FOLDER, passphrase } from './lib/backup.mjs';
import { checkNode } from './lib/node-version.mjs';
import { productDatabase } from './lib/product-database.mjs';
import { main, say, Stop } from './lib/say.mjs';

/** Writes all there is, as it is at one moment, into an encrypted file. Works while the product runs; old files go by term. */
main(async () => {
  checkNode();
  const days = Number(process.env.BACKUP_KEEP_DAYS ?? 30);
  if (!(days >= 1)) throw new Stop('BACKUP_KEEP_DAYS is the number of days for which backups are kept: 1 or more.');
  const secret = passphrase();
  const database = await productDatabase();
  try {
    const file = await backUp(database.url, secret);
    const old = dropOld(days);
    say(`Backup written: ${file}`);
    say(`Kept for ${days} days in ${FOLDER}${old > 0 ? `; ${old} older removed` : ''}. Copy it to another machine.`);
  } finally {
    await database.close();
  }
});

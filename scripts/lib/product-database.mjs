import { DATA } from './paths.mjs';

/**
 * The database of the product: the one DATABASE_URL names, or the private one, started when it does not run.
 * @returns {Promise<{url: string, close: () => Promise<void>}>} close() stops what was started here
 */
export async function productDatabase() {
  if (process.env.DATABASE_URL) return { url: process.env.DATABASE_URL, close: async () => {} };
  const { ensureMariaDb } = await import('./debian.mjs');
  const { PrivateMariaDb } = await import('./mariadb.mjs');
  await ensureMariaDb();
  const database = new PrivateMariaDb(`${DATA}/mariadb`);
  const wasRunning = database.ownPid() !== null;
  await database.start();
  return { url: database.url, close: async () => void (wasRunning || (await database.stop())) };
}

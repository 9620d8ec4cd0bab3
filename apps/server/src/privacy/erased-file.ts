import { appendFile } from 'node:fs/promises';
import type { Erased } from '../database/studios.js';

/** Told of every client that was erased, once it is done. */
export type TellErased = (erased: Erased) => Promise<void>;

/**
 * Keeps ids of erased clients outside the database too: should it be lost, a backup from before brings nobody back.
 * @param file lines of JSON; null keeps them in the database alone
 */
export function erasedFile(file: string | null): TellErased {
  return ({ id, studioId }) =>
    file === null ? Promise.resolve() : appendFile(file, `${JSON.stringify({ id, studioId })}\n`, { mode: 0o600 });
}

import type { SharedBlock } from '@yandle/contract';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { QueuedRequest } from '../data/outbox.service';

/** What a phone keeps, so that it works without a network. */
interface PhoneSchema extends DBSchema {
  /** Writes on their way, in order. */
  queued: { key: number; value: QueuedRequest };
  /** The block as it was seen last, and sessions finished here since. */
  kept: { key: 'block' | 'finished'; value: SharedBlock | readonly string[] };
}

let opening: Promise<IDBPDatabase<PhoneSchema>> | null = null;

/** The phone's own database (IndexedDB). */
export function phoneDb(): Promise<IDBPDatabase<PhoneSchema>> {
  opening ??= openDB<PhoneSchema>('yandle-phone', 1, {
    upgrade(db) {
      db.createObjectStore('queued', { autoIncrement: true });
      db.createObjectStore('kept');
    },
  });
  return opening;
}

export async function keptBlock(): Promise<SharedBlock | null> {
  return ((await (await phoneDb()).get('kept', 'block')) as SharedBlock | undefined) ?? null;
}

export async function keepBlock(block: SharedBlock): Promise<void> {
  await (await phoneDb()).put('kept', block, 'block');
}

/** Sessions finished on this phone; the server may not know of them yet. */
export async function finishedHere(): Promise<readonly string[]> {
  return ((await (await phoneDb()).get('kept', 'finished')) as readonly string[] | undefined) ?? [];
}

export async function keepFinished(ids: readonly string[]): Promise<void> {
  await (await phoneDb()).put('kept', ids, 'finished');
}

/** Forgets everything: the phone passes to somebody else. Writes on their way stay. */
export async function forgetBlock(): Promise<void> {
  await (await phoneDb()).clear('kept');
}

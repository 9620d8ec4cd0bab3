import type { SharedBlock } from '@yandle/contract';
import { upgradeStored } from '@yandle/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { addAll } from '../data/outbox/outbox-db';

/** What a phone keeps, so that it works without a network. */
interface PhoneSchema extends DBSchema {
  /** The block as it was seen last, and sessions finished here since. */
  kept: { key: 'block' | 'finished' | 'programme'; value: unknown };
  /** Where version 1 kept writes on their way; empty since they moved to the outbox. */
  letters: { key: number; value: unknown };
}

let opening: Promise<IDBPDatabase<PhoneSchema>> | null = null;

/** The phone's own database (IndexedDB). */
export function phoneDb(): Promise<IDBPDatabase<PhoneSchema>> {
  opening ??= openDB<PhoneSchema>('yandle-phone', 2, {
    upgrade(db, from) {
      if (from < 1) db.createObjectStore('kept');
      if (!db.objectStoreNames.contains('letters')) db.createObjectStore('letters', { autoIncrement: true });
    },
  });
  return opening;
}

/** The block as version 1 kept it, in the words of today. */
function blockBefore(value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return null;
  const { dayNotes, sessions, exercises, ...rest } = value as Record<string, unknown>;
  return {
    ...rest,
    sessions: upgradeStored('items', sessions),
    exercises: upgradeStored('exercise', exercises),
    sorenessEntries: dayNotes ?? [],
  };
}

/** Takes over, once, what version 1 kept on this phone. Stored first, removed then. */
export async function takeOverPhone(): Promise<void> {
  const db = await phoneDb();
  const letters = await db.getAll('letters');
  if (letters.length > 0) {
    await addAll('phone', letters);
    await db.clear('letters');
  }
  const programme = await db.get('kept', 'programme');
  if (programme !== undefined) {
    const block = blockBefore(programme);
    if (block && !(await db.get('kept', 'block'))) await db.put('kept', block, 'block');
    await db.delete('kept', 'programme');
  }
}

export async function keptBlock(): Promise<SharedBlock | null> {
  await takeOverPhone();
  const kept = (await (await phoneDb()).get('kept', 'block')) as SharedBlock | undefined;
  // A copy of the version before has the exercises in the words of then.
  return kept ? { ...kept, exercises: upgradeStored('exercise', kept.exercises) as SharedBlock['exercises'] } : null;
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

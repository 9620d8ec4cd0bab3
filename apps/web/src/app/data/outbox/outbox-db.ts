import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { queuedBefore } from './queued-before';
import type { QueuedRequest } from './queued-request';

/** Whose requests: the coach's at this browser, or those of a client's phone. */
export type BoxName = 'coach' | 'phone';

interface OutboxSchema extends DBSchema {
  /** Writes on their way, in order. */
  coach: { key: number; value: QueuedRequest };
  phone: { key: number; value: QueuedRequest };
}

let opening: Promise<IDBPDatabase<OutboxSchema>> | null = null;

/** The browser's own store of writes on their way; all tabs share it. */
export function outboxDb(): Promise<IDBPDatabase<OutboxSchema>> {
  opening ??= openDB<OutboxSchema>('yandle-outbox', 1, {
    upgrade(db) {
      db.createObjectStore('coach', { autoIncrement: true });
      db.createObjectStore('phone', { autoIncrement: true });
    },
  });
  return opening;
}

/** Where a version of before kept the coach's requests. */
const KEPT_BEFORE = 'yandle.outbox';

/** Takes over, once, what a version of before left in local storage. Stored first, forgotten then: sent twice it counts once. */
export async function takeOverCoachRequests(): Promise<void> {
  const text = localStorage.getItem(KEPT_BEFORE);
  if (text === null) return;
  let kept: unknown = [];
  try {
    kept = JSON.parse(text);
  } catch {
    // Nobody can read it any more.
  }
  await addAll('coach', Array.isArray(kept) ? kept : []);
  localStorage.removeItem(KEPT_BEFORE);
}

/** Adds requests of a version of before to a box, in their order. */
export async function addAll(box: BoxName, kept: readonly unknown[]): Promise<void> {
  const tx = (await outboxDb()).transaction(box, 'readwrite');
  for (const value of kept) {
    const request = queuedBefore(value);
    if (request) await tx.store.add(request);
  }
  await tx.done;
}

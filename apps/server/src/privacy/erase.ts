import { addMonths } from 'date-fns';
import { LessThan, type DataSource } from 'typeorm';
import { ClientEntity } from '../clients/entities.js';
import type { Clock } from '../clock.js';
import type { StudioData } from '../database/studio-data.js';
import { dataOfStudio, studiosWithTerm, type Erased } from '../database/studios.js';
import { invalidField } from '../http/problem.js';
import { RunEntity, SessionEntity } from '../sessions/entities.js';
import { ErasedClientEntity } from './entities.js';

/** Removes a client with every row about them. What stays is the id, so that no backup brings them back, and that it was done. */
async function erase(
  tx: StudioData,
  clientId: string,
  action: 'client-erased' | 'client-erased-by-term',
): Promise<void> {
  // Sessions hold their runs fast: what was run is never lost by the way. Here it is meant.
  const sessions = await tx.findLocked(SessionEntity, { clientId });
  for (const { id } of sessions) await tx.delete(RunEntity, { sessionId: id });
  await tx.delete(ClientEntity, { id: clientId });
  await tx.insert(ErasedClientEntity, { id: clientId, at: tx.now });
  await tx.audit(action, { clientId });
}

const plain = (name: string): string => name.normalize('NFC').trim().replace(/\s+/g, ' ').toLowerCase();

/**
 * Erases a client for good, on the typed name.
 * @throws HttpProblem `not-found`, `validation` where the name is another
 */
export async function eraseClient(data: StudioData, clientId: string, typed: string): Promise<void> {
  await data.transaction(async (tx) => {
    const client = await tx.getLocked(ClientEntity, clientId, 'client');
    if (plain(typed) !== plain(client.name))
      throw invalidField('name', `Type the client’s name as it stands here: ${client.name}`);
    await erase(tx, clientId, 'client-erased');
  });
}

/** Erases clients who were archived longer ago than their studio keeps them. Done by the program itself, and written down as that. */
export async function eraseByTerm(source: DataSource, clock: Clock): Promise<Erased[]> {
  const now = clock.now();
  const erased: Erased[] = [];
  for (const { months, data } of await studiosWithTerm(source, now)) {
    const before = addMonths(now, -months);
    for (const { id } of await data.find(ClientEntity, { archivedAt: LessThan(before) }, { select: { id: true } })) {
      const gone = await data.transaction(async (tx) => {
        // Another process may have been here, or a coach may have brought the client back meanwhile.
        const [client] = await tx.findLocked(ClientEntity, { id });
        if (!client?.archivedAt || client.archivedAt >= before) return false;
        await erase(tx, id, 'client-erased-by-term');
        return true;
      });
      if (gone) erased.push({ id, studioId: data.studioId });
    }
  }
  return erased;
}

/**
 * Erases once more whom a backup brought back.
 * @param ids of the list of erased clients that is newer than the backup
 */
export async function eraseAgain(source: DataSource, clock: Clock, ids: readonly Erased[]): Promise<number> {
  let erased = 0;
  for (const { id, studioId } of ids) {
    await dataOfStudio(source, studioId, clock.now()).transaction(async (tx) => {
      const there = await tx.findOne(ClientEntity, { id });
      if (there) {
        await erase(tx, id, 'client-erased');
        erased++;
      } else if (!(await tx.findOne(ErasedClientEntity, { id })))
        await tx.insert(ErasedClientEntity, { id, at: tx.now });
    });
  }
  return erased;
}

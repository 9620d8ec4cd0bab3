import type { Soreness, SorenessBody } from '@yandle/contract';
import { addDays, type PlainDate } from '@yandle/core';
import { MoreThanOrEqual } from 'typeorm';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { invalidField } from '../http/problem.js';
import { SorenessEntity } from './entities.js';

/** How far back the list goes. Days. */
const LISTED_DAYS = 12 * 7;

const view = (r: SorenessEntity): Soreness => ({
  id: r.id,
  date: r.date,
  region: r.region,
  soreness: r.soreness,
  note: r.note,
});

/** Soreness of the last twelve weeks, newest first. */
export async function sorenessEntries(data: StudioData, clientId: string, today: PlainDate): Promise<Soreness[]> {
  await data.get(ClientEntity, clientId, 'client');
  const rows = await data.find(
    SorenessEntity,
    { clientId, date: MoreThanOrEqual(addDays(today, -LISTED_DAYS)) },
    { order: { date: 'DESC', createdAt: 'DESC', id: 'DESC' } },
  );
  return rows.map(view);
}

/** Writes down how sore a client is. Sending it again counts once. */
export async function putSoreness(
  data: StudioData,
  clientId: string,
  id: string,
  body: SorenessBody,
  today: PlainDate,
): Promise<Soreness> {
  return data.transaction(async (tx) => {
    await tx.getLocked(ClientEntity, clientId, 'client');
    if (body.date > addDays(today, 1)) throw invalidField('date', 'That day has not come yet.');
    if (await tx.isNew(SorenessEntity, id, { clientId, ...body }))
      await tx.insert(SorenessEntity, {
        id,
        clientId,
        ...body,
        requestHash: hashOf({ clientId, ...body }),
        createdAt: tx.now,
      });
    return view(await tx.get(SorenessEntity, id, 'day note'));
  });
}

/** Writes a client's own breath down; null goes back to the usual one. */
export async function putBreath(data: StudioData, clientId: string, seconds: number | null): Promise<void> {
  await data.transaction(async (tx) => {
    await tx.getLocked(ClientEntity, clientId, 'client');
    await tx.update(ClientEntity, { id: clientId }, { breathSeconds: seconds });
  });
}

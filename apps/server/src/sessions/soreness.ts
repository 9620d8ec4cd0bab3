import type { Soreness, SorenessBody } from '@yandle/contract';
import { addDays, SORE_RESTS, type PlainDate, type SoreEntry } from '@yandle/core';
import { Between, IsNull, MoreThanOrEqual } from 'typeorm';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { invalidField, notFound } from '../http/problem.js';
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
  return recentSoreness(data, clientId, today);
}

/** The same of a client that is known to be there. */
export async function recentSoreness(data: StudioData, clientId: string, today: PlainDate): Promise<Soreness[]> {
  const rows = await data.find(
    SorenessEntity,
    { clientId, date: MoreThanOrEqual(addDays(today, -LISTED_DAYS)), withdrawnAt: IsNull() },
    { order: { date: 'DESC', createdAt: 'DESC', id: 'DESC' } },
  );
  return rows.map(view);
}

/** What is so sore that it rests in some of these sessions. */
export async function soreAround(
  data: StudioData,
  clientId: string,
  sessions: readonly { readonly date: PlainDate }[],
): Promise<SoreEntry[]> {
  const dates = sessions.map((s) => s.date).sort();
  if (dates.length === 0) return [];
  const rows = await data.find(SorenessEntity, {
    clientId,
    soreness: MoreThanOrEqual(SORE_RESTS),
    date: Between(addDays(dates[0]!, -2), dates.at(-1)!),
    withdrawnAt: IsNull(),
  });
  return rows.map(({ date, region, soreness }) => ({ date, region, soreness }));
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
        withdrawnAt: null,
        requestHash: hashOf({ clientId, ...body }),
        createdAt: tx.now,
      });
    return view(await tx.get(SorenessEntity, id, 'day note'));
  });
}

/** Takes an entry back, or brings it in again. It stays on record either way. */
export async function withdrawSoreness(
  data: StudioData,
  clientId: string,
  id: string,
  withdrawn: boolean,
  today: PlainDate,
): Promise<Soreness[]> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(SorenessEntity, id, 'day note');
    if (row.clientId !== clientId) throw notFound('day note');
    await tx.update(SorenessEntity, { id }, { withdrawnAt: withdrawn ? tx.now : null });
    return sorenessEntries(tx, clientId, today);
  });
}

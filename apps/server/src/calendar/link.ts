import type { CalendarLink } from '@yandle/contract';
import { createHash, randomBytes } from 'node:crypto';
import { IsNull, type DataSource } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { ClientEntity } from '../clients/entities.js';
import { StudioData } from '../database/studio-data.js';
import { notFound } from '../http/problem.js';
import { CalendarLinkEntity } from './entities.js';

const hashToken = (token: string) => createHash('sha256').update(token).digest('hex');
/** Path under which a calendar program reads the file. */
const pathOf = (token: string) => `/api/v1/calendar/${token}.ics`;

async function revoke(tx: StudioData, clientId: string, now: Date): Promise<void> {
  await tx.update(CalendarLinkEntity, { clientId, revokedAt: IsNull() }, { revokedAt: now });
}

/** Makes a link; the one before stops working. Its token is given out here and never again. */
export async function makeCalendarLink(data: StudioData, clientId: string, now: Date): Promise<CalendarLink> {
  return data.transaction(async (tx) => {
    await tx.getLocked(ClientEntity, clientId, 'client');
    await revoke(tx, clientId, now);
    const token = randomBytes(24).toString('base64url');
    await tx.insert(CalendarLinkEntity, {
      id: uuid(),
      clientId,
      tokenHash: hashToken(token),
      revokedAt: null,
      createdAt: now,
    });
    return { path: pathOf(token), madeAt: now.toISOString() };
  });
}

export async function endCalendarLink(data: StudioData, clientId: string, now: Date): Promise<void> {
  await data.get(ClientEntity, clientId, 'client');
  await revoke(data, clientId, now);
}

/** Whether a link is open; its address is known to whoever was given it. */
export async function calendarLinkOf(data: StudioData, clientId: string): Promise<CalendarLink> {
  await data.get(ClientEntity, clientId, 'client');
  const row = await data.findOne(CalendarLinkEntity, { clientId, revokedAt: IsNull() });
  return { path: null, madeAt: row?.createdAt.toISOString() ?? null };
}

/** The client a token opens. @throws HttpProblem `not-found` */
export async function clientOfToken(
  source: DataSource,
  token: string,
): Promise<{ readonly data: StudioData; readonly client: ClientEntity }> {
  const row =
    token.length < 100
      ? await source.manager.findOne(CalendarLinkEntity, {
          where: { tokenHash: hashToken(token), revokedAt: IsNull() },
        })
      : null;
  if (!row) throw notFound('calendar');
  const data = new StudioData(source.manager, row.studioId);
  return { data, client: await data.get(ClientEntity, row.clientId, 'calendar') };
}

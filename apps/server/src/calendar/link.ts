import type { CalendarLink } from '@yandle/contract';
import { IsNull } from 'typeorm';
import { makeLink } from '../accounts/client-link.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { CalendarLinkEntity } from './entities.js';

/** Makes a link for a calendar program: the path under which it reads the file. */
export async function makeCalendarLink(data: StudioData, clientId: string): Promise<CalendarLink> {
  const token = await makeLink(data, CalendarLinkEntity, clientId, {}, 'calendar-link-made');
  return { path: `/api/v1/calendar/${token}.ics`, madeAt: data.now.toISOString() };
}

/** Whether a link is open; its address is known to whoever was given it. */
export async function calendarLinkOf(data: StudioData, clientId: string): Promise<CalendarLink> {
  await data.get(ClientEntity, clientId, 'client');
  const row = await data.findOne(CalendarLinkEntity, { clientId, revokedAt: IsNull() });
  return { path: null, madeAt: row?.createdAt.toISOString() ?? null };
}

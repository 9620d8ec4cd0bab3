import type { NewPhoneLink, PhoneLink } from '@yandle/contract';
import { IsNull } from 'typeorm';
import { isOpen, makeLapsingLink, revokeLinks } from '../accounts/client-link.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { PhoneLinkEntity } from './entities.js';

/** Days for which a link works: longer than the longest block. */
export const LINK_DAYS = 180;

/** Makes a link for a client's phone; the one before stops working. */
export function makePhoneLink(data: StudioData, clientId: string): Promise<NewPhoneLink> {
  return makeLapsingLink(data, PhoneLinkEntity, clientId, LINK_DAYS, 'phone-link-made');
}

export async function endPhoneLink(data: StudioData, clientId: string): Promise<void> {
  await revokeLinks(data, PhoneLinkEntity, clientId);
  await data.audit('phone-link-ended', { clientId });
}

/** The link that works now; null for none. */
export async function phoneLinkOf(data: StudioData, clientId: string): Promise<PhoneLink | null> {
  await data.get(ClientEntity, clientId, 'client');
  const rows = await data.find(PhoneLinkEntity, { clientId, revokedAt: IsNull() }, { order: { createdAt: 'DESC' } });
  const link = rows.find((r) => isOpen(r, data.now));
  return link ? { expiresAt: link.expiresAt.toISOString(), usedAt: link.usedAt?.toISOString() ?? null } : null;
}

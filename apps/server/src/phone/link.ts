import type { NewPhoneLink, PhoneLink } from '@yandle/contract';
import type { DataSource } from 'typeorm';
import { IsNull } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { hashLinkToken, newLinkToken } from '../accounts/link-token.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { PhoneLinkEntity } from './entities.js';

/** Days for which a link works: longer than the longest block. */
export const LINK_DAYS = 180;
const DAY_MS = 24 * 60 * 60 * 1000;

/** Makes a link for a client's phone; the one before stops working. */
export async function makePhoneLink(data: StudioData, clientId: string, now: Date): Promise<NewPhoneLink> {
  return data.transaction(async (tx) => {
    await tx.getLocked(ClientEntity, clientId, 'client');
    await revokePhoneLinks(tx, clientId, now);
    const token = newLinkToken();
    const expiresAt = new Date(now.getTime() + LINK_DAYS * DAY_MS);
    await tx.insert(PhoneLinkEntity, {
      id: uuid(),
      clientId,
      tokenHash: hashLinkToken(token),
      expiresAt,
      usedAt: null,
      revokedAt: null,
      createdAt: now,
    });
    return { token, expiresAt: expiresAt.toISOString() };
  });
}

/** Ends all links of a client. What a phone still sends is kept for the coach. */
export async function revokePhoneLinks(data: StudioData, clientId: string, now: Date): Promise<void> {
  await data.get(ClientEntity, clientId, 'client');
  await data.update(PhoneLinkEntity, { clientId, revokedAt: IsNull() }, { revokedAt: now });
}

/** The link that works now; null for none. */
export async function phoneLinkOf(data: StudioData, clientId: string, now: Date): Promise<PhoneLink | null> {
  await data.get(ClientEntity, clientId, 'client');
  const rows = await data.find(PhoneLinkEntity, { clientId, revokedAt: IsNull() }, { order: { createdAt: 'DESC' } });
  const link = rows.find((r) => r.expiresAt > now);
  return link ? { expiresAt: link.expiresAt.toISOString(), usedAt: link.usedAt?.toISOString() ?? null } : null;
}

/** The link a token belongs to, ended or not; null for none. */
export function linkOfToken(source: DataSource, token: unknown): Promise<PhoneLinkEntity | null> {
  if (typeof token !== 'string' || token.length < 20 || token.length > 100) return Promise.resolve(null);
  return source.manager.findOne(PhoneLinkEntity, { where: { tokenHash: hashLinkToken(token) } });
}

/** True while a link lets its phone in. */
export function isOpen(link: Pick<PhoneLinkEntity, 'revokedAt' | 'expiresAt'>, now: Date): boolean {
  return link.revokedAt === null && link.expiresAt > now;
}

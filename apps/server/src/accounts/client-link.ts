import type { AuditAction } from '@yandle/contract';
import { IsNull, type DataSource, type EntityTarget } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { ClientEntity } from '../clients/entities.js';
import type { Clock } from '../clock.js';
import { StudioData, type StudioRow } from '../database/studio-data.js';
import type { Actor } from '../audit/actor.js';
import { momentIn, type Moment } from './context.js';
import { StudioEntity } from './entities.js';
import { hashOfToken, mayBeToken, newToken } from './token.js';

const DAY_MS = 24 * 60 * 60 * 1000;

/** A private address for a client: of a phone, an intake or a calendar. Its token is given out once and kept hashed. */
export interface LinkRow extends StudioRow {
  clientId: string;
  /** Hexadecimal SHA-256 of the token. */
  tokenHash: string;
  revokedAt: Date | null;
  createdAt: Date;
}

/** A link that ends by itself and remembers when it was used last. */
export interface LapsingLinkRow extends LinkRow {
  expiresAt: Date;
  usedAt: Date | null;
}

/** Ends all links of a kind that a client has. @throws HttpProblem `not-found` */
export async function revokeLinks<T extends LinkRow>(
  data: StudioData,
  entity: EntityTarget<T>,
  clientId: string,
): Promise<void> {
  await data.get(ClientEntity, clientId, 'client');
  await data.update<LinkRow>(entity, { clientId, revokedAt: IsNull() }, { revokedAt: data.now });
}

/**
 * Makes a link of 192 random bits for a client; the one before stops working.
 * @param row what its table has besides the columns of every link
 * @returns the token, which is given out here and never again
 */
export async function makeLink<T extends LinkRow>(
  data: StudioData,
  entity: EntityTarget<T>,
  clientId: string,
  row: Omit<T, keyof LinkRow>,
  action: AuditAction,
): Promise<string> {
  const token = newToken();
  await data.transaction(async (tx) => {
    await tx.getLocked(ClientEntity, clientId, 'client');
    await revokeLinks(tx, entity, clientId);
    const link: Omit<LinkRow, 'studioId'> = {
      id: uuid(),
      clientId,
      tokenHash: hashOfToken(token),
      revokedAt: null,
      createdAt: tx.now,
    };
    await tx.insert<LinkRow>(entity, { ...row, ...link });
    await tx.audit(action, { clientId });
  });
  return token;
}

/** As {@link makeLink}, for links that lapse. */
export async function makeLapsingLink<T extends LapsingLinkRow>(
  data: StudioData,
  entity: EntityTarget<T>,
  clientId: string,
  days: number,
  action: AuditAction,
): Promise<{ readonly token: string; readonly expiresAt: string }> {
  const expiresAt = new Date(data.now.getTime() + days * DAY_MS);
  const token = await makeLink<LapsingLinkRow>(data, entity, clientId, { expiresAt, usedAt: null }, action);
  return { token, expiresAt: expiresAt.toISOString() };
}

/** True while a link lets its holder in. */
export function isOpen(link: LinkRow & Partial<LapsingLinkRow>, now: Date): boolean {
  return link.revokedAt === null && (link.expiresAt === undefined || link.expiresAt > now);
}

/** Who comes by a link, when, and the one door to their studio's data. */
export interface LinkContext<T extends LinkRow> extends Moment {
  readonly link: T;
  readonly studio: StudioEntity;
  readonly data: StudioData;
}

/** The context of a token, its link ended or not; null where there is no such link. */
export async function contextOfToken<T extends LinkRow>(
  source: DataSource,
  clock: Clock,
  entity: EntityTarget<T>,
  token: unknown,
  by: Actor,
): Promise<LinkContext<T> | null> {
  if (!mayBeToken(token)) return null;
  const link = await source.manager
    .createQueryBuilder(entity, 'l')
    .where('l.tokenHash = :tokenHash', { tokenHash: hashOfToken(token) })
    .getOne();
  if (!link) return null;
  const studio = await source.manager.findOneByOrFail(StudioEntity, { id: link.studioId });
  const moment = momentIn(studio, clock);
  return { link, studio, data: new StudioData(source.manager, studio.id, moment.now, by), ...moment };
}

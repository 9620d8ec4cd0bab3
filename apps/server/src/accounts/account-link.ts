import type { CoachRole, LinkMade } from '@yandle/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuid } from 'uuid';
import type { StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import { AccountLinkEntity } from './entities.js';
import { hashOfToken, mayBeToken, newToken } from './token.js';

const HOUR_MS = 60 * 60 * 1000;
/** Hours for which a link works. */
const HOURS = { invitation: 7 * 24, reset: 24 } as const;
/** The page that a link opens. Behind the # a token is never sent, logged or passed on. */
const PAGE = { invitation: 'join', reset: 'reset' } as const;

/** Makes a link of 192 random bits. @returns its path, given out here and never again */
export async function makeAccountLink(
  data: StudioData,
  link: {
    readonly kind: AccountLinkEntity['kind'];
    readonly coachId: string | null;
    readonly role: CoachRole | null;
    readonly note: string;
  },
): Promise<LinkMade & { readonly id: string }> {
  const token = newToken();
  const id = uuid();
  const expiresAt = new Date(data.now.getTime() + HOURS[link.kind] * HOUR_MS);
  await data.insert(AccountLinkEntity, {
    ...link,
    id,
    tokenHash: hashOfToken(token),
    expiresAt,
    usedAt: null,
    revokedAt: null,
    createdAt: data.now,
  });
  return { id, path: `/${PAGE[link.kind]}#${token}`, expiresAt: expiresAt.toISOString() };
}

/**
 * The link of a token while it works.
 * @param manager of a transaction, where the link is to be used: it is locked until then
 * @throws HttpProblem `not-found` for one that is unknown, used, ended or run out alike
 */
export async function accountLink(
  from: DataSource | EntityManager,
  kind: AccountLinkEntity['kind'],
  token: unknown,
  now: Date,
  { lock = false } = {},
): Promise<AccountLinkEntity> {
  const ended = new HttpProblem('not-found', 'This link has ended. Ask the owner of the studio for a new one.');
  if (!mayBeToken(token)) throw ended;
  const find = from
    .createQueryBuilder()
    .select('l')
    .from(AccountLinkEntity, 'l')
    .where('l.tokenHash = :hash AND l.kind = :kind', { hash: hashOfToken(token), kind });
  const link = await (lock ? find.setLock('pessimistic_write') : find).getOne();
  if (!link || link.usedAt || link.revokedAt || link.expiresAt <= now) throw ended;
  return link;
}

import { createHash } from 'node:crypto';
import { Store, type SessionData } from 'express-session';
import { LessThan, type DataSource } from 'typeorm';
import type { Clock } from '../clock.js';
import { AuthSessionEntity } from './entities.js';

const HOUR_MS = 60 * 60 * 1000;
const DAY_MS = 24 * HOUR_MS;
/** Sessions whose stored end is remembered; beyond it the memory starts anew. */
const REMEMBERED = 10_000;

function hashed(sid: string): string {
  return createHash('sha256').update(sid).digest('hex');
}

/** Sessions in MariaDB. A copy of the table signs nobody in: the ids are stored hashed. */
export class DatabaseSessionStore extends Store {
  /** When each session ends according to the table: it is written again only when it moves by an hour, not with every request. */
  private readonly ends = new Map<string, number>();

  constructor(
    private readonly source: DataSource,
    private readonly clock: Clock,
  ) {
    super();
  }

  private remember(sidHash: string, end: Date): void {
    if (this.ends.size >= REMEMBERED) this.ends.clear();
    this.ends.set(sidHash, end.getTime());
  }

  private endOf(session: SessionData): Date {
    return session.cookie.expires ? new Date(session.cookie.expires) : new Date(this.clock.now().getTime() + DAY_MS);
  }

  private get rows() {
    return this.source.getRepository(AuthSessionEntity);
  }

  override get(sid: string, callback: (err: unknown, session?: SessionData | null) => void): void {
    this.rows
      .findOneBy({ sidHash: hashed(sid) })
      .then((row) => {
        if (row) this.remember(row.sidHash, row.expiresAt);
        callback(null, row && row.expiresAt > this.clock.now() ? (JSON.parse(row.data) as SessionData) : null);
      })
      .catch((err: unknown) => callback(err));
  }

  override set(sid: string, session: SessionData, callback?: (err?: unknown) => void): void {
    const expiresAt = this.endOf(session);
    this.rows
      .upsert({ sidHash: hashed(sid), data: JSON.stringify(session), expiresAt }, ['sidHash'])
      .then(() => callback?.())
      .catch((err: unknown) => callback?.(err));
  }

  override touch(sid: string, session: SessionData, callback?: () => void): void {
    const expiresAt = this.endOf(session);
    const sidHash = hashed(sid);
    const stored = this.ends.get(sidHash);
    if (stored !== undefined && expiresAt.getTime() - stored < HOUR_MS) {
      callback?.();
      return;
    }
    this.rows
      .update({ sidHash }, { expiresAt })
      .then(() => {
        this.remember(sidHash, expiresAt);
        callback?.();
      })
      .catch(() => callback?.());
  }

  override destroy(sid: string, callback?: (err?: unknown) => void): void {
    this.rows
      .delete({ sidHash: hashed(sid) })
      .then(() => callback?.())
      .catch((err: unknown) => callback?.(err));
  }

  /** Removes what has expired. */
  async sweep(): Promise<void> {
    await this.rows.delete({ expiresAt: LessThan(this.clock.now()) });
  }
}

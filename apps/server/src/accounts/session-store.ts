import { createHash } from 'node:crypto';
import { Store, type SessionData } from 'express-session';
import { LessThan, type DataSource } from 'typeorm';
import { AuthSessionEntity } from './entities.js';

const DAY_MS = 24 * 60 * 60 * 1000;

function hashed(sid: string): string {
  return createHash('sha256').update(sid).digest('hex');
}

/** Sessions in MariaDB. A copy of the table signs nobody in: the ids are stored hashed. */
export class DatabaseSessionStore extends Store {
  constructor(private readonly source: DataSource) {
    super();
  }

  private get rows() {
    return this.source.getRepository(AuthSessionEntity);
  }

  override get(sid: string, callback: (err: unknown, session?: SessionData | null) => void): void {
    this.rows
      .findOneBy({ sidHash: hashed(sid) })
      .then((row) =>
        callback(null, row && row.expiresAt.getTime() > Date.now() ? (JSON.parse(row.data) as SessionData) : null),
      )
      .catch((err: unknown) => callback(err));
  }

  override set(sid: string, session: SessionData, callback?: (err?: unknown) => void): void {
    const expiresAt = session.cookie.expires ? new Date(session.cookie.expires) : new Date(Date.now() + DAY_MS);
    this.rows
      .upsert({ sidHash: hashed(sid), data: JSON.stringify(session), expiresAt }, ['sidHash'])
      .then(() => callback?.())
      .catch((err: unknown) => callback?.(err));
  }

  override touch(sid: string, session: SessionData, callback?: () => void): void {
    const expiresAt = session.cookie.expires ? new Date(session.cookie.expires) : new Date(Date.now() + DAY_MS);
    this.rows
      .update({ sidHash: hashed(sid) }, { expiresAt })
      .then(() => callback?.())
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
    await this.rows.delete({ expiresAt: LessThan(new Date()) });
  }
}

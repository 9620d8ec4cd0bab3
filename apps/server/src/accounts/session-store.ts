import { createHash } from 'node:crypto';
import { Store, type SessionData } from 'express-session';
import { LessThan, type DataSource } from 'typeorm';
import type { Clock } from '../clock.js';
import { AuthSessionEntity, type CoachEntity } from './entities.js';

const HOUR_MS = 60 * 60 * 1000;
const DAY_MS = 24 * HOUR_MS;
/** Sessions of which something is remembered; beyond it the memory starts anew. */
const REMEMBERED = 10_000;

/** What the table calls a session. */
export function hashOfSid(sid: string): string {
  return createHash('sha256').update(sid).digest('hex');
}

/** Sessions in MariaDB. A copy of the table signs nobody in: the ids are stored hashed. */
export class DatabaseSessionStore extends Store {
  /** When each session ends according to the table: it is written again only when it moves by an hour, not with every request. */
  private readonly ends = new Map<string, number>();
  /** Coaches that came with their session, for the request that asked for it. */
  private readonly coaches = new Map<string, CoachEntity>();

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

  /** Session, coach and studio in one statement: it comes with every request. */
  private async read(sid: string): Promise<SessionData | null> {
    const row = await this.rows
      .createQueryBuilder('s')
      .leftJoinAndSelect('s.coach', 'c')
      .leftJoinAndSelect('c.studio', 't')
      .where('s.sidHash = :sidHash', { sidHash: hashOfSid(sid) })
      .getOne();
    if (!row) return null;
    this.remember(row.sidHash, row.expiresAt);
    if (row.expiresAt <= this.clock.now()) return null;
    if (row.coach) {
      if (this.coaches.size >= REMEMBERED) this.coaches.clear();
      this.coaches.set(sid, row.coach);
    }
    return JSON.parse(row.data) as SessionData;
  }

  override get(sid: string, callback: (err: unknown, session?: SessionData | null) => void): void {
    this.read(sid).then(
      (session) => callback(null, session),
      (err: unknown) => callback(err),
    );
  }

  /** The coach of the session that was just read, with the studio; null for nobody. Each answer is given once. */
  coachOf(sid: string): CoachEntity | null {
    const coach = this.coaches.get(sid) ?? null;
    this.coaches.delete(sid);
    return coach;
  }

  /** True while a session is in the table and its coach is one. */
  async isOpen(sid: string): Promise<boolean> {
    return this.rows
      .createQueryBuilder('s')
      .innerJoin('s.coach', 'c', 'c.removedAt IS NULL')
      .where('s.sidHash = :sidHash AND s.expiresAt > :now', { sidHash: hashOfSid(sid), now: this.clock.now() })
      .getExists();
  }

  override set(sid: string, session: SessionData, callback?: (err?: unknown) => void): void {
    const { device } = session;
    this.rows
      .upsert(
        {
          sidHash: hashOfSid(sid),
          data: JSON.stringify(session),
          expiresAt: this.endOf(session),
          id: device?.id ?? null,
          coachId: session.coachId ?? null,
          agent: device?.agent ?? '',
          address: device?.address ?? '',
          signedInAt: device ? new Date(device.at) : null,
        },
        ['sidHash'],
      )
      .then(() => callback?.())
      .catch((err: unknown) => callback?.(err));
  }

  override touch(sid: string, session: SessionData, callback?: () => void): void {
    const expiresAt = this.endOf(session);
    const sidHash = hashOfSid(sid);
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
      .delete({ sidHash: hashOfSid(sid) })
      .then(() => callback?.())
      .catch((err: unknown) => callback?.(err));
  }

  /** Removes what has expired. */
  async sweep(): Promise<void> {
    await this.rows.delete({ expiresAt: LessThan(this.clock.now()) });
  }
}

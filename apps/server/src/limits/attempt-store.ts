import { createHash } from 'node:crypto';
import type { ClientRateLimitInfo, Options, Store } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import type { Clock } from '../clock.js';

const COUNT = `INSERT INTO attempt (bucket, hits, until) VALUES (?, ?, ?)
  ON DUPLICATE KEY UPDATE hits = IF(until <= ?, VALUES(hits), hits + VALUES(hits)), until = IF(until <= ?, VALUES(until), until)
  RETURNING hits, until`;

/** What this process has counted and not yet written. */
interface Local {
  unwritten: number;
  hits: number;
  until: Date;
}

/** Keys remembered here; beyond it the memory starts anew from the table. */
const REMEMBERED = 10_000;

/** Counts of the rate limiter in MariaDB, so that several processes count together and a restart forgets nothing. */
export class AttemptStore implements Store {
  readonly localKeys = false;
  private windowMs = 60_000;
  private readonly local = new Map<string, Local>();

  /**
   * @param name of the limit
   * @param step hits that are written at once: 1 for what is rare, more for what comes with every request
   */
  constructor(
    private readonly source: DataSource,
    private readonly clock: Clock,
    private readonly name: string,
    private readonly step = 1,
  ) {}

  init(options: Options): void {
    this.windowMs = options.windowMs;
  }

  private bucket(key: string): string {
    return createHash('sha256').update(`${this.name}|${key}`).digest('hex');
  }

  private async write(bucket: string, hits: number): Promise<ClientRateLimitInfo> {
    const now = this.clock.now();
    const until = new Date(now.getTime() + this.windowMs);
    const [row] = await this.source.query<{ hits: number; until: Date }[]>(COUNT, [bucket, hits, until, now, now]);
    return { totalHits: row!.hits, resetTime: row!.until };
  }

  async increment(key: string): Promise<ClientRateLimitInfo> {
    const bucket = this.bucket(key);
    if (this.step === 1) return this.write(bucket, 1);
    const mine = this.local.get(bucket);
    if (mine && mine.until > this.clock.now()) {
      mine.unwritten++;
      mine.hits++;
      if (mine.unwritten < this.step) return { totalHits: mine.hits, resetTime: mine.until };
    }
    const { totalHits, resetTime } = await this.write(bucket, mine?.unwritten || 1);
    if (this.local.size >= REMEMBERED) this.local.clear();
    this.local.set(bucket, { unwritten: 0, hits: totalHits, until: resetTime! });
    return { totalHits, resetTime };
  }

  async decrement(key: string): Promise<void> {
    await this.source.query('UPDATE attempt SET hits = hits - 1 WHERE bucket = ? AND hits > 0', [this.bucket(key)]);
  }

  async resetKey(key: string): Promise<void> {
    await this.source.query('DELETE FROM attempt WHERE bucket = ?', [this.bucket(key)]);
  }
}

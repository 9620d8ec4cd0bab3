import type { Request, RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import type { Clock } from '../clock.js';
import { HttpProblem } from '../http/problem.js';
import { AttemptStore } from './attempt-store.js';

/** A limit on how often something is asked. */
export interface Limit {
  readonly name: string;
  readonly most: number;
  readonly minutes: number;
  /** What whoever meets it is told. */
  readonly detail: string;
  /** Counts what failed only. */
  readonly failuresOnly?: boolean;
  /** Hits written at once. */
  readonly step?: number;
  /** Who is counted together; the address by default. */
  readonly key?: (req: Request) => string;
  readonly skip?: (req: Request) => Promise<boolean>;
}

/** The address a request comes from; all of a home's IPv6 addresses are one. */
export function addressOf(req: Request): string {
  return ipKeyGenerator(req.ip ?? '');
}

/** Makes limits that all processes count together. */
export class Limits {
  constructor(
    private readonly source: DataSource,
    private readonly clock: Clock,
  ) {}

  of(limit: Limit): RequestHandler {
    return rateLimit({
      windowMs: limit.minutes * 60 * 1000,
      limit: limit.most,
      skipSuccessfulRequests: limit.failuresOnly ?? false,
      standardHeaders: 'draft-8',
      identifier: limit.name,
      legacyHeaders: false,
      keyGenerator: limit.key ?? addressOf,
      skip: limit.skip ?? (() => false),
      store: new AttemptStore(this.source, this.clock, limit.name, limit.step),
      // How many proxies stand in front is said in the settings, and warned of at start.
      validate: { xForwardedForHeader: false, trustProxy: false },
      handler: () => {
        throw new HttpProblem('too-many-attempts', limit.detail);
      },
    });
  }

  /** Removes what has run out. */
  async sweep(): Promise<void> {
    await this.source.query('DELETE FROM attempt WHERE until < ?', [this.clock.now()]);
  }
}

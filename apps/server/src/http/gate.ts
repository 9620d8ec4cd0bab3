import type { RequestHandler } from 'express';
import { HttpProblem } from './problem.js';

/** Requests answered at one time; they queue for a connection. Beyond, the line would be longer than anybody waits. */
const MOST_AT_ONCE = 300;
/** Milliseconds after which a connection without a byte either way is given up. */
const IDLE_MS = 30_000;

/** Lets in as many requests as can be answered in time, and says so to the others; nothing hangs on a line that went dead. */
export function gate(most = MOST_AT_ONCE): RequestHandler {
  let inside = 0;
  return (req, res, next) => {
    if (inside >= most)
      throw new HttpProblem('busy', 'Too many requests at one moment; nothing was saved. Try again in a few seconds.');
    inside++;
    res.once('close', () => inside--);
    req.setTimeout(IDLE_MS, () => req.destroy());
    next();
  };
}

/** Does a kind of heavy work for so many at once; the others are told to come again. */
export class Turnstile {
  private inside = 0;
  constructor(
    private readonly most: number,
    private readonly what: string,
  ) {}

  /** @throws HttpProblem `busy` */
  async pass<R>(work: () => Promise<R>): Promise<R> {
    if (this.inside >= this.most)
      throw new HttpProblem('busy', `${this.what} Nothing was saved. Try again in a few seconds.`);
    this.inside++;
    try {
      return await work();
    } finally {
      this.inside--;
    }
  }
}

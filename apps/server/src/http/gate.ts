import type { RequestHandler } from 'express';
import { HttpProblem } from './problem.js';

/** Requests worked on at one time: more would only wait for each other. */
const AT_ONCE = 32;
/** Requests that may wait for their turn, and for how long, milliseconds: nobody waits longer than people do. */
const MOST_WAITING = 500;
const PATIENCE_MS = 8_000;
/** Milliseconds after which a connection without a byte either way is given up. */
const IDLE_MS = 30_000;
/** What takes long by its nature: it holds no connection of the database while it waits, and takes no turn. */
const LONG = /^\/(imports|exports|devices\/inclinometer\/stream|clients\/[^/]+\/record\.json)/;

const busy = () =>
  new HttpProblem('busy', 'Too many requests at one moment; nothing was saved. Try again in a few seconds.');

/** Lets requests in as they can be answered: the others queue, and are told to come again rather than wait for long. */
export function gate({ atOnce = AT_ONCE, mostWaiting = MOST_WAITING, patienceMs = PATIENCE_MS } = {}): RequestHandler {
  let inside = 0;
  const waiting: (() => void)[] = [];
  const leave = () => {
    inside--;
    waiting.shift()?.();
  };
  return (req, res, next) => {
    req.setTimeout(IDLE_MS, () => req.destroy());
    if (LONG.test(req.path)) return next();
    const enter = () => {
      inside++;
      res.once('close', leave);
      next();
    };
    if (inside < atOnce) return enter();
    if (waiting.length >= mostWaiting) throw busy();
    const goAway = (refusal?: HttpProblem) => {
      clearTimeout(timer);
      const place = waiting.indexOf(turn);
      if (place !== -1) waiting.splice(place, 1);
      if (refusal) next(refusal);
    };
    const turn = () => {
      clearTimeout(timer);
      res.off('close', gone);
      enter();
    };
    const gone = () => goAway();
    const timer = setTimeout(() => {
      res.off('close', gone);
      goAway(busy());
    }, patienceMs);
    res.once('close', gone);
    waiting.push(turn);
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

import type { Side } from '../anatomy/side.js';

/** What a week's review makes of a lane (domain 2.8). */
export const REVIEW_MOVES = ['advance', 'repeat', 'ease', 'ease two', 'change', 'keep', 'ask'] as const;
export type ReviewMove = (typeof REVIEW_MOVES)[number];

/** What a coach can decide: what is asked is decided by the coach. */
export const DECIDED_MOVES = [
  'advance',
  'repeat',
  'ease',
  'ease two',
  'change',
  'keep',
] as const satisfies readonly ReviewMove[];
export type DecidedMove = (typeof DECIDED_MOVES)[number];

/** Why: facts with the numbers that they come from. */
export type ReviewFact =
  | { readonly code: 'sore-twice'; readonly args: { readonly days: number } }
  | { readonly code: 'far-too-strong'; readonly args: { readonly sensation: number } }
  | {
      readonly code: 'too-strong';
      readonly args: { readonly times: number; readonly of: number; readonly over: number };
    }
  | { readonly code: 'cut-short'; readonly args: { readonly percent: number } }
  | { readonly code: 'little-done-twice'; readonly args: { readonly percent: number; readonly before: number } }
  | { readonly code: 'less-done'; readonly args: { readonly percent: number } }
  | { readonly code: 'more-done'; readonly args: { readonly percent: number } }
  | { readonly code: 'as-planned'; readonly args: { readonly percent: number } }
  | { readonly code: 'strong-somewhere'; readonly args: { readonly sensation: number } }
  | { readonly code: 'stop-sign'; readonly args: { readonly times: number } }
  | { readonly code: 'plateau' | 'goal-twice' | 'no-log' };

/** What was planned and done of a lane in a week, in seconds a side, or in sets where nothing is stretched. */
export interface LaneDone {
  readonly planned: number;
  /** Null where nothing was logged: that is unknown, not undone. */
  readonly done: number | null;
}

/** All that a week's review of a lane goes by. */
export interface LaneRecord {
  /** Days in the last two weeks on which its region was very sore. */
  readonly soreDays: number;
  /** Stop signs reported in its exercises in the week; one that ends a session counts for all that is in it. */
  readonly stopSigns: number;
  /** Sensations said of its own exercises in the week, each with its target. */
  readonly said: readonly { readonly sensation: number; readonly target: number }[];
  /** Highest sensation of a whole session of the week that nobody placed in an exercise; null for none. */
  readonly unplaced: number | null;
  /** Seconds of its holds in the week, and those of them that were cut short for discomfort. */
  readonly holdSeconds: number;
  readonly cutSeconds: number;
  readonly now: LaneDone;
  /** What was done on each side, and whether it is seconds; sets else. */
  readonly sides: Readonly<Record<Side, number>>;
  readonly inSeconds: boolean;
  /** The week before; null in the first. */
  readonly before: LaneDone | null;
  /** The test of its group stands still although it was practised (domain 2.3). */
  readonly plateau: boolean;
  /** The goal was reached on two assessments. */
  readonly goalTwice: boolean;
}

/** A review of a lane: the first rule that fits, and what the coach has to look at besides. */
export interface LaneReview {
  readonly move: ReviewMove;
  readonly because: ReviewFact;
  /** Open questions: they ease nothing by themselves. */
  readonly asks: readonly ReviewFact[];
}

/** Sensation that is far too strong whatever was asked, and how far above its target one is too strong. */
const FAR_TOO_STRONG = 8;
const ABOVE_TARGET = 2;
/** A sensation of a session from which on it is asked where it was felt. */
export const ASKS_WHERE = 7;
/** Shares of the plan: little, less, more; and of holds that are cut short. */
const LITTLE = 0.4;
const LESS = 0.7;
const MORE = 1.3;
const CUT = 0.2;

const percent = (share: number): number => Math.round(share * 100);
const shareOf = (d: LaneDone | null): number | null =>
  !d || d.done === null || d.planned <= 0 ? null : d.done / d.planned;

function easing(r: LaneRecord): ReviewFact | null {
  const highest = Math.max(0, ...r.said.map((s) => s.sensation));
  if (highest >= FAR_TOO_STRONG) return { code: 'far-too-strong', args: { sensation: highest } };
  const over = r.said.filter((s) => s.sensation >= s.target + ABOVE_TARGET).length;
  if (over > 0 && over * 2 >= r.said.length)
    return { code: 'too-strong', args: { times: over, of: r.said.length, over: ABOVE_TARGET } };
  const cut = r.holdSeconds === 0 ? 0 : r.cutSeconds / r.holdSeconds;
  return cut > CUT ? { code: 'cut-short', args: { percent: percent(cut) } } : null;
}

function firstRule(r: LaneRecord): { readonly move: ReviewMove; readonly because: ReviewFact } {
  if (r.soreDays >= 2) return { move: 'ease two', because: { code: 'sore-twice', args: { days: r.soreDays } } };
  const eased = easing(r);
  if (eased) return { move: 'ease', because: eased };
  // Nobody goes up after a stop sign, whatever was done of the plan.
  if (r.stopSigns > 0) return { move: 'repeat', because: { code: 'stop-sign', args: { times: r.stopSigns } } };
  const [now, before] = [shareOf(r.now), shareOf(r.before)];
  if (now === null) return { move: 'ask', because: { code: 'no-log' } };
  if (now < LITTLE && before !== null && before < LITTLE)
    return {
      move: 'repeat',
      because: { code: 'little-done-twice', args: { percent: percent(now), before: percent(before) } },
    };
  if (now < LESS) return { move: 'repeat', because: { code: 'less-done', args: { percent: percent(now) } } };
  if (now > MORE) return { move: 'repeat', because: { code: 'more-done', args: { percent: percent(now) } } };
  if (r.plateau) return { move: 'change', because: { code: 'plateau' } };
  if (r.goalTwice) return { move: 'keep', because: { code: 'goal-twice' } };
  return { move: 'advance', because: { code: 'as-planned', args: { percent: percent(now) } } };
}

/**
 * The review of a lane's week: the first rule of domain 2.8 that fits, with its numbers. Nothing logged is unknown: it is asked about.
 * @example reviewLane({ soreDays: 0, stopSigns: 0, said: [], unplaced: null, sides: { left: 100, right: 100 }, inSeconds: true, holdSeconds: 180, cutSeconds: 0, now: { planned: 180, done: 100 }, before: null, plateau: false, goalTwice: false }).move // 'repeat'
 */
export function reviewLane(r: LaneRecord): LaneReview {
  const asks: ReviewFact[] = [];
  if (r.unplaced !== null && r.unplaced >= ASKS_WHERE && r.said.length === 0)
    asks.push({ code: 'strong-somewhere', args: { sensation: r.unplaced } });
  return { ...firstRule(r), asks };
}

/** True for a review that a coach looks at one by one: all but a plain step up, and less done than planned. */
export function isException({ move, because, asks }: LaneReview): boolean {
  const plain = move === 'advance' || because.code === 'less-done';
  return !plain || asks.length > 0;
}

/** Steps back that a decision asks of the next week: 0 repeats; null for none: it goes up as planned, or another style says how it goes on. */
export function stepsBack(move: DecidedMove): 0 | 1 | 2 | null {
  const steps = { advance: null, repeat: 0, ease: 1, 'ease two': 2, change: null, keep: null } as const;
  return steps[move];
}

/**
 * What is proposed to decide: a lane of which nothing is known stays on its step; one that has nothing to change to, or is kept already, goes on as
 * planned.
 * @param can whether there is something to change to, and something to keep
 */
export function proposedMove(
  { move }: Pick<LaneReview, 'move'>,
  can: { readonly change: boolean; readonly keep: boolean } = { change: true, keep: true },
): DecidedMove {
  if (move === 'ask') return 'repeat';
  return (move === 'change' && !can.change) || (move === 'keep' && !can.keep) ? 'advance' : move;
}

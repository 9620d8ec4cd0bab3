import { soundBeats, type Beat } from './beats.js';
import { kindOf } from './catalogue.js';
import type { Bout } from './prescription.js';
import { checkSegment, plainSegment, type BoutSegment } from './segment.js';
import type { BoutShape } from './shape.js';
import type { Timings } from './timings.js';

/** A bout of one side, with nothing named inside it. */
const PLAIN_SHAPE: BoutShape = { turns: 1, stages: [], check: null };

/**
 * Parts of one repetition (or breath) of a bout, in order; empty for what is not counted in repetitions. Their counted seconds times the
 * repetitions are what the bout is logged for: its time under stretch (domain 2.4), or all its seconds where nothing is stretched.
 */
export function beatsOf(b: Bout, t: Timings): Beat[] {
  return soundBeats(kindOf(b.technique).beats(b, t));
}

/** One bout from entry to exit (domain 2.7). */
export function boutSegments(b: Bout, t: Timings, shape: BoutShape = PLAIN_SHAPE): BoutSegment[] {
  return [
    plainSegment('entry', t.entry, { code: 'enter' }),
    ...(shape.check === null ? [] : [checkSegment(shape.check)]),
    ...kindOf(b.technique).segments(b, t, shape),
    plainSegment('exit', t.exit, { code: 'leave' }),
  ].filter((s) => s.seconds > 0);
}

/** Seconds of one bout from entry to exit, without a check before it. */
export function boutSeconds(b: Bout, t: Timings, turns: BoutShape['turns'] = 1): number {
  const work = kindOf(b.technique).segments(b, t, { turns, stages: [], check: null });
  return work.reduce((sum, s) => sum + s.seconds, t.entry + t.exit);
}

/** How many bouts one set is logged as: the cycles of contract-relax, else 1. */
export function loggedBouts(b: Bout): number {
  return kindOf(b.technique).logged(b);
}

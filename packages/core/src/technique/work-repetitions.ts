import { soundBeats, thereAndBack, type Beat } from './beats.js';
import type { Bout } from './prescription.js';
import { repeatedSegment, type BoutSegment } from './segment.js';
import type { BoutShape } from './shape.js';
import { tempoOf, type Timings } from './timings.js';

/** Beats of a repetition that works, stays where it is asked to, and eases, without a stretch. */
export function workBeats(b: Bout, t: Timings): Beat[] {
  const [work, ease] = thereAndBack(tempoOf(t), 'work', 'ease', true);
  return [work, { kind: 'pause', seconds: b.holdSeconds, counts: true }, ease];
}

/** Repetitions that work and ease: activation and nerve glides. */
export function workSegments(b: Bout, t: Timings, { turns }: BoutShape): BoutSegment[] {
  const reps = b.reps ?? 0;
  return [
    repeatedSegment('repetitions', soundBeats(workBeats(b, t)), reps, turns, {
      code: 'repeat',
      args: { reps, ...(b.trips && { trips: b.trips }), inTurn: turns > 1 },
    }),
  ];
}

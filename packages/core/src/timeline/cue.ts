import type { Side } from '../anatomy/side.js';
import type { Beat } from './beats.js';

export const CUE_KINDS = [
  'warm-up',
  'position',
  'prop',
  'set-up',
  'entry',
  'check',
  'hold',
  'push',
  'let go',
  'repetitions',
  'roll',
  'breaths',
  'exit',
  'rest',
  'switch',
] as const;
export type CueKind = (typeof CUE_KINDS)[number];

/** Cues in which the client works: these are counted aloud, logged, and drawn on their side. */
export const WORK_KINDS: readonly CueKind[] = ['check', 'hold', 'repetitions', 'roll', 'breaths'];

/** True for a cue that is logged as a bout, or as a part of one. */
export function isWork(cue: Pick<Cue, 'kind'>): boolean {
  return WORK_KINDS.includes(cue.kind);
}

/** One timed instruction in a session. */
export interface Cue {
  readonly kind: CueKind;
  /** Whole seconds from the start of the session. */
  readonly start: number;
  /** Whole seconds, 1 or more. */
  readonly seconds: number;
  /** Place of the item it belongs to; null for the warm-up. */
  readonly item: number | null;
  /** Side stretched; null when it has none, or when the sides alternate. */
  readonly side: Side | null;
  /** Side of the first repetition when left and right alternate inside the cue; null when they do not. */
  readonly alternatesFrom: Side | null;
  /** 1-based round of the session. */
  readonly round: number;
  /** 1-based set on this side; null where none applies. */
  readonly set: number | null;
  /** 1-based bout on this side through all rounds, as it is logged; the cycles of contract-relax are bouts. Null where nothing is logged. */
  readonly bout: number | null;
  /** True for the last cue of a bout: here it is logged. A staged hold has several cues. */
  readonly ends: boolean;
  /** Seconds of each side that the log of this cue is worth when it is done to its end: time under stretch, or working seconds where nothing is stretched. */
  readonly counts: number;
  /** Parts of one repetition or breath; empty where nothing is repeated. */
  readonly beats: readonly Beat[];
  /** What to do, said to the client. */
  readonly text: string;
}

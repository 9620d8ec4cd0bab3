import type { Side } from '../anatomy/side.js';

export const CUE_KINDS = [
  'warm-up',
  'position',
  'prop',
  'entry',
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
export const WORK_KINDS: readonly CueKind[] = ['hold', 'repetitions', 'roll', 'breaths'];

/** True for a cue that is logged as a bout. */
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
  /** Side stretched; null when it has none. */
  readonly side: Side | null;
  /** 1-based set on this side; null where none applies. */
  readonly set: number | null;
  /** 1-based bout on this side, as it is logged; the cycles of contract-relax are bouts. Null where nothing is logged. */
  readonly bout: number | null;
  /** Seconds that the log of this cue is worth when it is done to its end: time under stretch, or working seconds where nothing is stretched. */
  readonly counts: number;
  /** What to do, said to the client. */
  readonly text: string;
}

import type { Side } from '../anatomy/side.js';

export const CUE_KINDS = ['warm-up', 'position', 'prop', 'entry', 'hold', 'exit', 'rest', 'switch'] as const;
export type CueKind = (typeof CUE_KINDS)[number];

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
  /** What to do, said to the client. */
  readonly text: string;
}

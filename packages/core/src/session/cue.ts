import type { Side } from '../anatomy/side.js';
import type { PropId } from '../catalogue/props.js';
import { beatSeconds, type Beat } from '../technique/beats.js';
import type { SegmentFact, SegmentKind } from '../technique/segment.js';

/** What is true of every cue of a kind. */
interface CueTraits {
  /** The client works: it is counted aloud, logged, and drawn on its side. */
  readonly work: boolean;
  /** The body moves to another place or side, or fetches something. */
  readonly moves: boolean;
  /** It is told ahead as what comes next. */
  readonly announced: boolean;
}

const trait = (work: boolean, moves: boolean, announced: boolean): CueTraits => ({ work, moves, announced });

/** Kinds of cues, in the order in which they come, and what they are. */
const CUES = {
  'warm-up': trait(false, true, false),
  position: trait(false, true, true),
  prop: trait(false, true, false),
  'set-up': trait(false, false, false),
  entry: trait(false, false, false),
  check: trait(false, false, true),
  hold: trait(true, false, true),
  push: trait(false, false, true),
  'let go': trait(false, false, false),
  repetitions: trait(true, false, true),
  roll: trait(true, false, true),
  breaths: trait(true, false, true),
  exit: trait(false, false, false),
  rest: trait(false, false, true),
  switch: trait(false, true, true),
  loosen: trait(false, false, true),
} as const satisfies Readonly<Record<SegmentKind, CueTraits>> & Readonly<Record<string, CueTraits>>;

export type CueKind = keyof typeof CUES;
export const CUE_KINDS = Object.keys(CUES) as readonly CueKind[];

/** What is true of a kind of cue. */
export function cueTraits(kind: CueKind): CueTraits {
  return CUES[kind];
}

/** Repetitions or breaths of a cue on each of its sides; 0 where nothing is repeated. */
export function repetitionsOf({
  seconds,
  beats,
  alternatesFrom,
}: Pick<Cue, 'seconds' | 'beats' | 'alternatesFrom'>): number {
  const one = beatSeconds(beats);
  return one === 0 ? 0 : Math.round(seconds / one / (alternatesFrom === null ? 1 : 2));
}

/** True for a cue that is logged as a bout, or as a part of one. */
export function isWork(cue: Pick<Cue, 'kind'>): boolean {
  return CUES[cue.kind].work;
}

/** What a cue says, as a fact; the words are made from it, its exercise and its side. */
export type CueFact =
  | SegmentFact
  | { readonly code: 'warm-up' | 'position' | 'settle' | 'rest' }
  | { readonly code: 'loosen'; readonly args: { readonly name: string } }
  | { readonly code: 'fetch'; readonly args: { readonly props: readonly PropId[] } }
  | { readonly code: 'switch'; readonly args: { readonly side: Side | null } };

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
  /** What to do. */
  readonly says: CueFact;
}

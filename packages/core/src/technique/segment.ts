import type { Beat } from './beats.js';
import type { Assistance, Bout, LoadUnit } from './prescription.js';

/** A named part of a hold with its own direction; its share of the seconds, all shares together 1. */
export interface HoldStage {
  readonly name: string;
  readonly share: number;
}

/** What is done in a part of a bout. */
export type SegmentKind = 'entry' | 'check' | 'hold' | 'push' | 'let go' | 'repetitions' | 'roll' | 'breaths' | 'exit';

/** Help and load of a bout. */
export interface SupportArgs {
  readonly assistance: Assistance | null;
  readonly load: number;
  readonly loadUnit: LoadUnit;
}

/** What a part of a bout says, as a fact; the words are made elsewhere. */
export type SegmentFact =
  | { readonly code: 'enter' | 'leave' | 'hold' | 'let-go' | 'deeper' | 'roll' }
  | { readonly code: 'stage' | 'safety-check'; readonly args: { readonly name: string } }
  | { readonly code: 'hold-breaths'; readonly args: { readonly breaths: number } }
  | { readonly code: 'hold-loaded'; readonly args: SupportArgs }
  | { readonly code: 'push'; readonly args: { readonly effort: number } }
  | {
      readonly code: 'lower';
      readonly args: SupportArgs & RepetitionArgs & { readonly lowerSeconds: number; readonly pauseSeconds: number };
    }
  | { readonly code: 'move'; readonly args: RepetitionArgs & { readonly pauseSeconds: number } }
  | { readonly code: 'repeat'; readonly args: RepetitionArgs }
  | { readonly code: 'breathe'; readonly args: { readonly breaths: number } };

export interface RepetitionArgs {
  readonly reps: number;
  /** True where a repetition is a trip there and back. */
  readonly trips?: true;
  /** True when left and right take turns, each with all repetitions. */
  readonly inTurn: boolean;
}

/** A stretch of seconds inside one bout. */
export interface BoutSegment {
  readonly kind: SegmentKind;
  readonly seconds: number;
  /** Seconds it is logged for; null where nothing is logged. */
  readonly counts: number | null;
  /** True where the log is written: at the end of a set, of a cycle, or of the last stage. */
  readonly ends: boolean;
  readonly beats: readonly Beat[];
  readonly says: SegmentFact;
}

/** A part without repetitions. */
export function plainSegment(
  kind: SegmentKind,
  seconds: number,
  says: SegmentFact,
  counts: number | null = null,
): BoutSegment {
  return { kind, seconds, counts, ends: counts !== null, beats: [], says };
}

/** Seconds of a check without hands. Common practice, no source. */
export const CHECK_SECONDS = 10;

/** A check without hands: no stretch, and nothing is logged. @param name what is asked */
export function checkSegment(name: string): BoutSegment {
  return plainSegment('check', CHECK_SECONDS, { code: 'safety-check', args: { name } });
}

/** Repetitions or breaths: their beats again and again, both sides' when they take turns. */
export function repeatedSegment(
  kind: SegmentKind,
  beats: readonly Beat[],
  times: number,
  turns: number,
  says: SegmentFact,
): BoutSegment {
  const one = beats.reduce((sum, b) => sum + b.seconds, 0);
  const counts = beats.reduce((sum, b) => sum + (b.counts ? b.seconds : 0), 0);
  return { kind, seconds: turns * times * one, counts: times * counts, ends: true, beats, says };
}

/** Help and load of a bout, as its facts carry them. */
export function supportArgs(b: Bout): SupportArgs {
  return { assistance: b.assistance ?? null, load: b.load ?? 0, loadUnit: b.loadUnit ?? 'kg' };
}

/**
 * Seconds of the stages of a hold: each its share in whole seconds, rounded down, the last one the rest, so that their sum is the hold.
 * One stage of the whole hold when the exercise has none, or when a stage would be too short to be felt.
 */
export function stageSeconds(hold: number, stages: readonly HoldStage[]): number[] {
  if (stages.length < 2) return [hold];
  const whole = stages.reduce((sum, s) => sum + s.share, 0);
  const first = stages.slice(0, -1).map((s) => Math.floor((hold * s.share) / whole + 1e-9));
  return [...first, hold - first.reduce((a, b) => a + b, 0)];
}

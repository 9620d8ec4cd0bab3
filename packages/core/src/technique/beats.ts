/** Parts of one repetition or breath. */
export const BEAT_KINDS = [
  'lower',
  'pause',
  'return',
  'out',
  'back',
  'work',
  'ease',
  'in',
  'keep',
  'breathe out',
] as const;
export type BeatKind = (typeof BEAT_KINDS)[number];

/** A part of one repetition. */
export interface Beat {
  readonly kind: BeatKind;
  /** Whole seconds, 1 or more. */
  readonly seconds: number;
  /** True when its seconds are logged: as time under stretch, or as working time where nothing is stretched. */
  readonly counts: boolean;
}

/** Part of a breath that is the breath in: the way out is the longer one. Common practice, no source. */
const BREATH_IN = 0.4;

/** Seconds of a movement there and back again, whole. */
export interface Tempo {
  readonly out: number;
  readonly back: number;
}

/** How one breath is counted, whole seconds: in, held, out. */
export interface BreathPattern {
  readonly in: number;
  /** 0 for a breath that is not held. */
  readonly hold: number;
  readonly out: number;
}

/** Seconds of one breath of a pattern. */
export function patternSeconds({ in: inward, hold, out }: BreathPattern): number {
  return inward + hold + out;
}

/** A movement of some seconds in two halves, the way out the longer. */
export function halves(seconds: number): Tempo {
  const out = Math.ceil(seconds / 2);
  return { out, back: seconds - out };
}

/** One breath of some seconds: the way out is the longer one, and nothing is held. */
export function usualBreath(seconds: number): BreathPattern {
  const inward = Math.max(1, Math.round(seconds * BREATH_IN));
  return { in: inward, hold: 0, out: seconds - inward };
}

/** A movement there and back. */
export function thereAndBack({ out, back }: Tempo, first: BeatKind, second: BeatKind, counts: boolean): [Beat, Beat] {
  return [
    { kind: first, seconds: out, counts },
    { kind: second, seconds: back, counts },
  ];
}

/** Parts of no length are left out. */
export function soundBeats(beats: readonly Beat[]): Beat[] {
  return beats.filter((x) => x.seconds > 0);
}

/** The parts of one breath. */
export function breathBeats({ in: inward, hold, out }: BreathPattern): Beat[] {
  return soundBeats([
    { kind: 'in', seconds: inward, counts: true },
    { kind: 'keep', seconds: hold, counts: true },
    { kind: 'breathe out', seconds: out, counts: true },
  ]);
}

/** Seconds of one repetition. */
export function beatSeconds(beats: readonly Beat[]): number {
  return beats.reduce((sum, b) => sum + b.seconds, 0);
}

/** Where a run of repetitions stands. */
export interface BeatAt {
  readonly beat: Beat;
  /** 1-based repetition. */
  readonly repetition: number;
  /** Whole seconds left in the beat, counted as people count. */
  readonly left: number;
}

/** The beat that runs after some milliseconds of repetitions; null when there are no beats. */
export function beatAt(beats: readonly Beat[], elapsedMs: number): BeatAt | null {
  const one = beatSeconds(beats) * 1000;
  if (one === 0) return null;
  const repetition = Math.floor(elapsedMs / one) + 1;
  let at = elapsedMs % one;
  for (const beat of beats) {
    if (at < beat.seconds * 1000)
      return { beat, repetition, left: Math.max(1, Math.ceil(beat.seconds - at / 1000 - 1e-9)) };
    at -= beat.seconds * 1000;
  }
  return null;
}

/** Milliseconds of repetitions that count, out of some that have passed. */
export function countedMs(beats: readonly Beat[], elapsedMs: number): number {
  const one = beatSeconds(beats) * 1000;
  const counted = beats.reduce((sum, b) => sum + (b.counts ? b.seconds * 1000 : 0), 0);
  if (one === 0) return elapsedMs;
  let rest = elapsedMs % one;
  let out = Math.floor(elapsedMs / one) * counted;
  for (const b of beats) {
    const part = Math.min(rest, b.seconds * 1000);
    if (b.counts) out += part;
    rest -= part;
  }
  return out;
}

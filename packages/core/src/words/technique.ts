import { amountOf, type Bout } from '../technique/prescription.js';
import { unitOf, type Technique } from '../technique/catalogue.js';

interface TechniqueWords {
  /** In a cell of the block. */
  readonly short: string;
  /** One bout in the trade's shorthand, without its sets. */
  readonly bout: (b: Bout) => string;
  /** A bout said to the client, from its shorthand. */
  readonly work: (bout: string) => string;
  /** A bout said to the client in whole words. */
  readonly client: (b: Bout) => string;
  /** What one bout's seconds under stretch are made of; null when they are the hold itself. */
  readonly factors: ((b: Bout) => string) | null;
  /** What its `holdSeconds` are called, where that is not a hold. */
  readonly hold?: string;
}

const times = (n: number, one: string): string => `${n} ${n === 1 ? one : `${one}s`}`;
const seconds = (b: Bout): string => `${b.holdSeconds} s`;
/** Repetitions, or trips there and back, counted. */
const reps = (b: Bout): string => (b.trips ? times(b.reps ?? 0, 'trip') : `${b.reps} reps`);

const long = (n: number): string => times(n, 'second');
const often = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

const WORDS: Readonly<Record<Technique, TechniqueWords>> = {
  'static hold': {
    short: 'hold',
    bout: seconds,
    work: (b) => `Hold ${b}`,
    client: (b) => `Hold for ${long(b.holdSeconds)}`,
    factors: null,
  },
  'contract-relax': {
    short: 'contract-relax',
    bout: (b) => `${b.cycles} × (${b.pushSeconds} s push at ${b.effort}%, ${b.holdSeconds} s)`,
    work: (b) => `Push, let go, stretch: ${b}`,
    client: (b) =>
      `Push for ${long(b.pushSeconds ?? 0)} with about ${b.effort}% of your strength, let go, stretch for ${long(b.holdSeconds)}; do that ${often(b.cycles ?? 1)}`,
    factors: (b) => `${times(b.cycles ?? 1, 'cycle')} × ${b.holdSeconds} s of stretch`,
    hold: 'stretch',
  },
  'loaded eccentric': {
    short: 'lower',
    bout: (b) => `${b.reps} reps (${b.lowerSeconds} s down, ${b.holdSeconds} s)`,
    work: (b) => `Lower slowly: ${b}`,
    client: (b) =>
      `Lower slowly ${often(b.reps ?? 0)}: ${long(b.lowerSeconds ?? 0)} down, stay for ${long(b.holdSeconds)}`,
    factors: (b) => `${times(b.reps ?? 0, 'rep')} × (${b.lowerSeconds} s down + ${b.holdSeconds} s)`,
  },
  'loaded isometric': {
    short: 'loaded hold',
    bout: seconds,
    work: (b) => `Hold the loaded end ${b}`,
    client: (b) => `Hold the low position for ${long(b.holdSeconds)}`,
    factors: null,
  },
  'moving stretch': {
    short: 'move',
    bout: (b) => `${reps(b)} (${b.holdSeconds} s pause)`,
    work: (b) => `Move in and out: ${b}`,
    client: (b) =>
      b.trips
        ? `Move there and back ${often(b.reps ?? 0)}`
        : `Move in and out ${often(b.reps ?? 0)}, ${long(b.holdSeconds)} at the end`,
    factors: (b) => `${times(b.reps ?? 0, 'rep')} × ${b.holdSeconds} s at the end`,
  },
  rolling: {
    short: 'roll',
    bout: seconds,
    work: (b) => `Roll ${b}`,
    client: (b) => `Roll slowly for ${long(b.holdSeconds)}`,
    factors: null,
  },
  'nerve glide': {
    short: 'glide',
    bout: reps,
    work: (b) => `Glide: ${b}`,
    client: (b) => `Glide gently ${often(b.reps ?? 0)}`,
    factors: null,
  },
  activation: {
    short: 'activate',
    bout: reps,
    work: (b) => `Work the muscle: ${b}`,
    client: (b) => `${b.trips ? 'Go there and back' : 'Work the muscle'} ${often(b.reps ?? 0)}`,
    factors: null,
  },
  'activation hold': {
    short: 'hold with work',
    bout: seconds,
    work: (b) => `Hold ${b}`,
    client: (b) => `Hold for ${long(b.holdSeconds)}`,
    factors: null,
  },
  breathing: {
    short: 'breathe',
    bout: (b) => `${b.reps} breaths`,
    work: (b) => `Breathe: ${b}`,
    client: (b) => `Take ${times(b.reps ?? 0, 'slow breath')}`,
    factors: null,
  },
};

/** A technique in a cell of the block: "hold". */
export function techniqueShort(technique: Technique): string {
  return WORDS[technique].short;
}

/** What the seconds of a hold are called: "hold", or "stretch" where they follow a push. */
export function holdName(technique: Technique): string {
  return WORDS[technique].hold ?? 'hold';
}

/** One bout in the trade's shorthand, without its sets: "30 s", "3 × (6 s push at 20%, 15 s)", "6 reps (3 s down, 2 s)". */
export function boutWords(b: Bout): string {
  return WORDS[b.technique].bout(b);
}

/** One bout said to the client: "Hold 30 s". */
export function workWords(b: Bout): string {
  return WORDS[b.technique].work(boutWords(b));
}

/** What the seconds of a bout are made of; null when they are its hold. */
export function boutFactors(b: Bout): string | null {
  return WORDS[b.technique].factors?.(b) ?? null;
}

/** What a bout is counted in, said of a number of them: "1 breath", "6 reps", "30 s". */
export function amountWords(technique: Technique, n: number): string {
  const unit = unitOf(technique);
  return unit === 'seconds' ? `${n} s` : times(n, unit === 'breaths' ? 'breath' : 'rep');
}

/** The size of a bout with its unit. */
export function boutAmountWords(b: Bout): string {
  return amountWords(b.technique, amountOf(b));
}

/** One bout said to the client in whole words: "Hold for 50 seconds". */
export function clientBoutWords(b: Bout): string {
  return WORDS[b.technique].client(b);
}

/** How often, said to the client: "once", "twice", "3 times". */
export function oftenWords(n: number): string {
  return often(n);
}

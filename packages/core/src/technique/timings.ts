import { median } from 'simple-statistics';
import { halves, usualBreath, type BreathPattern, type Tempo } from './beats.js';

/** Seconds of everything in a session that is no stretch (domain 2.7). Common practice, no source; editable defaults. */
export interface Timings {
  /** Into a body position not used just before. */
  readonly newPosition: number;
  /** Into place within the same body position. */
  readonly samePosition: number;
  /** Fetching or fixing a prop. */
  readonly prop: number;
  /** Into the stretch, before the hold counts. */
  readonly entry: number;
  /** Slow return, shake out, notice. */
  readonly exit: number;
  readonly sideSwitch: number;
  /** Between two sets of one side; none after the last. */
  readonly rest: number;
  /** The same between two loaded sets. */
  readonly loadedRest: number;
  /** Between push and stretch of contract-relax. */
  readonly letGo: number;
  /** Way back of a loaded repetition, with help. */
  readonly return: number;
  /** Movement of a repetition, there and back, without its pause. */
  readonly repetition: number;
  /** The same where the way out and the way back were set one by one, for one item; left out everywhere else. */
  readonly tempo?: Tempo;
  /** One breath, until the client's own pace is measured. */
  readonly breath: number;
  /** The same where in, held and out were set one by one, for one item; left out everywhere else. Its sum is the breath. */
  readonly breathing?: BreathPattern;
}

export const DEFAULT_TIMINGS: Timings = {
  newPosition: 20,
  samePosition: 8,
  prop: 10,
  entry: 3,
  exit: 5,
  sideSwitch: 5,
  rest: 10,
  loadedRest: 45,
  letGo: 2,
  return: 2,
  repetition: 3,
  breath: 5,
};

/** A warm-up is never longer, seconds, and stands in steps of {@link WARM_UP_STEP}. Common practice, no source. */
const LONGEST_WARM_UP = 300;
const WARM_UP_STEP = 10;
/** Work up to which there is no warm-up: it begins easily instead. Seconds, common practice, no source. */
export const NO_WARM_UP = 480;

/**
 * Seconds of easy whole-body movement before a session: a quarter of the work, half of what is above eight minutes, five minutes at most, in steps
 * of 10 s; none when the client is already warm (domain 2.7). It grows with the work, so that a second more never makes it jump.
 * @param work seconds of the session without its warm-up
 * @param easy seconds of easy movement that it begins with itself: they count towards the warm-up
 * @example warmUpSeconds(600, false) // 60
 */
export function warmUpSeconds(work: number, alreadyWarm: boolean, easy = 0): number {
  if (alreadyWarm) return 0;
  const most = Math.min(LONGEST_WARM_UP, work / 4, (work - NO_WARM_UP) / 2);
  return Math.max(0, Math.floor((most - easy) / WARM_UP_STEP + 1e-9) * WARM_UP_STEP);
}

/** A client's own breath, measured or not yet: bounds of what is taken for one. Seconds, common practice, no source. */
export const BREATH_BOUNDS = { min: 3, max: 12 } as const;

/** Timings that a studio may set: all but the breath, which is a client's own. */
export type StudioTimings = Omit<Timings, 'breath' | 'breathing' | 'tempo'>;

/** Bounds of what a studio may set, seconds. Common practice, no source. */
export const TIMING_BOUNDS: Readonly<Record<keyof StudioTimings, { readonly min: number; readonly max: number }>> = {
  newPosition: { min: 5, max: 60 },
  samePosition: { min: 0, max: 30 },
  prop: { min: 0, max: 60 },
  entry: { min: 1, max: 15 },
  exit: { min: 1, max: 20 },
  sideSwitch: { min: 1, max: 30 },
  rest: { min: 0, max: 60 },
  loadedRest: { min: 20, max: 180 },
  letGo: { min: 1, max: 10 },
  return: { min: 1, max: 10 },
  repetition: { min: 2, max: 10 },
};

/** Way out and way back of a repetition. */
export function tempoOf({ repetition, tempo }: Timings): Tempo {
  return tempo ?? halves(repetition);
}

/** In, held and out of a breath. */
export function breathOf({ breath, breathing }: Timings): BreathPattern {
  return breathing ?? usualBreath(breath);
}

/** Changes of a practised client, seconds. Common practice, no source. */
const BRISK = { newPosition: 8, samePosition: 4, sideSwitch: 3, exit: 2 } as const satisfies Partial<StudioTimings>;

/** The studio's timings for a practised client: the changes are brisk, and never slower than the studio has them. */
export function briskTimings(studio: StudioTimings): StudioTimings {
  const quicker = (Object.keys(BRISK) as (keyof typeof BRISK)[]).map((k) => [k, Math.min(BRISK[k], studio[k])]);
  return { ...studio, ...(Object.fromEntries(quicker) as typeof BRISK) };
}

/** The studio's timings with a client's own breath in them; null until it has been measured. */
export function timingsFor(breathSeconds: number | null, studio: StudioTimings = DEFAULT_TIMINGS): Timings {
  return { ...studio, breath: breathSeconds ?? DEFAULT_TIMINGS.breath };
}

/**
 * Seconds of one breath from taps at the start of each breath in: the median gap, rounded to whole seconds and kept within the bounds;
 * null for fewer than four taps. One slip does not spoil a median.
 * @param taps instants in milliseconds, ascending
 * @example breathFromTaps([0, 5000, 10000, 14000, 19100]) // 5
 */
export function breathFromTaps(taps: readonly number[]): number | null {
  if (taps.length < 4) return null;
  const gaps = taps.slice(1).map((t, i) => t - taps[i]!);
  return Math.min(BREATH_BOUNDS.max, Math.max(BREATH_BOUNDS.min, Math.round(median(gaps) / 1000)));
}

/**
 * Most seconds of work that fit a session with its warm-up, its length not above the budget: the warm-up grows with the work.
 * @example workBudget(1200, false) // 960
 */
export function workBudget(budgetSeconds: number, alreadyWarm: boolean): number {
  let low = 0;
  let high = Math.max(0, Math.floor(budgetSeconds));
  while (low < high) {
    const mid = Math.ceil((low + high) / 2);
    if (mid + warmUpSeconds(mid, alreadyWarm) <= budgetSeconds) low = mid;
    else high = mid - 1;
  }
  return low;
}

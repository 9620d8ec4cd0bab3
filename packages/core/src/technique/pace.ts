import { patternSeconds, type BreathPattern, type Tempo } from './beats.js';
import { breathOf, type Timings } from './timings.js';

/**
 * How a repetition or a breath is paced: a repetition by seconds out and back; with the breath, out on the breath in and back on the breath out; or
 * with a breath of its own pattern, which breaths that are counted follow too.
 */
export type Pace = Tempo | BreathPattern | 'breath';

/** True for a pace that sets in, held and out of a breath. */
export function isPattern(pace: Pace | null | undefined): pace is BreathPattern {
  return typeof pace === 'object' && pace !== null && 'in' in pace;
}

/** True for a pace by seconds out and back. */
export function isTempo(pace: Pace | null | undefined): pace is Tempo {
  return typeof pace === 'object' && pace !== null && 'back' in pace;
}

/** Bounds of in, held and out of a breath, seconds. A breath is held only as long as nobody strains. Common practice, no source. */
export const PATTERN_BOUNDS = { in: { min: 1, max: 15 }, hold: { min: 0, max: 10 }, out: { min: 1, max: 20 } } as const;

/** Timings with repetitions at a pace; null for that of the timings. */
export function timingsAt(pace: Pace | null, t: Timings): Timings {
  if (pace === null) return t;
  if (pace !== 'breath' && !isPattern(pace)) return { ...t, tempo: pace };
  const breathing = pace === 'breath' ? breathOf(t) : pace;
  const { in: inward, hold, out } = breathing;
  return { ...t, breathing, breath: patternSeconds(breathing), tempo: { out: inward + hold, back: out } };
}

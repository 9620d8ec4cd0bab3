/** One sample of an angle source. `degrees` null while the source has lost the signal. */
export interface AngleSample {
  /** Milliseconds of any steady clock. */
  readonly at: number;
  readonly degrees: number | null;
}

/** When a reading counts as steady. */
export interface SteadySettings {
  /** Largest standard deviation inside the window, degrees. */
  readonly maxSd: number;
  /** Fastest drift inside the window, degrees a second: a limb that still sinks is not at its end. */
  readonly maxSlope: number;
  /** Length of the window, milliseconds. */
  readonly windowMs: number;
  /** A gap longer than this breaks the window, milliseconds. */
  readonly maxGapMs: number;
  /** After a capture the angle must move this far, or the next reading be asked for, before another is taken. Degrees. */
  readonly rearmDegrees: number;
}

/** Common practice, no source: half a degree over a second and a half, and as good as no drift. */
export const STEADY: SteadySettings = { maxSd: 0.5, maxSlope: 0.3, windowMs: 1500, maxGapMs: 250, rearmDegrees: 5 };

/** What is known of a live angle after each sample. */
export interface SteadyState {
  readonly window: readonly { readonly at: number; readonly degrees: number }[];
  /** Newest angle; null while the signal is lost. */
  readonly live: number | null;
  /** Standard deviation over the window; null until it is full. */
  readonly sd: number | null;
  /** How much of the window is filled with steady samples, 0 to 1: what a screen draws. */
  readonly filled: number;
  /** Mean of the window at the moment it became steady; null otherwise. Set for one sample only. */
  readonly captured: number | null;
  /** Angle of the last capture, until it is left. */
  readonly held: number | null;
}

export const NOT_STEADY: SteadyState = { window: [], live: null, sd: null, filled: 0, captured: null, held: null };

function sdOf(xs: readonly number[]): number {
  const m = xs.reduce((a, b) => a + b, 0) / xs.length;
  return xs.length < 2 ? 0 : Math.sqrt(xs.reduce((sum, x) => sum + (x - m) ** 2, 0) / (xs.length - 1));
}

/** Drift over a window by least squares, degrees a second. */
function slopeOf(window: SteadyState['window']): number {
  const mean = (of: 'at' | 'degrees') => window.reduce((sum, s) => sum + s[of], 0) / window.length;
  const [at, degrees] = [mean('at'), mean('degrees')];
  const spread = window.reduce((sum, s) => sum + (s.at - at) ** 2, 0);
  const together = window.reduce((sum, s) => sum + (s.at - at) * (s.degrees - degrees), 0);
  return spread === 0 ? 0 : (1000 * together) / spread;
}

/** The largest share of the newest samples that would still be steady, in milliseconds. */
function steadySpan(window: SteadyState['window'], maxSd: number): number {
  const last = window.at(-1)!;
  let span = 0;
  for (let i = window.length - 1; i >= 0; i--) {
    if (sdOf(window.slice(i).map((s) => s.degrees)) > maxSd) break;
    span = last.at - window[i]!.at;
  }
  return span;
}

/**
 * Feeds one sample. A reading is captured when all samples of a full, unbroken window lie within `maxSd` and drift no faster than `maxSlope`: the
 * value is their mean.
 * A lost signal or a gap starts the window anew; a sample older than the newest is ignored.
 */
export function steadyStep(state: SteadyState, sample: AngleSample, settings: SteadySettings = STEADY): SteadyState {
  const last = state.window.at(-1);
  if (last && sample.at <= last.at) return { ...state, captured: null };
  if (sample.degrees === null || !Number.isFinite(sample.degrees))
    return { ...state, window: [], live: null, sd: null, filled: 0, captured: null };
  const unbroken = last && sample.at - last.at <= settings.maxGapMs ? state.window : [];
  const all = [...unbroken, { at: sample.at, degrees: sample.degrees }];
  // Keep the newest sample that is old enough to span the window, and all after it.
  const from = all.findLastIndex((s) => sample.at - s.at >= settings.windowMs);
  const full = from >= 0;
  const window = full ? all.slice(from) : all;
  const values = window.map((s) => s.degrees);
  const sd = full ? sdOf(values) : null;
  const live = sample.degrees;
  const left = state.held !== null && Math.abs(live - state.held) >= settings.rearmDegrees;
  const held = left ? null : state.held;
  const steady = sd !== null && sd <= settings.maxSd && Math.abs(slopeOf(window)) <= settings.maxSlope && held === null;
  const captured = steady ? values.reduce((a, b) => a + b, 0) / values.length : null;
  return {
    window,
    live,
    sd,
    filled: Math.min(1, steadySpan(window, settings.maxSd) / settings.windowMs),
    captured,
    held: captured ?? held,
  };
}

/** Ready for the next reading at the same angle: the window starts anew. */
export function rearmed(state: SteadyState): SteadyState {
  return { ...NOT_STEADY, live: state.live };
}

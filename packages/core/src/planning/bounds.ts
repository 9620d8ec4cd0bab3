/** Bounds of what a coach may ask of the builder. */
export const BLOCK_BOUNDS = {
  weeks: { min: 1, max: 52, default: 8 },
  ramp: { min: 0, max: 0.5, default: 0.2 },
  easierEvery: { min: 3, max: 6, default: 4 },
  lanes: { min: 1, max: 20 },
  /** Lanes in one session; more cannot be done well in one session. Common practice, no source. */
  lanesPerSession: { min: 1, max: 20, default: 8 },
} as const;

import type { Refusal } from './refusal.js';

/** Stable classes of what the computation can refuse. They go over the wire, so they never change meaning. */
export type CoreErrorCode =
  | 'no-readings'
  | 'too-many-readings'
  | 'invalid-reading'
  | 'invalid-error-figure'
  | 'invalid-reliability'
  | 'not-comparable'
  | 'unknown-test'
  | 'unknown-exercise'
  | 'unknown-style'
  | 'invalid-style'
  | 'invalid-date'
  | 'invalid-plan'
  | 'invalid-prescription'
  | 'invalid-timeline'
  | 'invalid-series'
  | 'invalid-test'
  | 'invalid-angle';

/**
 * A refusal by the computation: bad input that a caller could have avoided. `refusal` says what is wrong as a fact; `refusalWords` says it
 * to a coach, and what to do. `message` is for logs only.
 */
export class CoreError extends Error {
  override readonly name = 'CoreError';
  constructor(
    readonly code: CoreErrorCode,
    readonly refusal: Refusal,
  ) {
    super(code === refusal.code ? code : `${code}: ${refusal.code}`);
  }
}

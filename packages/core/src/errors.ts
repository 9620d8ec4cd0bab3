/** Stable codes of everything the computation can refuse. The wire and the screens translate them, so they never change meaning. */
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
  | 'invalid-angle'
  | 'invalid-line';

/**
 * A refusal by the computation: bad input that a caller could have avoided.
 * `message` says what is wrong and what to do, in words fit for a coach.
 */
export class CoreError extends Error {
  override readonly name = 'CoreError';
  constructor(
    readonly code: CoreErrorCode,
    message: string,
  ) {
    super(message);
  }
}

import type { InclinometerSettings } from '@yandle/core';

/** One sample of the inclinometer's stream, an SSE event `sample`. */
export interface InclinometerEvent {
  /** Milliseconds since the stream began, of the server's steady clock. */
  readonly at: number;
  /** Null for a lost sample. */
  readonly degrees: number | null;
}

export interface InclinometerView {
  readonly settings: InclinometerSettings;
}

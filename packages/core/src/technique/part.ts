import type { Technique } from './catalogue.js';
import type { Bout } from './prescription.js';

/** What is done further on in the same entry: move five times, *then* hold 20 s. */
export interface Part extends Pick<
  Bout,
  'holdSeconds' | 'reps' | 'trips' | 'cycles' | 'pushSeconds' | 'effort' | 'lowerSeconds' | 'depth'
> {
  /** How it is done; left out when it is done like the item. */
  readonly technique?: Technique;
  /** Direction of a hold: "chin down". */
  readonly name?: string;
  /** A hold that is counted in breaths: its seconds are then that many usual breaths, and the clock takes the client's own. */
  readonly breaths?: number;
}

/** Bounds of parts. */
export const PART_BOUNDS = { parts: 8, name: 40, breaths: 60, tempo: { min: 1, max: 60 } } as const;

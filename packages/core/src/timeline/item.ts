import type { Side } from '../anatomy/side.js';

/** One exercise in a session, with its dose. The snapshot a session is published with. */
export interface SessionItem {
  readonly exerciseId: string;
  /** Bouts on each side (or in all, for an exercise without sides). */
  readonly sets: number;
  readonly holdSeconds: number;
  /** Target sensation 0-10. */
  readonly sensation: number;
  /** Side that begins: the tighter one, else left. */
  readonly firstSide: Side;
}

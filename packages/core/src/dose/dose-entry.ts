import type { Side } from '../anatomy/side.js';

/** A planned or logged amount of stretching. */
export interface DoseEntry {
  /** 1-based week of the block. */
  readonly week: number;
  readonly group: string;
  /** null for an exercise that works both sides at once: each side is credited once. */
  readonly side: Side | null;
  readonly seconds: number;
}

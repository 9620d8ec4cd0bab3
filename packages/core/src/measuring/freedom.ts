import type { RomTest } from '../catalogue/rom-test.js';

/** The drawn scale of a test. */
export type FreedomScale = Pick<RomTest, 'scale'>;

/**
 * Place of a value on the mirror's scale: 0 at the spine (stiffest), 1 at the outer end (freest), clipped.
 * Longer is freer in every row, also where fewer degrees are better.
 * @example freedom(20, { scale: { stiffest: 40, freest: 0 } }) // 0.5
 */
export function freedom(value: number, test: FreedomScale): number {
  const { stiffest, freest } = test.scale;
  return Math.min(1, Math.max(0, (value - stiffest) / (freest - stiffest)));
}

/**
 * The same for a stretch of the scale: both ends of value ± half, in drawing order (from the spine outward).
 * @example freedomRange(45, 9, { scale: { stiffest: 0, freest: 90 } }) // { from: 0.4, to: 0.6 }
 */
export function freedomRange(value: number, half: number, test: FreedomScale): { from: number; to: number } {
  const a = freedom(value - half, test);
  const b = freedom(value + half, test);
  return { from: Math.min(a, b), to: Math.max(a, b) };
}

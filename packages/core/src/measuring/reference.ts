import type { RomTest } from './rom-test.js';

/** Where a value lies against its reference. `nominal` references make no band. */
export type Band = 'short' | 'typical' | 'ample' | 'no band';

/**
 * The band of a value: beyond one SD on the stiff side is short, beyond one SD on the free side ample (domain rule 2.2).
 * @param value in the unit of the test
 */
export function bandOf(value: number, test: Pick<RomTest, 'reference' | 'better'>): Band {
  const r = test.reference;
  if (r.kind === 'nominal') return 'no band';
  const z = ((value - r.mean) / r.sd) * (test.better === 'more' ? 1 : -1);
  if (z < -1) return 'short';
  return z > 1 ? 'ample' : 'typical';
}

/** The one value a reference is drawn at: its mean, or the nominal value. */
export function referenceValue(test: Pick<RomTest, 'reference'>): number {
  return test.reference.kind === 'distribution' ? test.reference.mean : test.reference.value;
}

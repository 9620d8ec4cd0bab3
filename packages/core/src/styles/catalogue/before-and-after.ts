import type { BeforeOrAfter } from '../style.js';

/** A minute of rolling before the stretch (Behm et al. 2020, from memory: 1-3 sets of 30-120 s). */
export const ROLL_BEFORE: BeforeOrAfter = { technique: 'rolling', sets: 1, amount: 60, cap: 120 };

/** Repetitions that use the new range after the stretch. Common practice, no source. */
export const ACTIVATE_AFTER: BeforeOrAfter = { technique: 'activation', sets: 1, amount: 10, cap: 16 };

import { Z90 } from '../../math/measurement-error.js';
import type { Source } from '../../source.js';
import { mdc95, usualError, type ResultError } from '../error.js';
import type { AppliedReference } from '../reference.js';
import type { RomTest } from '../../catalogue/rom-test.js';

/** Spread between people where no table gives one. Common practice, no source. In the unit of the test. */
export const PRACTICE_SPREAD: Readonly<Record<RomTest['unit'], number>> = { deg: 8, cm: 3.5 };

/** Largest shortfall that counts: beyond it the rank would not change anyone's mind. */
const MOST = 3;

/** Against a single value nobody is short before this many practice spreads (domain 2.2). Common practice, no source. */
export const NOMINAL_SPREADS = 2;

/** What a result is held against, and in which measure. Values in the unit of the test. */
export interface Target {
  readonly value: number;
  /** Spread between people: makes shortfalls of different tests comparable. */
  readonly sd: number;
  readonly from: 'goal' | 'typical range' | 'single value';
  readonly source: Source | null;
  /** True when the spread is the trade's default, not a printed one. */
  readonly practiceSpread: boolean;
}

/**
 * The target of a test: the client's goal, else the lower edge of the typical range; a single value less two practice spreads. Null when the
 * test has neither reference nor goal, or only the row of another age.
 */
export function targetFor(
  test: Pick<RomTest, 'better' | 'unit'>,
  reference: AppliedReference,
  goal: number | null = null,
): Target | null {
  const spread = PRACTICE_SPREAD[test.unit];
  const sd = reference.kind === 'band' ? reference.sd : spread;
  const source = reference.kind === 'none' ? null : reference.source;
  const practiceSpread = reference.kind !== 'band';
  if (goal !== null) return { value: goal, sd, from: 'goal', source, practiceSpread };
  if (reference.kind === 'none') return null;
  if (reference.kind === 'nominal' && reference.nearest) return null;
  const more = test.better === 'more';
  if (reference.kind === 'band')
    return { value: more ? reference.low : reference.high, sd, from: 'typical range', source, practiceSpread };
  return {
    value: reference.value + (more ? -1 : 1) * NOMINAL_SPREADS * spread,
    sd,
    from: 'single value',
    source,
    practiceSpread,
  };
}

/** How far a value is from its target. */
export interface Shortfall {
  /** In spreads, 0 to 3; 0 unless the gap is more than measurement error (1.645 SEM). */
  readonly spreads: number;
  /** Gap in the unit of the test; positive when short. */
  readonly gap: number;
  /** Gap in smallest real changes, for information. */
  readonly detectableSteps: number;
}

/**
 * Shortfall of one value (domain 2.2): direction·(target − value)/SD, clipped to 0…3, and 0 unless the gap exceeds 1.645·SEM.
 * @param value in the unit of the test
 * @param error of the value; the usual one of the test when left out
 */
export function shortfall(
  value: number,
  test: Pick<RomTest, 'better' | 'error' | 'resolution'>,
  target: Pick<Target, 'value' | 'sd'>,
  error: ResultError = usualError(test),
): Shortfall {
  const gap = (target.value - value) * (test.better === 'more' ? 1 : -1);
  return {
    spreads: gap > Z90 * error.sem ? Math.min(MOST, gap / target.sd) : 0,
    gap,
    detectableSteps: gap / mdc95(error),
  };
}

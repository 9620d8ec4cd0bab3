import {
  changeBetween,
  errorOf,
  formatReading,
  roundTo,
  type Change,
  type RomResult,
  type RomTest,
} from '@yandle/core';

/**
 * A change of a test and side.
 * @param then the test with the error of who measured first; `now` of who measured last
 */
export function changeOf(then: RomTest, now: RomTest, before: RomResult, after: RomResult): Change {
  return changeBetween(before.value, after.value, now.better, [errorOf(then, before), errorOf(now, after)]);
}

/** Size and direction of a change: "10° freer", "no difference". */
export function sizeWords(change: Change, test: RomTest): string {
  if (change.gain === 0) return 'no difference';
  return `${formatReading(Math.abs(change.gain), test.unit)} ${change.gain > 0 ? 'freer' : 'tighter'}`;
}

/** A probability in per cent; never "100%", since nothing measured is certain. */
export function chanceWords(p: number): string {
  if (p > 0.999) return 'over 99.9%';
  return `${roundTo(p * 100, p > 0.99 ? 1 : 0)}%`;
}

/** All of it in one line: "improved: 10° freer (99.1%)". */
export function changeWords(change: Change, test: RomTest): string {
  return `${change.class}: ${sizeWords(change, test)} (${chanceWords(change.probability)})`;
}

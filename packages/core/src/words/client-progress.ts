import { changeBetween } from '../measuring/change.js';
import type { RomTest } from '../measuring/rom-test.js';
import type { Side } from '../anatomy/side.js';
import { formatDate, type PlainDate } from '../schedule/plain-date.js';
import { formatReading } from './reading.js';

/** A result with its error, on a day. */
export interface DatedValue {
  readonly date: PlainDate;
  readonly value: number;
  /** Standard error of measurement, unit of the test. */
  readonly sem: number;
}

/**
 * The change of a test said to the client, without blame and without promising more than the error allows:
 * "Weight-bearing lunge, left: 2.4 cm freer than on 2 March."
 */
export function progressWords(
  test: Pick<RomTest, 'name' | 'unit' | 'better'>,
  side: Side | null,
  first: DatedValue,
  last: DatedValue,
): string {
  const change = changeBetween(first.value, last.value, test.better, [first.sem, last.sem]);
  const what = `${test.name}${side ? `, ${side}` : ''}`;
  const since = formatDate(first.date, 'd MMMM');
  const by = formatReading(Math.abs(change.gain), test.unit);
  switch (change.class) {
    case 'improved':
      return `${what}: ${by} freer than on ${since}.`;
    case 'worse':
      return `${what}: ${by} less free than on ${since}. Your coach will look at it with you.`;
    default:
      return `${what}: no change since ${since} that is larger than measuring can tell.`;
  }
}

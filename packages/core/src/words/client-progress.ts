import { plainTestName } from './plain-test.js';
import { changeBetween, type Change } from '../measuring/change.js';
import type { FromBaseline } from '../measuring/baseline.js';
import type { RomTest } from '../catalogue/rom-test.js';
import type { Side } from '../anatomy/side.js';
import { formatDate } from '../schedule/plain-date.js';
import { runningList } from './list.js';
import { formatReading } from './reading.js';

/** A change of a test on a side since its baseline. */
export interface ChangeSince extends Pick<FromBaseline, 'before' | 'now'> {
  readonly test: Pick<RomTest, 'id' | 'name' | 'unit' | 'better'>;
  readonly side: Side | null;
}

/**
 * Changes said to the client, without blame and without promising more than the error allows: a sentence for each that is real, freer ones
 * first ("Knee to wall, left: better by 2.4 cm since 2 March."), and one for all that are not.
 */
export function progressWords(results: readonly ChangeSince[]): string[] {
  const judged = results.map((r) => ({
    ...r,
    change: changeBetween(r.before.value, r.now.value, r.test.better, [r.before, r.now]),
  }));
  const sentence = ({ test, side, before, change }: (typeof judged)[number]): string => {
    const what = `${plainTestName(test)}${side ? `, ${side}` : ''}`;
    const by = formatReading(Math.abs(change.gain), test.unit);
    const day = formatDate(before.dates[0]!, 'd MMMM');
    return change.gain > 0
      ? `${what}: better by ${by} since ${day}.`
      : `${what}: ${by} less than on ${day}. Your coach will look at it with you.`;
  };
  const of = (kind: Change['class']): typeof judged => judged.filter((j) => j.change.class === kind);
  const same = [...new Set(of('no detectable change').map((j) => plainTestName(j.test)))];
  return [
    ...of('improved').map(sentence),
    ...of('worse').map(sentence),
    ...(same.length > 0 ? [`No clear change yet: ${runningList(same)}. Small changes are hard to measure.`] : []),
  ];
}

import { AFTER_SESSION_HOURS } from '../measuring/assessment.js';
import { mdc95, smallestGainSeen, usualError, type ResultError } from '../measuring/error.js';
import type { FromBaseline } from '../measuring/baseline.js';
import { worseSide } from '../measuring/findings/findings.js';
import type { MeasuredTest } from '../measuring/measured-test.js';
import type { RomTest } from '../catalogue/rom-test.js';
import { formatDate } from '../schedule/plain-date.js';
import { SAID_WRONGLY } from '../trend/calibrated.js';
import { formatReading } from './reading.js';
import { roundTo } from '../math/rounding.js';

/**
 * What a change is counted from, where that has a story; empty for a first result that chose nothing.
 * @param compared by side; null where there is nothing to compare
 * @param short the result that chose the lane was short
 */
export function baselineWords(compared: readonly (FromBaseline | null)[], short: boolean): string {
  const [one] = compared.flatMap((c) => c ?? []);
  if (!one) return '';
  const day = formatDate(one.before.dates[0]!, 'd MMM yyyy');
  if (one.baseline === 'second day') return `Counted from ${day}, the second day: the first one had chosen the lane.`;
  if (one.baseline === 'chosen' && short)
    return 'The baseline was chosen because it was short: part of a first gain may be chance. Measured again on another day before the first session, it would not be.';
  return '';
}

/**
 * Which true gain a retest can show: "A true gain of 11.9° is seen 4 times in 5; of 8.4° with two days each time."
 * @param error of one result of the test
 */
export function seenWords(error: ResultError, test: Pick<RomTest, 'unit'>): string {
  const days = (m: number): string =>
    formatReading(smallestGainSeen({ ...error, sem: error.sem / Math.sqrt(m) }), test.unit);
  return `A true gain of ${days(1)} is seen 4 times in 5; of ${days(2)} if it is measured on two days each time.`;
}

/**
 * How far a goal is from the worse side, and what of that a retest can show.
 * @param now null: not measured yet
 */
export function goalWords(goal: number, now: MeasuredTest | null, test: RomTest): string {
  const seen = seenWords(usualError(now?.test ?? test), test);
  const worse = now ? worseSide(now) : null;
  if (!worse) return `Not measured yet. ${seen}`;
  const gap = (test.better === 'more' ? 1 : -1) * (goal - worse.value);
  if (gap <= 0) return 'Reached in the newest result.';
  const error = mdc95(worse.error);
  const inside =
    gap < error
      ? `, inside the error of one result (${formatReading(error, test.unit)}): measure it on several days`
      : '';
  return `${formatReading(gap, test.unit)} to go${inside}. ${seen}`;
}

const ofHundred = (share: number): string => `${roundTo(share)} of 100`;

/** How often "improved" or "worse" is said of no change, for who asks. */
export function saidWronglyWords(): string {
  return `Where nothing has changed, a retest still says “improved” of ${ofHundred(SAID_WRONGLY.improved)} clients and “worse” of ${ofHundred(SAID_WRONGLY.worse)} (simulated).`;
}

/** How often a plateau is said of a client on course. */
export function plateauWronglyWords(): string {
  return `A plateau is wrongly said at some time in ${ofHundred(SAID_WRONGLY.plateau)} blocks of clients on course (simulated).`;
}

/**
 * Assessments of a test that stand beside its course, in words; empty for none.
 * @example asideWords(1) // '1 more was taken warm or less than 6 hours after a session: it is in the table and not compared.'
 */
export function asideWords(count: number): string {
  if (count === 0) return '';
  const [was, it] = count === 1 ? ['was', 'it is'] : ['were', 'they are'];
  return `${count} more ${was} taken warm or less than ${AFTER_SESSION_HOURS} hours after a session: ${it} in the table and not compared.`;
}

/** What the dates of a block leave unseen, after one was moved: "Soleus: a gain below 14.2° may stay unseen in this block (was 11.9°)." */
export function gainSeenWords(group: string, before: number, after: number, test: Pick<RomTest, 'unit'>): string {
  const [was, now] = [before, after].map((g) => formatReading(g, test.unit));
  return `${group}: a gain below ${now} may stay unseen in this block${was === now ? '' : ` (was ${was})`}.`;
}

import type { RomTest } from '../catalogue/rom-test.js';
import { resultSem } from '../measuring/error.js';
import { readStep, roundedEndings, roundedError, type ReadingHabits } from '../measuring/reliability/reading-habits.js';
import { METRIC } from './units.js';
import { formatError, formatFixed } from './reading.js';
import { CLIENTS_WANTED, type OwnError } from '../measuring/reliability/own-error.js';
import type { IccEstimate, IccForm, NoInterval } from '../measuring/reliability/icc.js';

/** What each form says, in words. */
export const ICC_WORDS: Readonly<Record<IccForm, string>> = {
  '2,1': 'one measurement by any tester (agreement)',
  '3,1': 'one measurement by the same tester (consistency)',
  '1,1': 'one measurement, testers mixed',
  '2,k': 'mean of all measurements, any testers',
  '3,k': 'mean of all measurements, the same testers',
  '1,k': 'mean of all measurements, testers mixed',
};

/** How far an error from few clients can be trusted; null when enough were measured. */
export function fewClientsWords({ tooFew }: Pick<OwnError, 'tooFew'>): string | null {
  if (!tooFew) return null;
  return `Only ${tooFew.clients} clients: the true error may be up to ${formatFixed(tooFew.ratio, 1)} times as large at one end of its interval as at the other. Measure ${CLIENTS_WANTED} or more.`;
}

/** A reliability to two places; nothing is told apart below 0. @example iccValueWords(-0.13) // 'below 0' */
export function iccValueWords(value: number): string {
  return value < 0 ? 'below 0' : formatFixed(value, 2);
}

const WHY_NO_INTERVAL: Readonly<Record<NoInterval, string>> = {
  'no-spread-between-clients': 'no interval: the clients differ no more than the measurements',
  'too-few-degrees': 'no interval: too few clients',
};

/** The 95 % interval of a reliability, or why there is none. */
export function iccIntervalWords({ interval, why }: Pick<IccEstimate, 'interval' | 'why'>): string {
  if (!interval) return why ? WHY_NO_INTERVAL[why] : '';
  return `${iccValueWords(interval.low)} to ${iccValueWords(interval.high)}`;
}

/** What the readings of a coach say of how they read: rounding to fives, and readings that were not blind. */
export function readingHabitsWords(habits: ReadingHabits, test: RomTest): string[] {
  const out: string[] = [];
  const step = readStep(test);
  const endings = roundedEndings(habits);
  if (step !== null && endings?.clearly) {
    const words = (sem: number): string => formatError(sem, test.unit, METRIC);
    const sem = resultSem(test);
    out.push(
      `${endings.found} of your ${habits.readings} readings of this test end on 0 or 5 (${Math.round(endings.expected)} by chance). Read to the last ${test.unit === 'deg' ? 'degree' : 'millimetre'}: rounded to fives an error of ${words(sem)} becomes ${words(roundedError(sem, step))}.`,
    );
  }
  if (habits.seen > 0)
    out.push(
      `${habits.seen} of your ${habits.readings} readings of this test were taken with the last value shown. Whoever knows it leans towards it: such readings agree too well, and an error worked out from them is too small.`,
    );
  return out;
}

import { formatFixed } from './reading.js';
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

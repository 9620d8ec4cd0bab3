import { betweenSeconds, type TimedItem } from '../session/session-seconds.js';
import { workBudget, type Timings } from '../technique/timings.js';
import type { PlacedDayPlan } from './day-plan/day-plan.js';

/**
 * How long a session is, for the planner: the one place it asks, so that parts and flows can come in later. A session's work, its length without the
 * warm-up, is the seconds of its items and what lies between them; it fits its minutes when that fits what they leave for it.
 */
export interface SessionLength {
  /** Seconds between the bouts of some items in a session of a day plan, in the order of the list; they do not depend on how much is done. */
  readonly between: (items: readonly TimedItem[], plan: PlacedDayPlan, timings?: Timings) => number;
  /** Most seconds of work that a session of a day plan holds; infinite without minutes. */
  readonly room: (plan: PlacedDayPlan) => number;
}

/** True where a day plan has an order of its own. */
export function isListed(plan: Pick<PlacedDayPlan, 'order'>): boolean {
  return plan.order !== 'fewest changes';
}

/** Lengths of sessions of unlinked items. */
export const USUAL_LENGTH: SessionLength = {
  between: (items, plan, timings) => betweenSeconds(items, timings, isListed(plan)),
  room: (plan) => (plan.minutes === null ? Infinity : workBudget(plan.minutes * 60, plan.warm)),
};

/** Seconds of work of some items in a session of a day plan. */
export function workOf(
  length: SessionLength,
  items: readonly TimedItem[],
  plan: PlacedDayPlan,
  timings?: Timings,
): number {
  return items.reduce((sum, i) => sum + i.bodySeconds, length.between(items, plan, timings));
}

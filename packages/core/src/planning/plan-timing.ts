import { betweenSeconds, type TimedItem } from '../session/session-seconds.js';
import { workBudget, type Timings } from '../technique/timings.js';
import type { PlacedDayPlan } from './day-plan/day-plan.js';
import { routineSeconds } from './day-plan/day-routine.js';

/**
 * How long a session is, for the planner: the one place it asks, so that parts and flows can come in later. A session's work, its length without the
 * warm-up, is the seconds of its items and what lies between them; it fits its minutes when that fits what they leave for it.
 */
export interface SessionLength {
  /** Seconds between the bouts of some items in a session of a day plan, in the order of the list; they do not depend on how much is done. */
  readonly between: (items: readonly TimedItem[], plan: PlacedDayPlan, timings?: Timings) => number;
  /** Most seconds of work of lanes that a session of a day plan holds, its routine taken off; infinite without minutes. */
  readonly room: (plan: PlacedDayPlan, timings?: Timings) => number;
}

/** True where a day plan has an order of its own. */
export function isListed(plan: Pick<PlacedDayPlan, 'order'>): boolean {
  return plan.order !== 'fewest changes';
}

/** Lengths of sessions of unlinked items. */
export const USUAL_LENGTH: SessionLength = {
  between: (items, plan, timings) => betweenSeconds(items, timings, isListed(plan)),
  room: (plan, timings) =>
    plan.minutes === null
      ? Infinity
      : Math.max(0, workBudget(plan.minutes * 60, plan.warm) - routineSeconds(plan.steps ?? [], timings)),
};

/** Seconds of work of some items in a session of a day plan, its routine before them. */
export function workOf(
  length: SessionLength,
  items: readonly TimedItem[],
  plan: PlacedDayPlan,
  timings?: Timings,
): number {
  const routine = routineSeconds(plan.steps ?? [], timings);
  return items.reduce((sum, i) => sum + i.bodySeconds, routine + length.between(items, plan, timings));
}

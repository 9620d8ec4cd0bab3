import { addDays, weekdayOf } from '../../schedule/plain-date.js';
import type { Weekday } from '../../schedule/weekday.js';
import type { BlockInput } from '../plan.js';
import { dayPlanOf, type PlacedDayPlan } from './day-plan.js';

/** First weekday of a block's weeks; Monday when no date is set. */
export function firstWeekday(input: Pick<BlockInput, 'startDate'>): Weekday {
  return input.startDate ? weekdayOf(input.startDate) : 1;
}

/** Days from the first day of a block's week to a weekday, 0-6. */
export function offsetOf(weekday: Weekday, first: Weekday): number {
  return (weekday - first + 7) % 7;
}

/** Weekday that lies some days after the first of a week. */
export function weekdayAt(offset: number, first: Weekday): Weekday {
  return (((first - 1 + offset) % 7) + 1) as Weekday;
}

/** The day plans of a block; those of the client's own days and minutes where it has none. */
export function dayPlansOf(input: Pick<BlockInput, 'dayPlans' | 'client'>): readonly PlacedDayPlan[] {
  return input.dayPlans ?? [{ ...dayPlanOf(input.client), place: null }];
}

/** One session of a week that could be: its day, counted from the first of the week, and its day plan. */
export interface Slot {
  readonly offset: number;
  /** Place of the day plan in the block. */
  readonly plan: number;
}

/** Sessions of a week that are possible: on the days of the day plans that the client is not away, day by day. */
export function slotsOf(
  input: Pick<BlockInput, 'dayPlans' | 'client' | 'startDate' | 'away'>,
  week: number,
): readonly Slot[] {
  const first = firstWeekday(input);
  const { startDate, away = [] } = input;
  const isAway = (offset: number): boolean => {
    if (!startDate || away.length === 0) return false;
    const date = addDays(startDate, 7 * (week - 1) + offset);
    return away.some((a) => a.from <= date && date <= a.to);
  };
  return dayPlansOf(input)
    .flatMap((p, plan) => p.weekdays.map((d): Slot => ({ offset: offsetOf(d, first), plan })))
    .filter((s) => !isAway(s.offset))
    .sort((a, b) => a.offset - b.offset || a.plan - b.plan);
}

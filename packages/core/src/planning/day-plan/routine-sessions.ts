import { calendarOf } from '../absence/calendar.js';
import type { BlockInput } from '../plan.js';
import type { RoutineSession } from './day-routine.js';
import { dayPlansOf, firstWeekday, slotsOf, weekdayAt } from './slots.js';

/**
 * Sessions of the day plans that have a routine: on every day that the client is there.
 * @param missed weeks in which nothing is done
 */
export function routineSessions(
  input: Pick<BlockInput, 'dayPlans' | 'client' | 'startDate' | 'away' | 'weeks'>,
  missed: { readonly has: (week: number) => boolean },
): RoutineSession[] {
  const plans = dayPlansOf(input);
  if (plans.every((p) => !p.steps?.length)) return [];
  const first = firstWeekday(input);
  return Array.from({ length: input.weeks }, (_, i) => i + 1)
    .filter((week) => !missed.has(week))
    .flatMap((week) =>
      slotsOf(input, week)
        .filter((s) => plans[s.plan]!.steps?.length)
        .map((s) => ({ week, weekday: weekdayAt(s.offset, first), dayPlanId: plans[s.plan]!.id })),
    );
}

/** The same, the calendar of the block looked at. */
export function routineSessionsOf(input: BlockInput): RoutineSession[] {
  return routineSessions(input, calendarOf(input).missed);
}

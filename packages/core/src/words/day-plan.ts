import type { DayOrder, DayPlan } from '../planning/day-plan/day-plan.js';
import { WEEKDAYS } from '../schedule/weekday.js';
import { purposeName } from './composing.js';

/** How the exercises of a session follow one another, for a choice. */
export const DAY_ORDER_WORDS: Readonly<Record<DayOrder, string>> = {
  'fewest changes': 'Fewest changes of position',
  'lower to upper': 'From the feet up',
  'upper to lower': 'From the head down',
  'as listed': 'As the lanes are listed',
};

/** A day plan in one line: its days, minutes and purpose, and the routine it begins with. */
export function dayPlanLine(
  plan: Pick<DayPlan, 'weekdays' | 'minutes' | 'purpose' | 'warm'> & Partial<Pick<DayPlan, 'name' | 'routine'>>,
): string {
  const purpose = purposeName(plan.purpose).toLowerCase();
  const days = WEEKDAYS.filter((d) => plan.weekdays.includes(d.id)).map((d) => d.short);
  const parts = [
    days.length === 0 ? 'no days' : days.join(', '),
    plan.minutes === null ? 'no limit' : `${plan.minutes} min`,
    // A name that says it already is enough.
    ...(plan.purpose === 'own' || plan.name?.toLowerCase() === purpose ? [] : [purpose]),
    ...(plan.warm ? ['already warm'] : []),
    ...(plan.routine ? [`begins with “${plan.routine.name}”`] : []),
  ];
  return parts.join(' · ');
}

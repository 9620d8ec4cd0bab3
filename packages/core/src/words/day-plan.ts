import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { DayOrder, DayPlan, PlacedDayPlan } from '../planning/day-plan/day-plan.js';
import type { Exercise } from '../catalogue/exercise.js';
import { sessionDose } from '../dose/dose.js';
import { boutMissing } from '../planning/day-plan/day-routine.js';
import { unitOf } from '../technique/catalogue.js';
import { amountOf, type Bout } from '../technique/prescription.js';
import { counted } from './plural.js';
import type { PlannedWeek } from '../planning/plan.js';
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

/**
 * What the routine of a day plan does of a lane's week, and what is left to the lane; empty for nothing:
 * "“After running” does 30 of the 90 s a side on Tue, Thu; the lane adds 2 × 30 s."
 * @param exercises that the lane does it with in the day plan
 */
export function givenWords(
  plan: Pick<PlacedDayPlan, 'id' | 'routine' | 'steps'>,
  cell: Pick<PlannedWeek, 'kind' | 'prescription' | 'sessions'>,
  group: MuscleGroupId,
  exercises: readonly Exercise[],
): string {
  const steps = plan.steps ?? [];
  const on = cell.sessions.filter((s) => s.dayPlanId === plan.id);
  const [first] = on;
  if (!plan.routine || steps.length === 0 || cell.kind === 'rest' || !first) return '';
  const bout = { ...cell.prescription, sets: first.sets };
  const missing = boutMissing(steps, group, bout, exercises);
  if (missing === bout) return '';
  const days = WEEKDAYS.filter((d) => on.some((s) => s.weekday === d.id)).map((d) => d.short);
  const [all, own] = [sessionDose(bout), missing ? sessionDose(missing) : 0];
  const what =
    missing === null
      ? 'all of it'
      : all === 0
        ? 'a part of it'
        : `${Math.round(all - own)} of the ${Math.round(all)} s a side`;
  const rest = missing === null ? '' : `; the lane adds ${missing.sets} × ${amountWords(missing)}`;
  return `“${plan.routine.name}” does ${what} on ${days.join(', ')}${rest}.`;
}

/** A bout's amount with its unit. */
function amountWords(bout: Bout): string {
  const amount = amountOf(bout);
  return unitOf(bout.technique) === 'seconds' ? `${amount} s` : counted(amount, 'rep');
}

import { MUSCLE_GROUP_IDS, type MuscleGroupId } from '../../anatomy/muscle-group.js';
import { WEEKDAYS, type Weekday } from '../../schedule/weekday.js';
import type { PreferredTime } from '../../screening/about.js';
import { purposeRules, type PurposeId } from '../../session/purpose.js';
import type { PlanClient } from '../limits.js';
import type { ClientPlace } from '../../screening/place.js';
import type { DayRoutine, RoutineStep } from './day-routine.js';

/** In which order the exercises of a session follow one another. */
export const DAY_ORDERS = ['fewest changes', 'lower to upper', 'upper to lower', 'as listed'] as const;
export type DayOrder = (typeof DAY_ORDERS)[number];

/** A kind of session in a block (domain 2.6): which weekdays, for what, how long, where. Two may fall on one weekday. */
export interface DayPlan {
  readonly id: string;
  readonly name: string;
  readonly weekdays: readonly Weekday[];
  readonly purpose: PurposeId;
  /** Minutes of one session; null for no limit. */
  readonly minutes: number | null;
  /** True when the body is warm as it begins. */
  readonly warm: boolean;
  /** One of the client's places; null for anywhere. */
  readonly placeId: string | null;
  readonly order: DayOrder;
  /** Groups that it is for; null for all lanes. */
  readonly theme: readonly MuscleGroupId[] | null;
  /** The routine that its sessions begin with; null for none. */
  readonly routineId: string | null;
  /** That routine as the client does it; left out or null without one. */
  readonly routine?: DayRoutine | null;
}

/** Bounds of a day plan. */
export const DAY_PLAN_BOUNDS = {
  /** Day plans of a block; more than a week's mornings and evenings are nobody's plan. */
  count: { min: 1, max: 14 },
  minutes: { min: 3, max: 180 },
} as const;

/** A day plan with what its place has, and the exercises of its routine. */
export interface PlacedDayPlan extends DayPlan {
  readonly place: ClientPlace | null;
  /** Exercises of its routine; left out for none. */
  readonly steps?: readonly RoutineStep[];
}

/** Id of the day plan that a block has when nobody made one. */
export const FIRST_DAY_PLAN = 'day-plan-1';
/** Id of the short one that is suggested beside it. */
const SHORT_DAY_PLAN = 'day-plan-2';

/** The day plan of a client's days and minutes. */
export function dayPlanOf(
  client: Pick<PlanClient, 'trainingDays' | 'minutesPerSession'>,
  id = FIRST_DAY_PLAN,
): DayPlan {
  return {
    id,
    name: 'Session',
    weekdays: [...new Set(client.trainingDays)].sort((a, b) => a - b),
    purpose: 'own',
    minutes: client.minutesPerSession ?? null,
    warm: false,
    placeId: null,
    order: 'fewest changes',
    theme: null,
    routineId: null,
  };
}

/** Purpose and name that a usual time of day gives a session: only where it is the one time that was named. Common practice, no source. */
const TIMED: Readonly<Record<PreferredTime, Pick<DayPlan, 'name' | 'purpose'>>> = {
  'on waking': { name: 'On waking', purpose: 'on waking' },
  morning: { name: 'Morning', purpose: 'own' },
  midday: { name: 'Midday', purpose: 'own' },
  evening: { name: 'Evening', purpose: 'own' },
  'after training': { name: 'After training', purpose: 'after training' },
};

/**
 * The day plan that a block begins with: the client's days and minutes, at their usual place and time of day. Who stretches on waking gets a
 * session that spares the spine, who stretches after training one that begins warm.
 */
export function firstDayPlanOf(
  client: Pick<PlanClient, 'trainingDays' | 'minutesPerSession'>,
  places: readonly Pick<ClientPlace, 'id'>[],
  times: readonly PreferredTime[],
): DayPlan {
  const plain = { ...dayPlanOf(client), placeId: places[0]?.id ?? null };
  const [time] = times;
  if (times.length !== 1 || time === undefined) return plain;
  const timed = TIMED[time];
  return { ...plain, ...timed, warm: purposeRules(timed.purpose).warm };
}

/** Minutes of a short session between: half of the usual, in these bounds. Common practice, no source. */
const SHORT_MINUTES = { min: 5, max: 10 } as const;

/**
 * A short session on the days that a client's one day plan leaves free, at another of their places where there is one: a desk, a bed. Cold, for all
 * groups.
 * @returns null where there is no free day, no limit of minutes, or the coach has made several day plans
 */
export function shortSessionBetween(
  dayPlans: readonly DayPlan[],
  places: readonly Pick<ClientPlace, 'id'>[],
): DayPlan | null {
  const [only] = dayPlans;
  if (!only || dayPlans.length > 1 || only.minutes === null || only.weekdays.length === 0) return null;
  const trainingDays = WEEKDAYS.map((d) => d.id).filter((d) => !only.weekdays.includes(d));
  if (trainingDays.length === 0) return null;
  const minutesPerSession = Math.min(SHORT_MINUTES.max, Math.max(SHORT_MINUTES.min, Math.round(only.minutes / 2)));
  const placeId = places.find((p) => p.id !== only.placeId)?.id ?? only.placeId;
  return { ...dayPlanOf({ trainingDays, minutesPerSession }, SHORT_DAY_PLAN), name: 'Short session', placeId };
}

/** True when a day plan is for a group. */
export function isFor(plan: Pick<DayPlan, 'theme'>, group: MuscleGroupId): boolean {
  return plan.theme === null || plan.theme.includes(group);
}

/** Weekdays on which a block has a session at all. */
export function weekdaysOf(plans: readonly Pick<DayPlan, 'weekdays'>[]): Weekday[] {
  return [...new Set(plans.flatMap((p) => p.weekdays))].sort((a, b) => a - b);
}

/** Where a lane stands in a session of a day plan: by its place among the lanes, or from the feet up or down. */
export function rankIn(plan: Pick<DayPlan, 'order'>, group: MuscleGroupId, lane: number): number {
  const height = MUSCLE_GROUP_IDS.indexOf(group) * 100;
  if (plan.order === 'lower to upper') return height + lane;
  return plan.order === 'upper to lower' ? lane - height : lane;
}

import type { BlockPlan } from './plan.js';
import { addDays, daysBetween, weekdayOf, type PlainDate } from '../schedule/plain-date.js';

/** One dated session: its day plan, and which lanes it holds; none where it takes place for its routine alone. */
export interface ScheduledSession {
  readonly date: PlainDate;
  /** 1-based. */
  readonly week: number;
  readonly dayPlanId: string;
  /** The lanes that it holds: their places in the plan, and their sets a side. */
  readonly lanes: readonly { readonly lane: number; readonly sets: number }[];
}

/** The seven dates of a week: week n = days 7(n−1)…7n−1 from the start date. */
export function datesOfWeek(startDate: PlainDate, week: number): PlainDate[] {
  return Array.from({ length: 7 }, (_, i) => addDays(startDate, 7 * (week - 1) + i));
}

/**
 * Dates of all sessions of a block: each lane in the sessions its weeks were planned for; a day has one for each of its day plans.
 */
export function scheduleSessions(plan: BlockPlan, startDate: PlainDate): ScheduledSession[] {
  const out: ScheduledSession[] = [];
  const weeks = plan.lanes[0]?.weeks.length ?? 0;
  for (let week = 1; week <= weeks; week++)
    for (const date of datesOfWeek(startDate, week)) {
      const day = weekdayOf(date);
      const held = new Map<string, { lane: number; sets: number }[]>();
      plan.lanes.forEach((l, lane) => {
        for (const s of l.weeks[week - 1]!.sessions)
          if (s.weekday === day) held.set(s.dayPlanId, [...(held.get(s.dayPlanId) ?? []), { lane, sets: s.sets }]);
      });
      for (const r of plan.routines ?? [])
        if (r.week === week && r.weekday === day && !held.has(r.dayPlanId)) held.set(r.dayPlanId, []);
      for (const [dayPlanId, lanes] of held) out.push({ date, week, dayPlanId, lanes });
    }
  return out;
}

/**
 * Dates of the retests: for week 1 the day before the start; otherwise the last day of the week that is no session day and does not
 * follow one, else the last day without a session, else the last day (measure before the session). At the baseline's time of day a
 * day without a session is at least 24 h after one (domain rule 2.6, 4).
 */
export function scheduleRetests(
  retestWeeks: readonly number[],
  startDate: PlainDate,
  sessions: readonly Pick<ScheduledSession, 'date'>[],
): { week: number; date: PlainDate }[] {
  const taken = new Set(sessions.map((s) => s.date));
  return retestWeeks.map((week) => {
    if (week === 1) return { week, date: addDays(startDate, -1) };
    const dates = datesOfWeek(startDate, week).reverse();
    const date =
      dates.find((d) => !taken.has(d) && !taken.has(addDays(d, -1))) ?? dates.find((d) => !taken.has(d)) ?? dates[0]!;
    return { week, date };
  });
}

/** Last day of a block of whole weeks. */
export function endOfBlock(startDate: PlainDate, weeks: number): PlainDate {
  return addDays(startDate, 7 * weeks - 1);
}

/** Week of a block on a date, 1-based; 0 or less before it starts. */
export function weekOn(startDate: PlainDate, date: PlainDate): number {
  return Math.floor(daysBetween(startDate, date) / 7) + 1;
}

/** Weeks of a block that have ended: those whose last day is past, up to the whole block. The only place that says which weeks are over. */
export function weeksOver(startDate: PlainDate, weeks: number, today: PlainDate): number {
  return Math.min(weeks, Math.max(0, weekOn(startDate, today) - 1));
}

/** The block that counts today: not ended, its last day not past; of several the one that started last. Null when none is running. */
export function runningBlock<
  B extends { readonly startDate: PlainDate; readonly weeks: number; readonly endedAt: unknown },
>(blocks: readonly B[], today: PlainDate): B | null {
  return (
    [...blocks]
      .filter((b) => b.endedAt === null && endOfBlock(b.startDate, b.weeks) >= today)
      .sort((a, b) => (a.startDate < b.startDate ? 1 : -1))[0] ?? null
  );
}

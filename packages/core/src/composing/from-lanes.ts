import type { Side } from '../anatomy/side.js';
import { exerciseById, type FindExercise } from '../catalogue/exercises.js';
import type { BlockPlan } from '../planning/block.js';
import { scheduleSessions } from '../schedule/block-dates.js';
import type { PlainDate } from '../schedule/plain-date.js';
import type { Weekday } from '../schedule/weekday.js';
import type { SessionItem } from '../timeline/item.js';
import { orderItems } from '../timeline/order.js';
import { buildTimeline } from '../timeline/timeline.js';
import { DEFAULT_TIMINGS } from '../timeline/timings.js';

/** How a lane is done: one exercise for the whole block, so that the client learns it. */
export interface LaneExercise {
  readonly exerciseId: string;
  readonly firstSide: Side;
}

/** A dated session with its items in order and its exact length. */
export interface DatedSession {
  readonly date: PlainDate;
  /** 1-based. */
  readonly week: number;
  readonly items: readonly SessionItem[];
  readonly totalSeconds: number;
}

/**
 * The dated sessions of a block, one exercise a lane.
 * @param lanes in the order of the plan's lanes
 */
export function sessionsOfBlock(
  plan: BlockPlan,
  startDate: PlainDate,
  trainingDays: readonly Weekday[],
  lanes: readonly LaneExercise[],
  find: FindExercise = exerciseById,
): DatedSession[] {
  return scheduleSessions(plan, startDate, trainingDays).map(({ date, week, lanes: places }) => {
    const items = orderItems(
      places.map((i): SessionItem => {
        const { sets, holdSeconds, sensation } = plan.lanes[i]!.weeks[week - 1]!.prescription;
        return { ...lanes[i]!, sets, holdSeconds, sensation };
      }),
      find,
    );
    const { totalSeconds } = buildTimeline(items, false, DEFAULT_TIMINGS, find);
    return { date, week, items, totalSeconds };
  });
}

/** Length of the longest session of each week, in seconds; index 0 is week 1. */
export function longestSessions(
  sessions: readonly Pick<DatedSession, 'week' | 'totalSeconds'>[],
  weeks: number,
): number[] {
  const out = Array.from({ length: weeks }, () => 0);
  for (const s of sessions) out[s.week - 1] = Math.max(out[s.week - 1] ?? 0, s.totalSeconds);
  return out;
}

import type { TechniqueExercise } from '../planning/exercise-choice/technique-exercise.js';
import type { Side } from '../anatomy/side.js';
import { exerciseById, type FindExercise } from '../catalogue/exercises.js';
import { CoreError } from '../errors.js';
import type { BlockPlan } from '../planning/plan.js';
import { scheduleSessions } from '../planning/block-dates.js';
import type { PlainDate } from '../schedule/plain-date.js';
import type { Bout } from '../technique/prescription.js';
import type { SessionItem } from '../session/item.js';
import { orderItems } from '../session/order.js';
import { buildTimeline } from '../session/timeline.js';
import { DEFAULT_TIMINGS, type Timings } from '../technique/timings.js';

/** How a lane is done. */
export interface LaneExercises {
  readonly exercises: readonly TechniqueExercise[];
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
 * The item that a bout of a lane becomes.
 * @throws CoreError `invalid-plan` when the lane has no exercise for the technique
 */
export function itemOf(bout: Bout, lane: LaneExercises, find: FindExercise = exerciseById): SessionItem {
  const chosen = lane.exercises.find((e) => e.technique === bout.technique);
  if (!chosen) throw new CoreError('invalid-plan', { code: 'needs-exercise', args: { technique: bout.technique } });
  const { technique, ...rest } = bout;
  const own = find(chosen.exerciseId).technique === technique;
  return {
    ...rest,
    exerciseId: chosen.exerciseId,
    firstSide: bout.bonus?.side ?? lane.firstSide,
    ...(own ? {} : { technique }),
  };
}

/**
 * The dated sessions of a block, one exercise a lane and technique.
 * @param lanes in the order of the plan's lanes
 * @param fromWeek sessions of earlier weeks are left out; their techniques need no exercise any more
 * @throws CoreError `invalid-plan` when a lane has no exercise for a technique it uses
 */
export function sessionsOfBlock(
  plan: BlockPlan,
  startDate: PlainDate,
  lanes: readonly LaneExercises[],
  find: FindExercise = exerciseById,
  fromWeek = 1,
  timings: Timings = DEFAULT_TIMINGS,
): DatedSession[] {
  return scheduleSessions(plan, startDate)
    .filter((s) => s.week >= fromWeek)
    .map(({ date, week, lanes: places }) => {
      const items = orderItems(
        places.flatMap((i): SessionItem[] => {
          const { sessionsPerWeek: _, ...bout } = plan.lanes[i]!.weeks[week - 1]!.prescription;
          return [bout, ...plan.lanes[i]!.weeks[week - 1]!.beforeAndAfter].map((b) => itemOf(b, lanes[i]!, find));
        }),
        find,
      );
      const { totalSeconds } = buildTimeline(items, {}, timings, find);
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

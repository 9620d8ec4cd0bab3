import { ableIn } from '../planning/day-plan/able-in.js';
import type { TechniqueExercise } from '../planning/exercise-choice/technique-exercise.js';
import type { Side } from '../anatomy/side.js';
import { exerciseById, type FindExercise } from '../catalogue/exercises.js';
import { CoreError } from '../errors.js';
import type { BlockPlan } from '../planning/plan.js';
import { scheduleSessions } from '../planning/block-dates.js';
import type { PlainDate } from '../schedule/plain-date.js';
import type { Exercise } from '../catalogue/exercise.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { rankIn, type PlacedDayPlan } from '../planning/day-plan/day-plan.js';
import { boutMissing } from '../planning/day-plan/day-routine.js';
import { isListed } from '../planning/plan-timing.js';
import { sharedBouts } from '../planning/week/lane-items.js';
import type { Technique } from '../technique/catalogue.js';
import type { Bout } from '../technique/prescription.js';
import type { SessionItem } from '../session/item.js';
import { buildTimeline } from '../session/timeline.js';
import { orderItems } from '../session/order.js';
import { sessionSeconds, timeItem, type TimedItem } from '../session/session-seconds.js';
import { DEFAULT_TIMINGS, type Timings } from '../technique/timings.js';

/** How a lane is done. */
export interface LaneExercises {
  readonly group: MuscleGroupId;
  readonly exercises: readonly TechniqueExercise[];
  readonly firstSide: Side;
}

/** A dated session with its items in order and its exact length. */
export interface DatedSession {
  readonly date: PlainDate;
  /** 1-based. */
  readonly week: number;
  readonly dayPlanId: string;
  readonly items: readonly SessionItem[];
  readonly totalSeconds: number;
}

/** Exercises of a technique in a day plan: its own, else those of all; those alone that its sessions may hold ({@link ableIn}). */
export function exercisesAt(
  exercises: readonly TechniqueExercise[],
  technique: Technique,
  plan: PlacedDayPlan | null,
  find: FindExercise,
): readonly Exercise[] {
  const those = exercises.filter((e) => e.technique === technique);
  const own = plan === null ? [] : those.filter((e) => e.dayPlanId === plan.id);
  const chosen = (own.length > 0 ? own : those.filter((e) => e.dayPlanId === null)).map((e) => find(e.exerciseId));
  return plan === null ? chosen : ableIn(chosen, technique, plan).able;
}

/**
 * The items that a bout of a lane becomes in a session: one for each of its exercises there.
 * @throws CoreError `invalid-plan` when the lane has no exercise for the technique
 */
export function itemsOf(
  bout: Bout,
  lane: Pick<LaneExercises, 'exercises' | 'firstSide'>,
  plan: PlacedDayPlan | null = null,
  find: FindExercise = exerciseById,
): SessionItem[] {
  if (!lane.exercises.some((e) => e.technique === bout.technique))
    throw new CoreError('invalid-plan', { code: 'needs-exercise', args: { technique: bout.technique } });
  return sharedBouts(bout, exercisesAt(lane.exercises, bout.technique, plan, find)).map(({ exercise, bout: b }) => {
    const { technique, ...rest } = b;
    return {
      ...rest,
      exerciseId: exercise.id,
      firstSide: b.bonus?.side ?? lane.firstSide,
      ...(exercise.technique === technique ? {} : { technique }),
    };
  });
}

/** Puts items in order; of lists with the same exercises, whatever their amounts, the order is found once. */
function rememberedOrder(find: FindExercise): (items: readonly SessionItem[]) => readonly SessionItem[] {
  const known = new Map<string, readonly number[]>();
  return (items) => {
    const key = items.map((i) => `${i.exerciseId}|${i.technique ?? ''}|${i.link ?? ''}`).join();
    let order = known.get(key);
    if (!order) known.set(key, (order = orderItems(items, find).map((i) => items.indexOf(i))));
    return order.map((i) => items[i]!);
  };
}

/** Times items; each bout of an exercise once, however many sessions it is in. */
function rememberedItems(find: FindExercise, timings: Timings): (item: SessionItem) => TimedItem {
  const known = new Map<string, TimedItem>();
  return (item) => {
    const key = JSON.stringify(item);
    let timed = known.get(key);
    if (!timed) known.set(key, (timed = timeItem(item, find(item.exerciseId), timings)));
    return timed;
  };
}

/**
 * The dated sessions of a block: in each the routine of its day plan, then its lanes with what that leaves of them, in the order that it asks for.
 * @param lanes in the order of the plan's lanes
 * @param fromWeek sessions of earlier weeks are left out; their techniques need no exercise any more
 * @throws CoreError `invalid-plan` when a lane has no exercise for a technique it uses
 */
export function sessionsOfBlock(
  plan: BlockPlan,
  startDate: PlainDate,
  lanes: readonly LaneExercises[],
  dayPlans: readonly PlacedDayPlan[] = [],
  find: FindExercise = exerciseById,
  fromWeek = 1,
  timings: Timings = DEFAULT_TIMINGS,
): DatedSession[] {
  const inOrder = rememberedOrder(find);
  const timed = rememberedItems(find, timings);
  return scheduleSessions(plan, startDate)
    .filter((s) => s.week >= fromWeek)
    .map(({ date, week, dayPlanId, lanes: held }) => {
      const dayPlan = dayPlans.find((p) => p.id === dayPlanId) ?? null;
      const rank = ({ lane }: { readonly lane: number }): number =>
        dayPlan ? rankIn(dayPlan, lanes[lane]!.group, lane) : lane;
      const listed = [...held]
        .sort((a, b) => rank(a) - rank(b))
        .flatMap(({ lane, sets }): SessionItem[] => {
          const cell = plan.lanes[lane]!.weeks[week - 1]!;
          const { sessionsPerWeek: _, ...bout } = { ...cell.prescription, sets };
          return [bout, ...cell.beforeAndAfter].flatMap((b) => {
            const { exercises, group } = lanes[lane]!;
            const { steps = [] } = dayPlan ?? {};
            const missing =
              steps.length === 0 ? b : boutMissing(steps, group, b, exercisesAt(exercises, b.technique, dayPlan, find));
            return missing === null ? [] : itemsOf(missing, lanes[lane]!, dayPlan, find);
          });
        });
      const ofLanes = dayPlan && isListed(dayPlan) ? listed : inOrder(listed);
      const warm = dayPlan?.warm ?? false;
      if (dayPlan?.steps?.length) {
        const items = [...dayPlan.steps.map((s) => s.item), ...ofLanes];
        const { totalSeconds } = buildTimeline(items, { alreadyWarm: warm }, timings, find);
        return { date, week, dayPlanId, items, totalSeconds };
      }
      const items = ofLanes;
      const manner = { warm, asListed: true };
      return { date, week, dayPlanId, items, totalSeconds: sessionSeconds(items.map(timed), timings, manner) };
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

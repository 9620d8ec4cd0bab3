import { weekdayFrom } from '../schedule/plain-date.js';
import { BLOCK_DEFAULTS, type BlockDefaults } from './block-defaults.js';
import type { TechniqueExercise } from './exercise-choice/technique-exercise.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import { exerciseById, type FindExercise } from '../catalogue/exercises.js';
import type { PlainDate } from '../schedule/plain-date.js';
import type { FindStyle } from '../styles/index.js';
import type { Assistance, LoadUnit } from '../technique/prescription.js';
import type { DayPlan, PlacedDayPlan } from './day-plan/day-plan.js';
import { stepsOf } from './day-plan/day-routine.js';
import type { ClientPlace } from '../screening/place.js';
import type { PlanClient } from './limits.js';
import type {
  AwayDates,
  BlockInput,
  LaneEased,
  LaneExercise,
  LaneInput,
  LaterStyle,
  LockedCell,
  PlannedWeek,
} from './plan.js';

/** What a coach chooses of one lane. */
export interface LaneDraft {
  /** The lane's id through all revisions. */
  readonly id: string;
  readonly group: MuscleGroupId;
  readonly styleId: string;
  readonly laterStyles: readonly LaterStyle[];
  readonly fromWeek: number;
  /** Last week; null for the end of the block. */
  readonly untilWeek: number | null;
  /** Weekly seconds a side that the client is used to; null to begin at the style's start. */
  readonly startingDose: number | null;
  readonly loadUnit: LoadUnit | null;
  /** Load and help that the lane begins with, and its heaviest load; null to go by the client's level, and for no limit. */
  readonly startLoad: number | null;
  readonly startHelp: Assistance | null;
  readonly loadMax: number | null;
  /** Weeks of each phase; null to share them evenly. */
  readonly phaseWeeks: readonly number[] | null;
  readonly exercises: readonly TechniqueExercise[];
  readonly locked: readonly LockedCell[];
}

/** What a coach chooses of a block. Everything else is computed from it. */
export interface BlockDraft {
  readonly startDate: PlainDate;
  readonly weeks: number;
  /** Largest rise of the weekly dose, 0 to 0.5. */
  readonly ramp: number;
  /** Every how manyth week is easier; null for none. */
  readonly easierEvery: number | null;
  /** Easier weeks placed by hand; null to go by `easierEvery`. */
  readonly easierWeeks: readonly number[] | null;
  readonly missedWeeks: readonly number[];
  readonly away: readonly AwayDates[];
  readonly lanesPerSession: number;
  /** Kinds of session: which weekdays, for what, how long, where. */
  readonly dayPlans: readonly DayPlan[];
  /** Smallest plate at hand, kilograms; null for the usual one. */
  readonly smallestPlate: number | null;
  readonly lanes: readonly LaneDraft[];
}

/** What a plan depends on besides the coach's choices. */
export interface PlanContext {
  readonly client: PlanClient;
  readonly findStyle: FindStyle;
  readonly findExercise: FindExercise;
  /** Where the client stretches. */
  readonly places?: readonly ClientPlace[];
  /** Weeks of which some sessions were logged as not done, and weeks of which all were. */
  readonly partWeeks?: readonly number[];
  readonly undoneWeeks?: readonly number[];
  /** Weeks in which lanes stay on their step, or go steps down. */
  readonly eased?: readonly LaneEased[];
  /** Side of a group that is tighter by a notable difference. */
  readonly tighterSide?: (group: MuscleGroupId) => Side | null;
  /** Weeks of a lane that have begun and stay as they are. */
  readonly past?: (laneId: string) => readonly PlannedWeek[];
}

/** Exercises of a lane as the planner takes them. */
export function laneExercises(lane: Pick<LaneDraft, 'exercises'>, find: FindExercise): LaneExercise[] {
  return lane.exercises.map(({ technique, exerciseId, dayPlanId }) => ({
    technique,
    exercise: find(exerciseId),
    dayPlanId,
  }));
}

/** Day plans with what their places have, and the exercises of their routines; a place that is not known any more is anywhere. */
export function placed(
  plans: readonly DayPlan[],
  places: readonly ClientPlace[] = [],
  find: FindExercise = exerciseById,
): PlacedDayPlan[] {
  return plans.map((p) => {
    const place = places.find((x) => x.id === p.placeId) ?? null;
    return p.routine ? { ...p, place, steps: stepsOf(p.routine, find) } : { ...p, place };
  });
}

/**
 * What the builder is asked for a draft.
 * @throws CoreError `unknown-exercise`
 */
export function blockInputOf(draft: BlockDraft, context: PlanContext): BlockInput {
  return {
    client: draft.smallestPlate === null ? context.client : { ...context.client, smallestPlate: draft.smallestPlate },
    lanes: draft.lanes.map((l): LaneInput => ({
      group: l.group,
      styleId: l.styleId,
      laterStyles: l.laterStyles,
      fromWeek: l.fromWeek,
      untilWeek: l.untilWeek,
      locked: l.locked,
      startingDose: l.startingDose,
      ...(l.loadUnit ? { loadUnit: l.loadUnit } : {}),
      tighterSide: context.tighterSide?.(l.group) ?? null,
      startLoad: l.startLoad,
      startHelp: l.startHelp,
      loadMax: l.loadMax,
      phaseWeeks: l.phaseWeeks,
      exercises: laneExercises(l, context.findExercise),
      past: context.past?.(l.id) ?? [],
      eased: (context.eased ?? []).filter((e) => e.group === l.group && (e.laneId === undefined || e.laneId === l.id)),
    })),
    dayPlans: placed(draft.dayPlans, context.places, context.findExercise),
    partWeeks: context.partWeeks ?? [],
    weeks: draft.weeks,
    ramp: draft.ramp,
    easierEvery: draft.easierEvery,
    easierWeeks: draft.easierWeeks,
    missedWeeks: [...new Set([...draft.missedWeeks, ...(context.undoneWeeks ?? [])])].sort((a, b) => a - b),
    away: draft.away,
    startDate: draft.startDate,
    lanesPerSession: draft.lanesPerSession,
    findStyle: context.findStyle,
  };
}

/** A lane as it begins: the whole block in one style, nothing set by hand. */
export function newLane(
  id: string,
  group: MuscleGroupId,
  styleId: string,
  exercises: readonly TechniqueExercise[],
): LaneDraft {
  return {
    id,
    group,
    styleId,
    laterStyles: [],
    fromWeek: 1,
    untilWeek: null,
    startingDose: null,
    loadUnit: null,
    startLoad: null,
    startHelp: null,
    loadMax: null,
    phaseWeeks: null,
    exercises,
    locked: [],
  };
}

/**
 * A block to begin with: no lanes yet, the studio's defaults, from the next first day of a week, so that there is time to measure; today when
 * it is one.
 */
export function emptyDraft(
  today: PlainDate,
  dayPlans: readonly DayPlan[],
  defaults: BlockDefaults = BLOCK_DEFAULTS,
): BlockDraft {
  const { firstWeekday, ...bounds } = defaults;
  return {
    startDate: weekdayFrom(today, firstWeekday),
    ...bounds,
    easierWeeks: null,
    missedWeeks: [],
    away: [],
    dayPlans,
    smallestPlate: null,
    lanes: [],
  };
}

import type { CutFact, LeftOutFact, LimitFact, WeekFact } from './facts.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import type { Exercise } from '../catalogue/exercise.js';
import type { PlainDate } from '../schedule/plain-date.js';
import type { Weekday } from '../schedule/weekday.js';
import type { FindStyle } from '../styles/index.js';
import type { Assistance, Bout, LoadUnit, Prescription, Variable } from '../technique/prescription.js';
import type { Technique } from '../technique/catalogue.js';
import type { PlacedDayPlan } from './day-plan/day-plan.js';
import type { RoutineSession } from './day-plan/day-routine.js';
import type { PlanClient } from './limits.js';
import type { SessionLength } from './plan-timing.js';

/** `rest`: the lane is not done this week (away, missed, not yet begun, or over). */
export type WeekKind = 'build' | 'easier' | 'rest';

/** A cell as the coach set it; the engine plans around it (domain rule 2.6, 11). */
export interface LockedCell {
  /** 1-based. */
  readonly week: number;
  readonly prescription: Prescription;
}

/** Days on which the client cannot train, both included. */
export interface AwayDates {
  readonly from: PlainDate;
  readonly to: PlainDate;
}

/** From a week on a lane goes on in another style. */
export interface LaterStyle {
  readonly fromWeek: number;
  readonly styleId: string;
  /** Share of the dose before at which the lane stays from there on: what is reached is kept. Left out to go on at the dose before, and up. */
  readonly share?: number;
}

export interface LaneInput {
  readonly group: MuscleGroupId;
  readonly styleId: string;
  /** Changes of style, in order of week. */
  readonly laterStyles?: readonly LaterStyle[];
  /** First and last week of the lane; left out for the whole block. */
  readonly fromWeek?: number;
  readonly untilWeek?: number | null;
  readonly locked?: readonly LockedCell[];
  /** Weeks that have been published and begun: kept as they are. */
  readonly past?: readonly PlannedWeek[];
  /** Weeks that stay or go steps down instead of up: soreness or a review asked for it. Each is taken once. */
  readonly eased?: readonly EasedWeek[];
  /** Weekly seconds a side that the client is used to; left out to begin at the style's start. */
  readonly startingDose?: number | null;
  readonly loadUnit?: LoadUnit;
  /** Load that the lane begins with, in its unit; left out to go by the client's level. */
  readonly startLoad?: number | null;
  /** Help that it begins with; left out to go by the client's level. */
  readonly startHelp?: Assistance | null;
  /** Heaviest load, by the coach; left out for none. */
  readonly loadMax?: number | null;
  /** Weeks of each phase of its style; left out to share the weeks evenly. */
  readonly phaseWeeks?: readonly number[] | null;
  /** Side that is tighter by a notable difference; left out when there is none, or the exercise has no sides. */
  readonly tighterSide?: Side | null;
  /** Exercises by technique and day plan, one or two each; left out before exercises are chosen. */
  readonly exercises?: readonly LaneExercise[];
}

/** A week in which a lane repeats its step, or goes back to an earlier settled one (domain 2.8; 2.10, 1 and 6). */
export interface EasedWeek {
  readonly week: number;
  /** 0 to repeat. */
  readonly steps: 0 | 1 | 2;
  /** What asked for it; left out for soreness. */
  readonly why?: 'review';
}

/** The same of a lane, or of all lanes of a group where none is named. */
export interface LaneEased extends EasedWeek {
  readonly group: MuscleGroupId;
  readonly laneId?: string;
}

/** An exercise that a lane does a technique with. */
export interface LaneExercise {
  readonly technique: Technique;
  readonly exercise: Exercise;
  /** Day plan that it is for; null for all that have none of their own. */
  readonly dayPlanId: string | null;
}

export interface BlockInput {
  readonly client: PlanClient;
  /** Kinds of session; left out for one of the client's days and minutes. */
  readonly dayPlans?: readonly PlacedDayPlan[];
  /** Most important first: when minutes run out, the last give way. */
  readonly lanes: readonly LaneInput[];
  /** 1 to 52. */
  readonly weeks: number;
  /** Largest rise of a lane's weekly dose between full weeks, 0 to 0.5. */
  readonly ramp: number;
  /** Every how manyth week is easier, 3 to 6; null for none. */
  readonly easierEvery: number | null;
  /** Easier weeks placed by hand instead; null or left out to go by `easierEvery`. */
  readonly easierWeeks?: readonly number[] | null;
  /** Weeks in which nothing was done, or nothing will be. */
  readonly missedWeeks?: readonly number[];
  /** Weeks that lost some of their sessions: no base for the next, and no fall. */
  readonly partWeeks?: readonly number[];
  readonly away?: readonly AwayDates[];
  /** Needed for away dates; week n = days 7(n−1)…7n−1 from it. */
  readonly startDate?: PlainDate;
  readonly lanesPerSession?: number;
  readonly findStyle?: FindStyle;
  /** How long a session is; the usual way when left out. */
  readonly length?: SessionLength;
}

/** One session that a lane is part of. */
export interface LaneSession {
  readonly weekday: Weekday;
  readonly dayPlanId: string;
  /** Sets a side in this session. */
  readonly sets: number;
}

/** What a lane asks in one week, and why. */
export interface PlannedWeek {
  /** 1-based. */
  readonly week: number;
  readonly kind: WeekKind;
  readonly prescription: Prescription;
  /** What stands before and after the stretch in each session: rolling, activation. */
  readonly beforeAndAfter: readonly Bout[];
  /** Seconds a side in the week, without what the tighter side gets on top; 0 in a week of rest. */
  readonly dose: number;
  /** Days of the week the lane is done on. */
  readonly days: readonly Weekday[];
  /** The same by session: two day plans may fall on one day, and share its sets. */
  readonly sessions: readonly LaneSession[];
  /** Step of the lane's progression, 1-based; 0 before the lane begins. */
  readonly step: number;
  /** The variable turned up against the last full week; null when none was. */
  readonly changed: Variable | null;
  /** Style the week is planned in. */
  readonly styleId: string;
  /** True when the coach set the cell. */
  readonly locked: boolean;
  /** Why it is so, in the order it came about. */
  readonly reasons: readonly WeekFact[];
  /** As it read when it was published; left out for a plan that is being made. */
  readonly said?: string;
}

export interface PlannedLane {
  readonly group: MuscleGroupId;
  readonly styleId: string;
  readonly weeks: readonly PlannedWeek[];
  /** What narrowed the lane. */
  readonly limitReasons: readonly LimitFact[];
  /** What cautions or the library took out of the lane, with the reason. */
  readonly leftOut: readonly LeftOutFact[];
}

/** What minutes, days, things, places, exercises or the 48 h between loaded sessions do not serve (domain 2.6, 11). */
export interface Shortage {
  readonly lane: number;
  readonly week: number;
  readonly fact: CutFact;
}

export interface BlockPlan {
  readonly lanes: readonly PlannedLane[];
  /** Weeks with a retest, 1-based. Week 1 means before the first session. */
  readonly retestWeeks: readonly number[];
  readonly shortages: readonly Shortage[];
  /** Sessions that take place for their routine, whatever the lanes do; left out for none. */
  readonly routines?: readonly RoutineSession[];
}

import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { PlaceBar } from '../screening/place.js';
import type { Technique } from '../technique/catalogue.js';
import type { LoadUnit, Variable } from '../technique/prescription.js';

/**
 * What the planner says, as facts: a code and its numbers. The words are made in core/words; what was published keeps the words it was
 * published with beside its facts.
 */
export interface Told {
  /** As it read when it was published; left out for what is being planned. */
  readonly words?: string;
}

/** Said by a version that knew no codes: only its words are left. */
export interface SaidFact extends Told {
  readonly code: 'said';
  readonly words: string;
}

interface Fact<Code extends string, Args = undefined> extends Told {
  readonly code: Code;
  readonly args: Args;
}
interface Bare<Code extends string> extends Told {
  readonly code: Code;
}

/** One variable turned up. */
export interface StepArgs {
  readonly variable: Variable;
  readonly from: number;
  readonly to: number;
  readonly technique: Technique;
  readonly loadUnit: LoadUnit | null;
  /** Other parts were made smaller so that the new set or day keeps the weekly increase: the bout, and a set or a day where that was needed. */
  readonly resplit: {
    readonly from: number;
    readonly to: number;
    readonly also?: {
      readonly variable: 'sets' | 'sessionsPerWeek';
      readonly from: number;
      readonly to: number;
    } | null;
  } | null;
  /** A plate with which the bout is back at its start. `percent`: what it adds where a smaller plate would help, else null. */
  readonly restart: { readonly amount: number; readonly percent: number | null } | null;
  /** What the step adds in percent where it was taken because nothing smaller had fitted for weeks; left out otherwise. */
  readonly waited?: number;
}

/** Why a lane takes no step. */
export type NoStepFact =
  | Bare<'all-at-limit' | 'no-smaller-step'>
  | Fact<'style-dose', { readonly style: string; readonly doseMax: number }>
  | Fact<'above-increase', { readonly percent: number; readonly allowed: number }>;

/** Why a cell is as it is. Shares and rises in whole percent. */
export type WeekFact =
  | Fact<'style-starts', { readonly style: string }>
  | Fact<'starts-at-dose', { readonly style: string; readonly seconds: number }>
  | Fact<'step', StepArgs>
  | NoStepFact
  | Fact<'phase-continues', { readonly style: string }>
  | Fact<'phase-starts', { readonly style: string; readonly technique: Technique }>
  /** `percent`: of the dose before, that the lane is to stay at. */
  | Fact<'kept', { readonly style: string; readonly percent: number }>
  | Fact<'easier', { readonly percent: number; readonly smaller?: boolean }>
  /** `back`: which week of the return, from 1; left out where it was not counted. */
  | Fact<'back-after', { readonly weeks: number; readonly percent: number; readonly back?: number }>
  | Fact<'begins-again', { readonly weeks: number; readonly percent: number }>
  /** `why`: what asked for it; left out for soreness. */
  | Fact<'eased', { readonly steps: number; readonly from: number; readonly to: number; readonly why?: 'review' }>
  | Fact<'back-to-step', { readonly from: number; readonly to: number; readonly most: number }>
  | Fact<'fewer-days', { readonly sessions: number; readonly wanted: number }>
  | Bare<
      | 'back-in-limits'
      | 'set-by-coach'
      | 'repeats'
      | 'not-started'
      | 'over'
      | 'missed'
      | 'away'
      | 'no-room'
      | 'step-waits'
      | 'unchanged'
    >
  | CutFact
  | SaidFact;

/**
 * What minutes, days, places, exercises or the 48 h between loaded sessions do not hold (domain 2.6, 11). `short`: seconds of work that one of its
 * sessions is short of; null where more minutes are not what it needs.
 */
export type CutFact =
  | Fact<'gap-between-loaded', { readonly sessions: number; readonly wanted: number }>
  | Fact<'lanes-per-session', { readonly sessions: number; readonly wanted: number; readonly most: number }>
  | Fact<
      'fewer-sets' | 'fewer-sessions' | 'smaller-bouts',
      { readonly from: number; readonly to: number; readonly minutes: number; readonly short?: number | null }
    >
  | Fact<'no-room-for-lane' | 'no-step', { readonly short: number | null }>
  | Fact<'nowhere', { readonly group: MuscleGroupId; readonly missing: readonly PlaceBar[] }>
  | Bare<'no-extra' | 'step-postponed' | 'bound-struck'>
  | SaidFact;

/** What narrows a lane. */
export type LimitFact =
  | Bare<'age-65' | 'age-65-longest' | 'under-18' | 'load-by-hand'>
  | Fact<'training-days' | 'loaded-days' | 'loaded-sessions', { readonly days: number }>
  | Fact<'beginner-sets', { readonly sets: number }>
  | Fact<
      'beginner-sensation' | 'caution-sensation' | 'hypermobile-sensation' | 'gentle-group',
      { readonly sensation: number }
    >
  | Fact<'caution-hold' | 'hypermobile-hold', { readonly seconds: number }>
  | Fact<'caution-effort', { readonly effort: number }>
  | Fact<
      'exercise-range',
      { readonly exercise: string; readonly technique: Technique; readonly min: number; readonly max: number }
    >
  | SaidFact;

/** Why a client may not do a technique. */
export type TechniqueBar =
  Bare<'not-qualified' | 'loaded-under-18' | 'loaded-hypermobile'> | Fact<'caution', { readonly technique: Technique }>;

/** What cautions or the library took out of a lane, and what is done instead. */
export type LeftOutFact =
  | Fact<
      'left-out',
      {
        readonly group: MuscleGroupId;
        readonly technique: Technique;
        /** Null: the library has no such exercise for this client. */
        readonly bar: TechniqueBar | null;
        /** Name of the style that stands in; null where nothing does. */
        readonly instead: string | null;
        /** What no place of the day plans has; left out where that is not why. */
        readonly missing?: readonly PlaceBar[];
      }
    >
  /** Not planned in one of the day plans: its place has not what the exercises need. */
  | Fact<
      'not-in-day-plan',
      {
        readonly group: MuscleGroupId;
        readonly technique: Technique;
        readonly dayPlan: string;
        readonly missing: readonly PlaceBar[];
      }
    >
  | SaidFact;

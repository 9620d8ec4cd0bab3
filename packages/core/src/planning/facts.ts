import type { MuscleGroupId } from '../anatomy/muscle-group.js';
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
  /** The bout was shortened so that the new set or day keeps the weekly increase. */
  readonly resplit: { readonly from: number; readonly to: number } | null;
  /** A plate of more than a tenth: the bout is back at its start. `percent`: what the plate adds. */
  readonly restart: { readonly amount: number; readonly percent: number } | null;
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
  | Fact<'easier', { readonly percent: number }>
  | Fact<'back-after', { readonly weeks: number; readonly percent: number }>
  | Fact<'fewer-days', { readonly sessions: number; readonly wanted: number }>
  | Bare<'back-in-limits' | 'set-by-coach' | 'not-started' | 'over' | 'missed' | 'away' | 'no-room' | 'step-waits'>
  | CutFact
  | SaidFact;

/** What was taken off a cell because days, minutes or sessions do not hold it. */
export type CutFact =
  | Fact<'gap-between-loaded', { readonly sessions: number; readonly wanted: number }>
  | Fact<'lanes-per-session', { readonly sessions: number; readonly wanted: number; readonly most: number }>
  | Fact<'fewer-sets' | 'fewer-sessions', { readonly from: number; readonly to: number; readonly minutes: number }>
  | Bare<'no-extra' | 'step-postponed'>
  | SaidFact;

/** What narrows a lane. */
export type LimitFact =
  | Bare<'age-65' | 'under-18'>
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
      }
    >
  | SaidFact;

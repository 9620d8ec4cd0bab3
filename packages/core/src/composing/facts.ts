import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import type { PropId } from '../catalogue/props.js';
import type { Position } from '../catalogue/rom-test.js';
import type { Caution } from '../screening/cautions.js';
import type { SpacingFact } from '../session/spacing.js';
import type { Technique } from '../technique/catalogue.js';

/** What the composer says, as facts; core/words makes the sentences. */
interface Fact<Code extends string, Args> {
  readonly code: Code;
  readonly args: Args;
}
interface Bare<Code extends string> {
  readonly code: Code;
}

/** An amount of work for a group: seconds of a side, repetitions or breaths. */
export interface GroupAmount {
  readonly group: MuscleGroupId;
  readonly amount: number;
  readonly unit: 'seconds' | 'repetitions' | 'breaths';
}

/** Why an exercise was taken. */
export type ReasonFact =
  | Fact<'covers', { readonly parts: readonly GroupAmount[] }>
  | Fact<'tighter-side', { readonly side: Side }>
  | Bare<'chosen-by-coach' | 'known'>
  | Fact<'sets-fixed', { readonly sets: number }>;

/** Why an exercise may not be chosen for a need. */
export type ObjectionFact =
  | Fact<'caution', { readonly caution: Caution }>
  | Bare<'on-hold' | 'left-out-by-coach' | 'spine-after-waking' | 'above-experience' | 'only-by-hand'>
  | Fact<'technique-not-here', { readonly technique: Technique }>
  | Fact<'position', { readonly position: Position }>
  | Fact<'needs', { readonly props: readonly PropId[] }>;

/** Why a need did not get all it asked for. */
export type ShortfallFact =
  /** Nothing that would serve it may be chosen. Empty: the library has nothing. */
  | Fact<'none-allowed', { readonly because: readonly ObjectionFact[] }>
  | Bare<'not-longer' | 'another-region' | 'own-choices'>
  | Fact<'held-before-training', { readonly most: number }>
  | Fact<'group-cap', { readonly most: number }>
  /** Seconds that the session lacks. */
  | Fact<'minutes', { readonly seconds: number }>;

/** What of the coach's choices cannot be met. */
export type ClashFact =
  /** Null: it serves nothing that the session should do. */
  | Fact<'cannot-be-in', { readonly exercise: string; readonly because: ObjectionFact | null }>
  | Bare<'not-together' | 'too-long-by-some' | 'not-settled'>
  | Fact<'too-long', { readonly seconds: number; readonly budget: number; readonly work: number }>;

/** What would resolve a clash. */
export type WayOutFact =
  Fact<'remove', { readonly exercises: readonly string[] }> | Fact<'more-time', { readonly seconds: number }>;

/** A change that brings a session to its minutes; exercises by name. */
export type FitFact =
  | Bare<'no-extra'>
  | Fact<'shorter-holds' | 'longer-holds', { readonly holds: readonly { exercise: string; seconds: number }[] }>
  | Fact<'fewer-sets', { readonly sets: readonly { exercise: string; from: number; to: number }[] }>
  | Fact<'leave-out' | 'one-more-set', { readonly exercise: string }>;

/** What the order or the day of a session goes against. */
export type SessionWarningFact =
  | Fact<'held-before-training', { readonly group: MuscleGroupId; readonly seconds: number; readonly most: number }>
  | Bare<'neck-after-loaded'>
  | Fact<'out-of-order', { readonly technique: Technique; readonly before: Technique }>
  | SpacingFact;

/** What another exercise gives and costs against the one it would replace. */
export type AlternativeFact =
  | Bare<'same-dose' | 'easier' | 'harder'>
  | Fact<'less-dose', { readonly seconds: number }>
  | Fact<'position', { readonly position: Position; readonly same: boolean }>
  | Fact<'needs', { readonly props: readonly PropId[] }>
  | Fact<'also-stretches', { readonly groups: readonly MuscleGroupId[] }>;

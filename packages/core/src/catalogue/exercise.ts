import type { Demand } from './demand.js';
import type { Technique } from '../technique/catalogue.js';
import type { Pace } from '../technique/pace.js';
import type { Part } from '../technique/part.js';
import { otherSide, type Side } from '../anatomy/side.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Position, Turn } from './rom-test.js';
import type { Origin } from '../source.js';
import type { PropId } from './props.js';

/** How used to stretching a client should be: 1 easy, 3 advanced. */
export type Difficulty = 1 | 2 | 3;
export const DIFFICULTY_WORDS = ['easy', 'some practice', 'advanced'] as const;

/** In what a bout is counted, and within which bounds it makes sense. */
export interface Amount {
  readonly unit: 'seconds' | 'repetitions' | 'breaths';
  readonly min: number;
  readonly max: number;
}

/** A part of a staged hold with its own direction. */
export interface Stage {
  readonly name: string;
  readonly share: number;
}

/** One stretch done one way. Data: all that a client needs to copy it and a coach to trust it. */
export interface Exercise {
  readonly id: string;
  /** Id of the figure that is drawn; null for none. */
  readonly figure: string | null;
  readonly name: string;
  /** What it is for, in plain words. */
  readonly aim: string;
  readonly difficulty: Difficulty;
  /** The group it works; it is credited with all its seconds. */
  readonly primary: MuscleGroupId;
  /** Groups that are worked along, each credited with {@link SECONDARY_SHARE} of the seconds. */
  readonly secondary: readonly MuscleGroupId[];
  /** Those of its groups that are stretched on the other side than the one that is named; left out for none. */
  readonly otherSide?: readonly MuscleGroupId[];
  /** Which way the joint is turned, where its group holds two opposite motions ({@link TURNING_GROUPS}); left out elsewhere. */
  readonly turns?: Turn;
  /** True for what only warms up: it is no lane's exercise and stretches nothing. */
  readonly warmUp?: true;
  /** Groups whose new length it uses besides its own: an activation of the opposite. Common practice, no source. */
  readonly opens?: readonly MuscleGroupId[];
  readonly technique: Technique;
  /** How its repetitions or breaths are paced; left out where they are as the timings have them. */
  readonly pace?: Pace;
  /** What it is pushed against when it is done as contract-relax; left out where nothing is. */
  readonly pushAgainst?: string;
  /** What usually follows in the same entry, when a coach puts it in a list; left out for nothing. */
  readonly then?: readonly Part[];
  readonly position: Position;
  /** Positions in which it is done just as well: sitting what is drawn standing; left out for none. */
  readonly alsoIn?: readonly Position[];
  /** What it asks beyond muscles, position and technique; cautions go by it (`demandsOf` adds what its position asks). */
  readonly demands: readonly Demand[];
  /** False for an exercise of a coach's own until they have gone through its demands. */
  readonly demandsKnown: boolean;
  /** True when a firm bed will do in place of the floor. */
  readonly bed: boolean;
  /** Things it needs; empty for none. */
  readonly props: readonly PropId[];
  /** Things that make it more comfortable. */
  readonly optionalProps: readonly PropId[];
  /** What can stand in for the first of the things it needs; empty when nothing is needed or nothing can. */
  readonly substitute: string;
  /** `each`: left and right, one after the other. `both`: one bout works both sides. */
  readonly sides: 'each' | 'both';
  /**
   * What a side means, in words, with `{side}` for the side that is named and `{other}` for the one across: "turn to the {side}; the {other}
   * side of the back is stretched". Empty where it is plain.
   */
  readonly sideWords: string;
  /** How the sides follow one another. */
  readonly sidePattern: 'side by side' | 'alternating';
  /**
   * What the client is asked after a check without hands, before the first set of each side; null for no check. It cannot be skipped, and its
   * seconds are no stretch.
   */
  readonly check: string | null;
  readonly stages: readonly Stage[];
  /** At most five short lines. */
  readonly steps: readonly string[];
  readonly breath: string;
  /** The first compensation: not past it. */
  readonly endPoint: string;
  /** What to read off when heights are compared; empty when there is nothing. */
  readonly depthMeasure: string;
  readonly felt: string;
  readonly notFelt: string;
  readonly faults: readonly string[];
  readonly amount: Amount;
  readonly load: 'none' | 'body' | 'weight' | 'band';
  /** What a loaded one begins with, by {@link Difficulty} of the client: how much, or how far; left out where nothing is loaded. */
  readonly startLoad?: readonly [string, string, string];
  /** What makes this very form easier or harder. */
  readonly easier: string;
  readonly harder: string;
  /** Neighbours on the ladder of forms; null at its ends. */
  readonly easierForm: string | null;
  readonly harderForm: string | null;
  /** Seconds to get ready on the first side, without the change of position. */
  readonly setupSeconds: number;
  readonly cautions: readonly string[];
  /** Who else should not do it, in words; what the questions ask about is said from the demands (`notForWords`). */
  readonly notFor: readonly string[];
  readonly origin: Origin;
}

/** An exercise of a coach's own: all but the id, which is its row's. */
export type ExerciseDefinition = Omit<Exercise, 'id'>;

/** Share of the seconds that a group worked along is credited with. Common practice, no source. */
export const SECONDARY_SHARE = 0.5;

/** False where two exercises of a group turn the joint in opposite ways: neither stands in for the other. */
export function sameTurn(a: Pick<Exercise, 'turns'>, b: Pick<Exercise, 'turns'>): boolean {
  return a.turns === undefined || b.turns === undefined || a.turns === b.turns;
}

/** The side of a group that is stretched when an exercise is done on a side. */
export function stretchedSide(exercise: Pick<Exercise, 'otherSide'>, group: MuscleGroupId, done: Side): Side {
  return exercise.otherSide?.includes(group) ? otherSide(done) : done;
}

/** Share of an exercise's seconds that a group is credited with, 0 to 1. */
export function shareOf(exercise: Pick<Exercise, 'primary' | 'secondary'>, group: MuscleGroupId): number {
  if (exercise.primary === group) return 1;
  return exercise.secondary.includes(group) ? SECONDARY_SHARE : 0;
}

import type { OnHold } from '../session/on-hold.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import type { Exercise } from '../catalogue/exercise.js';
import { boutDose } from '../dose/dose.js';
import type { Position, Turn } from '../catalogue/rom-test.js';
import type { Experience } from '../planning/limits.js';
import type { Caution } from '../screening/cautions.js';
import type { ClientPlace } from '../screening/place.js';
import { amountOf, type Bout } from '../technique/prescription.js';
import type { Timings } from '../technique/timings.js';
import type { PurposeId } from '../session/purpose.js';

/** What a session should do for one group with one technique: the part of a lane that falls on this day. */
export interface ComposeNeed {
  readonly group: MuscleGroupId;
  /** Which way the joint is turned by what was planned; an exercise that turns it the other way does not serve. Left out where it does not matter. */
  readonly turns?: Turn;
  /** Technique, sets a side, their size, and what the tighter side gets on top. */
  readonly bout: Bout;
  /** Side that begins: the tighter one, else left. */
  readonly firstSide: Side;
  /** How much a missing part of it counts against another's: a whole number, 1 or more. */
  readonly weight: number;
  /** Sets a side that the week still needs at least. */
  readonly floorSets: number;
}

/** An exercise that the coach wants with an exact number of sets a side. */
export interface LockedSets {
  readonly exerciseId: string;
  readonly sets: number;
}

/** All that decides what a session is made of. */
export interface ComposeRequest {
  readonly needs: readonly ComposeNeed[];
  /** Exercises to choose from; those not archived, in order of preference. */
  readonly exercises: readonly Exercise[];
  readonly cautions: readonly Caution[];
  /** Where it takes place, with what is at hand there; null for anywhere. */
  readonly place: ClientPlace | null;
  readonly experience: Experience;
  /** Positions to choose from; those that the place rules out are left out besides. */
  readonly positions: readonly Position[];
  readonly purpose: PurposeId;
  /** Groups that were trained before, for a session after training. */
  readonly trained: readonly MuscleGroupId[];
  readonly budgetSeconds: number;
  readonly alreadyWarm: boolean;
  /** Must be in. */
  readonly keep: readonly string[];
  /** Must not be in. */
  readonly never: readonly string[];
  readonly locks: readonly LockedSets[];
  /** On hold after a stop sign. */
  readonly onHold: OnHold;
  /** Known to the client: chosen before new ones when all else is equal. */
  readonly known: readonly string[];
  /** Most seconds a side of a group in this session, those worked along included. */
  readonly caps: Readonly<Partial<Record<MuscleGroupId, number>>>;
  readonly timings: Timings;
}

/** Size of a bout in what it is worth: time under stretch, or its own unit where nothing is stretched. */
export function worth(b: Bout): number {
  return boutDose(b) > 0 ? boutDose(b) : amountOf(b);
}

/** What a need asks of a side in the session, without the tighter side's extra. */
export function target(need: ComposeNeed): number {
  return need.bout.sets * worth(need.bout);
}

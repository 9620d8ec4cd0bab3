import { percentOf } from '../../math/rounding.js';
import { volume } from '../../dose/dose.js';
import type { Technique } from '../../technique/catalogue.js';
import type { Prescription, Variable } from '../../technique/prescription.js';
import type { CutFact, WeekFact } from '../facts.js';
import type { PlannedWeek } from '../plan.js';
import type { Step, TakenStep } from '../progression/progression.js';
import type { LaneState, Return, Way } from './lane-state.js';

/** What a lane means to do in a week, before days and minutes are looked at. */
export interface LaneWeek {
  /** Where it stands before the week, with the steps down and the return that the week begins with. */
  readonly state: LaneState;
  readonly kind: PlannedWeek['kind'];
  readonly way: Way | null;
  /** Null when nothing is done. */
  readonly target: Prescription | null;
  readonly activationReps: number;
  /** Steps that it could take, boldest first. */
  readonly steps: readonly TakenStep[];
  /** Where it stands when no step is taken. */
  readonly stand: Step | null;
  /** Why, for what came out. */
  readonly facts: (done: Prescription) => readonly WeekFact[];
  /** The variable that was turned up in the target already: it takes no time. */
  readonly changed: Variable | null;
  readonly locked: boolean;
  /** False for a week that lost sessions: no base for the next, and no fall. */
  readonly base: boolean;
  readonly cuts: readonly CutFact[];
  readonly back: Return | null;
  /** True when nothing fitted the weekly increase. */
  readonly waits: boolean;
  /** True in the week of a return that begins it. */
  readonly firstBack: boolean;
  /** True when nothing is done because the client is not there. */
  readonly absent: boolean;
  readonly past: PlannedWeek | null;
  readonly technique: Technique;
}

/** Why nothing is done in a week. */
export type NothingFact = WeekFact & { readonly code: 'not-started' | 'over' | 'missed' | 'away' | 'no-room' };

const NO_MORE = {
  steps: [],
  changed: null,
  locked: false,
  cuts: [],
  waits: false,
  firstBack: false,
  absent: false,
  past: null,
} as const;

/** A week in which nothing is done. */
export function nothing(
  state: LaneState,
  code: NothingFact['code'],
  way: Way | null,
  technique: Technique,
  cuts: readonly CutFact[] = [],
): LaneWeek {
  return {
    ...NO_MORE,
    state,
    kind: 'rest',
    way,
    target: null,
    activationReps: 0,
    stand: state.stand,
    facts: () => [{ code }],
    base: false,
    cuts,
    back: state.back,
    absent: code === 'missed' || code === 'away',
    technique,
  };
}

/** A week in which something is asked. */
export function asking(
  state: LaneState,
  way: Way,
  at: Step,
  facts: LaneWeek['facts'],
  over: Partial<LaneWeek> = {},
): LaneWeek {
  return {
    ...NO_MORE,
    state,
    kind: 'build',
    way,
    target: at.prescription,
    activationReps: at.activationReps,
    stand: at,
    facts,
    base: (over.kind ?? 'build') === 'build',
    back: null,
    technique: way.progression.phase.technique,
    ...over,
  };
}

/** Volume of what came out in percent of a week before. */
export const percentDone = (done: Prescription, of: Prescription): number => percentOf(volume(done), volume(of));

/** A prescription without what the tighter side gets on top. */
export function plain(p: Prescription): Prescription {
  const { bonus: _, ...rest } = p;
  return rest;
}

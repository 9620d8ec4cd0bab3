import { volume } from '../../dose/dose.js';
import { sameData } from '../../math/same-data.js';
import type { Prescription, Variable } from '../../technique/prescription.js';
import type { EasedWeek } from '../plan.js';
import type { Progression, Step } from '../progression/progression.js';

/** Where a lane is in its style. */
export interface Way {
  readonly progression: Progression;
  readonly key: string;
  /** First week of the run of its style. */
  readonly run: number;
  readonly index: number;
  /** First week of the phase. */
  readonly since: number;
}

/** A return after missed weeks. */
export interface Return {
  /** The last full week, as it came out. */
  readonly before: Step;
  /** Where the lane stood; higher than that where minutes had cut it. */
  readonly stand: Step;
  readonly missed: number;
  /** Which week of it, from 0. */
  readonly at: number;
}

/** Steps down that a lane is asked to take, 0 to stay where it stands. */
export type StepsDown = Omit<EasedWeek, 'week'>;

/** Where a lane stands between two weeks: all that the next week depends on. */
export interface LaneState {
  /** The step that it stands on; null before its first week. */
  readonly stand: Step | null;
  /** The last full week as it came out: below `stand` where minutes or days cut it. */
  readonly settledAs: Prescription | null;
  /** Weekly volume of that week; 0 where there was no room at all. */
  readonly settled: number;
  readonly way: Way | null;
  /** Steps taken so far. */
  readonly step: number;
  /** Full weeks in which nothing fitted the weekly increase. */
  readonly waited: number;
  /** What minutes had no room for in the last full week. */
  readonly refused: readonly Variable[];
  /** Weeks without, up to now. */
  readonly absent: number;
  readonly back: Return | null;
  /** Returns that began one after another without a whole one. */
  readonly returns: number;
  /** Settled steps of the technique, the present one last. */
  readonly rungs: readonly Step[];
  /** What of soreness or a review is still to be taken; null for nothing. */
  readonly down: StepsDown | null;
}

/** A lane before its first week. */
export const BEFORE_ALL: LaneState = {
  stand: null,
  settledAs: null,
  settled: 0,
  way: null,
  step: 0,
  waited: 0,
  refused: [],
  absent: 0,
  back: null,
  returns: 0,
  rungs: [],
  down: null,
};

/** The state with its step among those that a later week can go back to; steps of another technique are none to go back to. */
export function remembered(state: LaneState): LaneState {
  const { stand, rungs } = state;
  if (!stand) return state;
  const before = rungs.at(-1);
  const same = before && before.prescription.technique !== stand.prescription.technique ? [] : rungs;
  // Back on an earlier step: those above it are to be taken again.
  const there = same.findIndex((r) => sameData(r.prescription, stand.prescription));
  return { ...state, rungs: there >= 0 ? same.slice(0, there + 1) : [...same, stand] };
}

/** True when the last full week came out below the step that the lane stands on. */
export const isCut = (state: LaneState, step: Step): boolean => state.settled < volume(step.prescription) - 1e-9;

import { SIDES, type Side } from '../../anatomy/side.js';
import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import { boundsOf } from '../../catalogue/amount.js';
import type { Exercise } from '../../catalogue/exercise.js';
import type { FindExercise } from '../../catalogue/exercises.js';
import type { WorkedSeconds } from '../../dose/shares.js';
import type { Weekday } from '../../schedule/weekday.js';
import { boutOf, type SessionItem } from '../../session/item.js';
import { partsOf } from '../../session/parts.js';
import { boutDose, boutsOn } from '../../dose/dose.js';
import { buildTimeline } from '../../session/timeline.js';
import { amountOf, withAmount, type Bout } from '../../technique/prescription.js';
import { isLoaded, unitOf } from '../../technique/catalogue.js';
import { DEFAULT_TIMINGS, type Timings } from '../../technique/timings.js';

/** A routine that the sessions of a day plan begin with, as the client does it: a copy, so that a published plan stays what it was. */
export interface DayRoutine {
  readonly name: string;
  readonly items: readonly SessionItem[];
}

/** One exercise of it. */
export interface RoutineStep {
  readonly item: SessionItem;
  readonly exercise: Exercise;
}

/** A session that takes place for its routine, whatever the lanes do. */
export interface RoutineSession {
  /** 1-based. */
  readonly week: number;
  readonly weekday: Weekday;
  readonly dayPlanId: string;
}

/** The exercises of a day plan's routine; none where it has none. */
export function stepsOf(routine: DayRoutine | null | undefined, find: FindExercise): readonly RoutineStep[] {
  return (routine?.items ?? []).map((item) => ({ item, exercise: find(item.exerciseId) }));
}

/** Seconds of stretch of a step on a side in one session, of one technique or of all. */
function secondsOn({ item, exercise }: RoutineStep, side: Side, technique: Bout['technique'] | null): number {
  const { sets } = boutsOn(boutOf(item, exercise), side);
  const parts = partsOf(item, exercise, side).filter((p) => technique === null || p.bout.technique === technique);
  return sets * parts.reduce((sum, p) => sum + boutDose(p.bout), 0);
}

/** Seconds that a routine works groups for in one session, by side, exercise by exercise. */
export function workedBy(steps: readonly RoutineStep[]): WorkedSeconds[] {
  return steps.map((step) => ({
    exercise: step.exercise,
    left: secondsOn(step, 'left', null),
    right: secondsOn(step, 'right', null),
  }));
}

/** Seconds of stretch that a routine gives a group in one session in one technique, on the side that gets less of it. */
function secondsGiven(steps: readonly RoutineStep[], group: MuscleGroupId, technique: Bout['technique']): number {
  const mine = steps.filter((s) => s.exercise.primary === group);
  return Math.min(...SIDES.map((side) => mine.reduce((sum, s) => sum + secondsOn(s, side, technique), 0)));
}

/** Sets of a technique that a routine does for a group in one session. */
function setsGiven(steps: readonly RoutineStep[], group: MuscleGroupId, technique: Bout['technique']): number {
  const same = steps.filter(
    ({ item, exercise }) => exercise.primary === group && boutOf(item, exercise).technique === technique,
  );
  return same.reduce((sum, s) => sum + s.item.sets, 0);
}

/** Steps in which a bout is made smaller: 5 s, or one repetition. */
const GRID_SECONDS = 5;

/** The fewest sets, and of these the smallest bout on the grid, that make up some seconds of stretch. */
function madeUp(bout: Bout, seconds: number, least: number): Bout {
  const sets = Math.max(1, Math.ceil(seconds / boutDose(bout) - 1e-9));
  const grid = unitOf(bout.technique) === 'seconds' ? GRID_SECONDS : 1;
  const full = amountOf(bout);
  const enough = (amount: number): boolean => sets * boutDose(withAmount(bout, amount)) >= seconds - 1e-9;
  let amount = full;
  while (amount - grid >= least && enough(amount - grid)) amount -= grid;
  return { ...(amount === full ? bout : withAmount(bout, amount)), sets };
}

/**
 * What a lane still does in a session whose routine does some of it: the routine's seconds of stretch for the group, in the lane's technique, are taken
 * off; of what stretches nothing, its sets (domain 2.7: its items count towards the lanes of their groups). Null where nothing is left. What the
 * tighter side gets on top needs a set of the lane's own to stand on.
 * @param exercises that the lane does it with; where one is not known, or made for another technique, only whole sets are taken off
 */
export function boutMissing(
  steps: readonly RoutineStep[],
  group: MuscleGroupId,
  bout: Bout,
  exercises: readonly Pick<Exercise, 'technique' | 'amount'>[] = [],
): Bout | null {
  if (steps.length === 0) return bout;
  const each = boutDose(bout);
  const left = (sets: number): Bout | null => (sets > 0 ? { ...bout, sets } : bout.bonus ? { ...bout, sets: 1 } : null);
  if (each === 0) {
    const sets = setsGiven(steps, group, bout.technique);
    return sets === 0 ? bout : left(bout.sets - sets);
  }
  const given = secondsGiven(steps, group, bout.technique);
  if (given === 0) return bout;
  const seconds = bout.sets * each - given;
  if (seconds <= 1e-9) return left(0);
  // An exercise that is made for another way says nothing of how short this one may be.
  const made = exercises.length > 0 && exercises.every((e) => e.technique === bout.technique);
  const least = made ? Math.max(...exercises.map((e) => boundsOf(e).min)) : Infinity;
  return madeUp(bout, seconds, least);
}

const known = new WeakMap<readonly RoutineStep[], Map<Timings, number>>();

/**
 * Seconds of work that a routine takes of a session at most, whatever follows it: its own, and after a loaded exercise the rest before the next one
 * of its group.
 */
export function routineSeconds(steps: readonly RoutineStep[], timings: Timings = DEFAULT_TIMINGS): number {
  if (steps.length === 0) return 0;
  const by = known.get(steps) ?? new Map<Timings, number>();
  known.set(steps, by);
  let seconds = by.get(timings);
  if (seconds === undefined) {
    const find = (id: string): Exercise => steps.find((s) => s.exercise.id === id)!.exercise;
    const items = steps.map((s) => s.item);
    const last = steps.at(-1)!;
    const rest = partsOf(last.item, last.exercise).some((p) => isLoaded(p.bout.technique)) ? timings.loadedRest : 0;
    seconds = buildTimeline(items, { alreadyWarm: true }, timings, find).totalSeconds + rest;
    by.set(timings, seconds);
  }
  return seconds;
}

import { SIDES, type Side } from '../../anatomy/side.js';
import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import type { Exercise } from '../../catalogue/exercise.js';
import type { FindExercise } from '../../catalogue/exercises.js';
import { boutDose } from '../../dose/dose.js';
import type { WorkedSeconds } from '../../dose/shares.js';
import type { Weekday } from '../../schedule/weekday.js';
import { boutOf, type SessionItem } from '../../session/item.js';
import { partsOf } from '../../session/parts.js';
import { boutsOn } from '../../dose/dose.js';
import { buildTimeline } from '../../session/timeline.js';
import type { Bout } from '../../technique/prescription.js';
import { isLoaded } from '../../technique/catalogue.js';
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

/**
 * Whole sets of a lane's bout that a routine does in one session, on both sides: its seconds of stretch for the group in the same technique by
 * those of the bout; of what stretches nothing, its sets (domain 2.7: its items count towards the lanes of their groups).
 */
function setsDone(steps: readonly RoutineStep[], group: MuscleGroupId, bout: Bout): number {
  const mine = steps.filter((s) => s.exercise.primary === group);
  const each = boutDose(bout);
  if (each === 0) {
    const same = mine.filter(({ item, exercise }) => boutOf(item, exercise).technique === bout.technique);
    return same.reduce((sum, s) => sum + s.item.sets, 0);
  }
  const on = (side: Side): number => mine.reduce((sum, s) => sum + secondsOn(s, side, bout.technique), 0);
  return Math.floor(Math.min(...SIDES.map(on)) / each + 1e-9);
}

/**
 * Sets of a lane that are missing in a session whose routine does some: the rest of them. What the tighter side gets on top needs a set of its own to
 * stand on.
 */
export function setsMissing(steps: readonly RoutineStep[], group: MuscleGroupId, bout: Bout): number {
  if (steps.length === 0) return bout.sets;
  const most = bout.bonus ? bout.sets - 1 : bout.sets;
  return bout.sets - Math.max(0, Math.min(most, setsDone(steps, group, bout)));
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

import { boundsOf } from '../catalogue/amount.js';
import type { Exercise } from '../catalogue/exercise.js';
import { STYLES } from '../styles/index.js';
import { kindOf, unitOf } from '../technique/catalogue.js';
import { amountOf, withAmount, type Bout } from '../technique/prescription.js';
import type { SessionItem } from './item.js';

/** Sensation that an exercise begins with when a coach adds it by hand: mild, within what every client may feel. Common practice, no source. */
const FIRST_SENSATION = 4;
/** Repetitions where no style says how many. Common practice, no source. */
const FIRST_REPS = 8;

/**
 * An exercise as it first stands in a list: one set of what the first style with its technique begins with, within what the exercise is made for.
 * The coach changes it from there.
 */
export function firstItem(exercise: Exercise): SessionItem {
  const { technique } = exercise;
  const start = STYLES.flatMap((s) => s.phases).find((p) => p.technique === technique)?.start;
  const {
    sets: _s,
    sessionsPerWeek: _d,
    ...fields
  } = start ?? {
    ...{ sets: 1, sessionsPerWeek: 1, holdSeconds: kindOf(technique).defaults.holdSeconds },
    ...(unitOf(technique) === 'seconds' ? {} : { reps: FIRST_REPS }),
  };
  const bout: Bout = { technique, sets: 1, sensation: FIRST_SENSATION, ...fields, ...kindOf(technique).extra };
  const { min, max } = boundsOf(exercise);
  const { technique: _t, ...item } = withAmount(bout, Math.min(max, Math.max(min, amountOf(bout))));
  return { ...item, exerciseId: exercise.id, firstSide: 'left' };
}

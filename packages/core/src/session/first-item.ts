import { boundsOf } from '../catalogue/amount.js';
import type { Exercise } from '../catalogue/exercise.js';
import { STYLES } from '../styles/index.js';
import { kindOf, unitOf, type Technique } from '../technique/catalogue.js';
import { amountOf, withAmount, type Bout } from '../technique/prescription.js';
import type { SessionItem } from './item.js';

/** Sensation that an exercise begins with when a coach adds it by hand: mild, within what every client may feel. Common practice, no source. */
const FIRST_SENSATION = 4;
/** Repetitions where no style says how many. Common practice, no source. */
const FIRST_REPS = 8;

/** How much of one bout makes sense, in the technique's unit: what the exercise is made for, or what is usual where it is done another way. */
export function amountBounds(exercise: Exercise, technique: Technique): { readonly min: number; readonly max: number } {
  return technique === exercise.technique ? boundsOf(exercise) : kindOf(technique).amount;
}

/** One bout of an exercise as a technique begins: as the first style with it does, within what the exercise is made for. */
export function firstBout(exercise: Exercise, technique: Technique): Bout {
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
  const { min, max } = amountBounds(exercise, technique);
  return withAmount(bout, Math.min(max, Math.max(min, amountOf(bout))));
}

/**
 * An exercise as it first stands in a list: one set of what the first style with its technique begins with, within what the exercise is made for.
 * What usually follows in the same entry follows. The coach changes it from there.
 */
export function firstItem(exercise: Exercise): SessionItem {
  const { technique: _, ...item } = firstBout(exercise, exercise.technique);
  return { ...item, exerciseId: exercise.id, firstSide: 'left', ...(exercise.then && { then: exercise.then }) };
}

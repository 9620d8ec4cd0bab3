import type { Technique } from '../../technique/catalogue.js';

/** An exercise a lane does a technique with, one or two each; the same for the whole block, so that the client learns it. */
export interface TechniqueExercise {
  readonly technique: Technique;
  readonly exerciseId: string;
  /** Day plan that it is for; null for all that have none of their own. */
  readonly dayPlanId: string | null;
}

/** Exercises of one technique and day plan: more than two are a session of their own. Common practice, no source. */
export const MOST_EXERCISES = 2;

/** True for an exercise of all day plans that have none of their own. */
export const chosenAnywhere = (e: Pick<TechniqueExercise, 'dayPlanId'>): boolean => e.dayPlanId === null;

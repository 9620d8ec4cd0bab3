import type { Technique } from '../../technique/catalogue.js';

/** The exercise a lane does a technique with; the same for the whole block, so that the client learns it. */
export interface TechniqueExercise {
  readonly technique: Technique;
  readonly exerciseId: string;
}

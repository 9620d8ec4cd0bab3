import type { Exercise } from '../catalogue/exercise.js';

/** What an exercise is, for lists: its technique, or that it only warms up. */
export function kindWords({ warmUp, technique }: Pick<Exercise, 'warmUp' | 'technique'>): string {
  return warmUp ? 'warm-up' : technique;
}

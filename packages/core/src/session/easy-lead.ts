import type { Exercise } from '../catalogue/exercise.js';
import type { SessionItem } from './item.js';
import { techniquesIn } from './parts.js';

/** Sensation up to which a movement is easy: hardly a pull. No plan asks for so little. Common practice, no source. */
const EASY_SENSATION = 2;

type Moved = Pick<Exercise, 'technique' | 'warmUp' | 'pace'>;

/** True for an item that only moves, and easily: made for warming up, or with hardly a pull. */
export function isEasyMoving(item: SessionItem, exercise: Moved): boolean {
  const moves = techniquesIn(item, exercise).every((t) => t === 'moving stretch');
  return moves && (exercise.warmUp === true || item.sensation <= EASY_SENSATION);
}

/** How many items a session begins with that warm up themselves: they count towards its warm-up (domain 2.7). */
export function easyLead(items: readonly SessionItem[], find: (id: string) => Moved): number {
  const first = items.findIndex((i) => !isEasyMoving(i, find(i.exerciseId)));
  return first < 0 ? items.length : first;
}

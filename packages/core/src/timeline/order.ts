import { muscleGroupOrder } from '../anatomy/muscle-group.js';
import { exerciseById, type FindExercise } from '../catalogue/exercises.js';
import { POSITIONS } from '../measuring/rom-test.js';
import type { SessionItem } from './item.js';

/**
 * Items in an order with few position changes: by body position (standing to lying), inside a position from the lower body up.
 * With static holds only, all items of a position stand together, so no other order changes position less often.
 */
export function orderItems(items: readonly SessionItem[], find: FindExercise = exerciseById): SessionItem[] {
  const key = (i: SessionItem): [number, number] => {
    const e = find(i.exerciseId);
    return [POSITIONS.indexOf(e.position), muscleGroupOrder(e.primary)];
  };
  return [...items].sort((a, b) => {
    const [pa, ga] = key(a);
    const [pb, gb] = key(b);
    return pa - pb || ga - gb;
  });
}

import { positionsOf, type Placed } from '../catalogue/positions-of.js';

/** Where an exercise is done: "standing, or sitting on a chair". */
export function whereDoneWords(placed: Placed): string {
  return positionsOf(placed).join(', or ');
}

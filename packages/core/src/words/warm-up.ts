import { movesIn } from '../session/warm-up.js';
import { lowerFirst } from './list.js';

/** What is done where nothing is known of place and cautions. */
export const ANY_WARM_UP = 'easy movement that makes you warm';

/**
 * What a warm-up is made of, in a line.
 * @param names of moves for it, best first
 * @example warmUpLine(['Marching on the spot', 'Arm circles'], 90) // 'marching on the spot, then arm circles, about 45 s each'
 */
export function warmUpLine(names: readonly string[], seconds: number): string {
  const some = movesIn(names, seconds);
  if (some.length === 0) return ANY_WARM_UP;
  const [last, ...before] = some.map(lowerFirst).reverse();
  const list = [...before.reverse(), `then ${last}`].join(', ');
  return some.length === 1
    ? lowerFirst(some[0]!)
    : `${list}, about ${Math.round(seconds / some.length / 5) * 5} s each`;
}

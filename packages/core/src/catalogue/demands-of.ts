import type { Demand } from './demand.js';
import type { Placed } from './positions-of.js';
import type { Position } from './rom-test.js';

/** What a movement says of itself. */
export interface Movement extends Placed {
  /** Tagged by hand. */
  readonly demands: readonly Demand[];
  /** True when a firm bed will do in place of the floor. */
  readonly bed?: boolean;
}

const ON_THE_KNEES: readonly Position[] = ['kneeling', 'all fours'];
const OFF_THE_FLOOR: readonly Position[] = ['standing', 'sitting on a chair'];

/** True for what bends the spine towards its end or loads it: not soon after waking. */
export function asksOfSpine({ demands }: Pick<Movement, 'demands'>): boolean {
  return demands.some((d) => d === 'spine-forward' || d === 'spine-loaded');
}

/**
 * All that a movement asks: what it is tagged with, and what follows from its position. Kneeling is weight on the knee; whatever is neither
 * done standing nor on a chair, nor on a bed, needs the floor; a hip that is bent deep and carried across is pinched.
 */
export function demandsOf({ position, demands, bed = false }: Movement): readonly Demand[] {
  const out = new Set(demands);
  if (ON_THE_KNEES.includes(position)) out.add('kneeling');
  if (!OFF_THE_FLOOR.includes(position) && !bed) out.add('floor');
  if (out.has('hip-past-90') && out.has('hip-across')) out.add('hip-pinched');
  return [...out];
}

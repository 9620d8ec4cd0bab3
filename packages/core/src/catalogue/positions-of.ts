import type { Position } from './rom-test.js';

/** In which positions something may be done. */
export interface Placed {
  readonly position: Position;
  /** Positions in which it is done just as well; left out for none. */
  readonly alsoIn?: readonly Position[];
}

/** Every position in which it may be done, the one that is drawn first. */
export function positionsOf({ position, alsoIn = [] }: Placed): readonly Position[] {
  return [position, ...alsoIn];
}

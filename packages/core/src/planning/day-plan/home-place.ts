import { EVERYDAY_PROPS } from '../../catalogue/props.js';
import { POSITIONS, type Position } from '../../catalogue/rom-test.js';
import type { About, Place } from '../../screening/about.js';
import type { ClientPlace } from './place.js';

/** Id of the place that the intake speaks of. */
export const HOME_PLACE = 'home';

const LYING: readonly Position[] = ['supine', 'side-lying', 'prone'];

/** What each answer of the intake leaves possible. A bed has its edge to sit on; who has a chair only can stand at it. */
const POSSIBLE: Readonly<Record<Place, { readonly positions: readonly Position[]; readonly floor: boolean }>> = {
  mat: { positions: POSITIONS, floor: true },
  'bed only': { positions: LYING, floor: false },
  'chair only': { positions: ['sitting on a chair', 'standing'], floor: false },
};

/** The place of a client's intake: what is possible there, with what every home has and what the client named. */
export function homePlace({ place, props }: Pick<About, 'place' | 'props'>): ClientPlace {
  return {
    id: HOME_PLACE,
    name: 'Home',
    ...POSSIBLE[place],
    things: [...new Set([...EVERYDAY_PROPS, ...props])],
    substitutes: [],
  };
}

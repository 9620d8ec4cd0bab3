import type { Exercise } from '../../catalogue/exercise.js';
import type { PropId } from '../../catalogue/props.js';
import type { Position } from '../../catalogue/rom-test.js';

/** What can stand in for a thing at a place: "a towel" for the strap. */
export interface Substitute {
  readonly thing: PropId;
  readonly instead: string;
}

/** Where a client stretches: what is possible and at hand there. */
export interface ClientPlace {
  readonly id: string;
  readonly name: string;
  readonly positions: readonly Position[];
  /** False where only a bed, or a chair, is there to lie or sit on: then an exercise on the floor needs to be one that a bed will do for. */
  readonly floor: boolean;
  readonly things: readonly PropId[];
  readonly substitutes: readonly Substitute[];
}

/** What of an exercise a place decides. */
export type PlacedNeeds = Pick<Exercise, 'position' | 'bed' | 'props'>;

/** Something that an exercise asks and a place has not. */
export type PlaceBar =
  | { readonly code: 'position'; readonly position: Position }
  | { readonly code: 'floor' }
  | { readonly code: 'thing'; readonly thing: PropId };

const UPRIGHT: readonly Position[] = ['standing', 'sitting on a chair'];

/** All that a place has not for an exercise; empty where it can be done there. A place that nobody described has everything. */
export function missingAt(exercise: PlacedNeeds, place: ClientPlace | null): PlaceBar[] {
  if (place === null) return [];
  const out: PlaceBar[] = [];
  if (!place.positions.includes(exercise.position)) out.push({ code: 'position', position: exercise.position });
  if (!place.floor && !UPRIGHT.includes(exercise.position) && !exercise.bed) out.push({ code: 'floor' });
  for (const thing of exercise.props)
    if (!place.things.includes(thing) && !place.substitutes.some((s) => s.thing === thing))
      out.push({ code: 'thing', thing });
  return out;
}

import type { Exercise } from '../catalogue/exercise.js';
import { EVERYDAY_PROPS, PROP_IDS, type PropId } from '../catalogue/props.js';
import { positionsOf } from '../catalogue/positions-of.js';
import { POSITIONS, type Position } from '../catalogue/rom-test.js';

/** Kinds of place that a client stretches in. */
export const PLACE_KINDS = ['home', 'bed', 'chair', 'gym', 'outdoors'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** What can stand in for a thing at a place: "a towel" for the strap. */
export interface Substitute {
  readonly thing: PropId;
  readonly instead: string;
}

/** Where a client stretches: what is possible and at hand there. */
export interface ClientPlace {
  readonly id: string;
  readonly name: string;
  /** What it began as; left out in what was published before it was kept. */
  readonly kind?: PlaceKind;
  readonly positions: readonly Position[];
  /** False where only a bed, or a chair, is there to lie or sit on: then an exercise on the floor needs to be one that a bed will do for. */
  readonly floor: boolean;
  readonly things: readonly PropId[];
  readonly substitutes: readonly Substitute[];
}

/** Bounds of what is said of a client's places. */
export const PLACE_BOUNDS = { count: { min: 1, max: 8 }, name: 40, instead: 60 } as const;

/** Id of the place that the intake asks of first. */
export const FIRST_PLACE = 'home';

const LYING: readonly Position[] = ['supine', 'side-lying', 'prone'];

/**
 * What each kind of place leaves possible, and what is found there without being asked for. A bed has no wall that can be counted on; who has a
 * chair only can stand at it; outdoors there is something to lean on and a kerb. Common practice, no source.
 */
const BEGINS: Readonly<Record<PlaceKind, Pick<ClientPlace, 'name' | 'positions' | 'floor' | 'things'>>> = {
  home: { name: 'Home', positions: POSITIONS, floor: true, things: EVERYDAY_PROPS },
  bed: { name: 'Bed', positions: LYING, floor: false, things: ['cushion'] },
  chair: {
    name: 'Chair',
    positions: ['sitting on a chair', 'standing'],
    floor: false,
    things: EVERYDAY_PROPS,
  },
  gym: { name: 'Gym', positions: POSITIONS, floor: true, things: PROP_IDS.filter((p) => p !== 'cushion') },
  outdoors: { name: 'Outdoors', positions: ['standing'], floor: false, things: ['wall', 'step'] },
};

/** A place as its kind begins, with what the client has besides. */
export function placeOfKind(kind: PlaceKind, id: string = FIRST_PLACE, things: readonly PropId[] = []): ClientPlace {
  const begins = BEGINS[kind];
  return { id, kind, ...begins, things: [...new Set([...begins.things, ...things])], substitutes: [] };
}

/** A place of another kind: positions and floor are the kind's; what the client has stays, what only the old kind brought goes. */
export function ofKind(place: ClientPlace, kind: PlaceKind): ClientPlace {
  const brought = place.kind ? BEGINS[place.kind].things : [];
  const own = place.things.filter((t) => !brought.includes(t));
  const { name, substitutes } = place;
  const renamed = place.kind && name === BEGINS[place.kind].name ? {} : { name };
  return { ...placeOfKind(kind, place.id, own), ...renamed, substitutes };
}

/** A place with what stands in for a thing; nothing when the text is empty. */
export function withSubstitute(place: ClientPlace, thing: PropId, instead: string): ClientPlace {
  const others = place.substitutes.filter((s) => s.thing !== thing);
  const text = instead.trim();
  return { ...place, substitutes: text === '' ? others : [...others, { thing, instead: text }] };
}

/** What of an exercise a place decides. */
export type PlacedNeeds = Pick<Exercise, 'position' | 'alsoIn' | 'bed' | 'props' | 'substitute'>;

/** Something that an exercise asks and a place has not. */
export type PlaceBar =
  | { readonly code: 'position'; readonly position: Position }
  | { readonly code: 'floor' }
  | { readonly code: 'thing'; readonly thing: PropId };

const UPRIGHT: readonly Position[] = ['standing', 'sitting on a chair'];

/**
 * Things of an exercise that a place has not, and nothing in their stead: neither what the coach named for the place nor what the exercise itself
 * names for the first of its things ("a towel or a belt"): a bottle stands in for the weight, not for the table beside it. A place that nobody
 * described has everything.
 */
export function thingsMissingAt(
  { props, substitute }: Pick<Exercise, 'props' | 'substitute'>,
  place: ClientPlace | null,
): PropId[] {
  if (place === null) return [];
  const needed = substitute === '' ? props : props.slice(1);
  return needed.filter((t) => !place.things.includes(t) && !place.substitutes.some((s) => s.thing === t));
}

/** All that a place has not for an exercise; empty where it can be done there. A place that nobody described has everything. */
export function missingAt(exercise: PlacedNeeds, place: ClientPlace | null): PlaceBar[] {
  if (place === null) return [];
  const out: PlaceBar[] = [];
  const possible = positionsOf(exercise).filter((p) => place.positions.includes(p));
  if (possible.length === 0) out.push({ code: 'position', position: exercise.position });
  const offFloor =
    exercise.bed || (possible.length > 0 ? possible : [exercise.position]).some((p) => UPRIGHT.includes(p));
  if (!place.floor && !offFloor) out.push({ code: 'floor' });
  for (const thing of thingsMissingAt(exercise, place)) out.push({ code: 'thing', thing });
  return out;
}

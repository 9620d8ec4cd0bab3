import type { Exercise } from '../catalogue/exercise.js';
import { propName, type PropId } from '../catalogue/props.js';
import { POSITIONS } from '../catalogue/rom-test.js';
import type { ClientPlace, PlaceBar } from '../screening/place.js';
import { lowerFirst } from './list.js';
import { joined } from './plural.js';

/** Something that a place has not. */
export function barWord(bar: PlaceBar): string {
  switch (bar.code) {
    case 'position':
      return `${bar.position} is not possible there`;
    case 'floor':
      return 'needs a floor to lie on';
    case 'thing':
      return `needs ${propName(bar.thing).toLowerCase()}`;
  }
}

/** All that a place has not; empty where nothing is missing. */
export function barsWords(bars: readonly PlaceBar[]): string {
  return joined(bars.map(barWord));
}

/** What an exercise needs, with what stands in for it at a place. @example thingWords('strap', {substitute: 'A towel.'}, null) // 'strap (or a towel)' */
export function thingWords(thing: PropId, exercise: Pick<Exercise, 'substitute'>, place: ClientPlace | null): string {
  const name = lowerFirst(propName(thing));
  if (place?.things.includes(thing)) return name;
  const here = place?.substitutes.find((s) => s.thing === thing)?.instead ?? null;
  if (here !== null) return `${here} (for the ${name})`;
  const { substitute } = exercise;
  return substitute === '' ? name : `${name} (or ${lowerFirst(substitute).replace(/\.$/, '')})`;
}

/** All that an exercise needs at a place. @example thingsWords({props: [], substitute: ''}, null) // 'nothing needed' */
export function thingsWords(
  { props, substitute }: Pick<Exercise, 'props' | 'substitute'>,
  place: ClientPlace | null,
): string {
  if (props.length === 0) return 'nothing needed';
  return `needs ${joined(props.map((p) => thingWords(p, { substitute }, place)))}`;
}

function positionsAt({ positions, floor }: ClientPlace): string {
  if (positions.length === 0) return 'no position possible';
  return joined([...positions, ...(floor ? [] : ['not on the floor'])]);
}

/** A place in a line. @example placeLine(placeOfKind('bed')) // 'supine, side-lying, prone and not on the floor; at hand: cushion' */
export function placeLine(place: ClientPlace): string {
  const where = place.positions.length === POSITIONS.length && place.floor ? 'every position' : positionsAt(place);
  const things = place.things.map((t) => lowerFirst(propName(t)));
  const instead = place.substitutes
    .filter((s) => !place.things.includes(s.thing))
    .map((s) => `${s.instead} for the ${lowerFirst(propName(s.thing))}`);
  const at = [...things, ...instead];
  return `${where}; ${at.length === 0 ? 'nothing at hand' : `at hand: ${joined(at)}`}`;
}

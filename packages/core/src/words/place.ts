import { propName } from '../catalogue/props.js';
import type { PlaceBar } from '../planning/day-plan/place.js';
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

import type { RoutineBar } from '../routine/routine-for.js';
import { cautionTitle } from './caution.js';
import { joined } from './plural.js';
import { barWord } from './place.js';

/** Why an item of a routine is not for a client, where the session is. */
export function routineBarWord(bar: RoutineBar): string {
  switch (bar.code) {
    case 'caution':
      return cautionTitle(bar.caution).toLowerCase();
    case 'on-hold':
      return 'on hold after a stop sign';
    default:
      return barWord(bar);
  }
}

/** One item that a client cannot do, and what takes its place. */
export function routineOutWords(why: readonly RoutineBar[], name: string, instead: string | null): string {
  const because = joined(why.map(routineBarWord));
  return instead === null ? `${name} is left out: ${because}.` : `${instead} instead of ${name}: ${because}.`;
}

import { breathsIn } from '../catalogue/amount.js';
import type { Exercise } from '../catalogue/exercise.js';
import type { Pace, SessionItem } from '../session/item.js';
import { partsOf, type PartBout } from '../session/parts.js';
import type { Bout } from '../technique/prescription.js';
import { lowerFirst } from './list.js';
import { capital, counted } from './plural.js';
import { clientBoutWords, workWords } from './technique.js';

/** One part: "Hold 20 s", "Chin down: hold 3 breaths". @param say how a bout is said */
function partWords({ bout, breaths, name }: PartBout, exercise: Exercise, say: (b: Bout) => string): string {
  const usual = breathsIn(bout.holdSeconds, { ...exercise, technique: bout.technique });
  const long = usual === null ? '' : `, about ${counted(usual, 'breath')}`;
  const work = breaths === null ? `${say(bout)}${long}` : `Hold for ${counted(breaths, 'breath')}`;
  return name === null ? work : `${name}: ${lowerFirst(work)}`;
}

function allParts(item: SessionItem, exercise: Exercise, say: (b: Bout) => string): string {
  const [first, ...then] = partsOf(item, exercise).map((p) => partWords(p, exercise, say));
  return [capital(first!), ...then.map(lowerFirst)].join(', then ');
}

/** The parts of a set in the trade's shorthand: "Move in and out: 5 reps (2 s pause), then hold 20 s". */
export function setWords(item: SessionItem, exercise: Exercise): string {
  return allParts(item, exercise, workWords);
}

/** The parts of a set, said to the client in whole words. */
export function clientSetWords(item: SessionItem, exercise: Exercise): string {
  return allParts(item, exercise, clientBoutWords);
}

/** How repetitions are paced: "one a breath", "4 s out and 2 s back". */
export function paceWords(pace: Pace): string {
  return pace === 'breath' ? 'one a breath' : `${pace.out} s out and ${pace.back} s back`;
}

import { breathsIn } from '../catalogue/amount.js';
import type { Exercise } from '../catalogue/exercise.js';
import type { LooseningTime, SessionItem } from '../session/item.js';
import { partsOf, type PartBout } from '../session/parts.js';
import { isPattern, type Pace } from '../technique/pace.js';
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

/** How repetitions or breaths are paced: "one a breath", "4 s out and 2 s back", "in 4 s, hold 2 s, out 6 s"; to a client in whole words. */
export function paceWords(pace: Pace, unit: 's' | 'seconds' = 's'): string {
  if (pace === 'breath') return 'one a breath';
  if (!isPattern(pace)) return `${pace.out} ${unit} out and ${pace.back} ${unit} back`;
  const held = pace.hold > 0 ? `holding ${pace.hold} ${unit}, ` : '';
  return `breathing in ${pace.in} ${unit}, ${held}out ${pace.out} ${unit}`;
}

/** The pace of an item that is its own, or its exercise's, with a comma before it; empty where the timings set it. */
export function itemPaceWords(item: SessionItem, exercise: Exercise, unit: 's' | 'seconds' = 's'): string {
  const pace = item.pace ?? exercise.pace;
  return pace === undefined ? '' : `, ${paceWords(pace, unit)}`;
}

/** A loosening of an item: "shake out the leg for 10 s between the sides"; null for none. */
export function loosenWords({ loosen }: SessionItem, { sides }: Exercise): string | null {
  if (!loosen) return null;
  const when = sides === 'both' || loosen.when === 'after' ? 'after it' : LOOSEN_WHEN[loosen.when];
  return `${lowerFirst(loosen.name)} for ${loosen.seconds} s ${when}`;
}

const LOOSEN_WHEN: Readonly<Record<LooseningTime, string>> = {
  'between sides': 'between the sides',
  after: 'after it',
  both: 'between the sides and after',
};

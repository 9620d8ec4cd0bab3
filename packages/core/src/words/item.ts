import type { Exercise } from '../catalogue/exercise.js';
import { pushAgainst } from '../catalogue/forms.js';
import { alternates, boutOf, type SessionItem } from '../session/item.js';
import { sensationWords } from '../catalogue/safety.js';
import { techniquesIn } from '../session/parts.js';
import { bonusWords, supportWords } from './prescription.js';
import { itemPaceWords, loosenWords, setWords } from './parts.js';

/** What an item asks, without its sensation: "Hold 30 s, 2 times on each side, right first". */
export function itemWords(item: SessionItem, exercise: Exercise): string {
  const bout = boutOf(item, exercise);
  const times = item.sets === 1 ? 'once' : `${item.sets} times`;
  const turns = alternates(item, exercise) ? ', alternating' : '';
  const sides = exercise.sides === 'each' ? ` on each side${turns}, ${item.firstSide} first` : '';
  const pace = itemPaceWords(item, exercise);
  const middle = item.middle ? ', then once in the middle' : '';
  const loosen = loosenWords(item, exercise);
  const support = supportWords(bout);
  const bonus = bonusWords(bout);
  return `${setWords(item, exercise)}${pace}, ${times}${sides}${middle}${support ? `, ${support}` : ''}${bonus ? `; ${bonus}` : ''}${loosen ? `; ${loosen}` : ''}`;
}

/** The target of an item: "Sensation 5 of 10: a clear stretch". */
export function targetWords(item: SessionItem): string {
  return `Sensation ${item.sensation} of 10: ${sensationWords(item.sensation)}`;
}

/** What is pushed against, when an item is done as contract-relax; null when nothing is. */
export function pushWords(item: SessionItem, exercise: Exercise): string | null {
  return techniquesIn(item, exercise).includes('contract-relax') ? pushAgainst(exercise) : null;
}

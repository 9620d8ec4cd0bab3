import type { Exercise } from '../catalogue/exercise.js';
import { alternates, boutOf, type SessionItem } from '../session/item.js';
import { supportWords } from './prescription.js';
import { clientSetWords, itemPaceWords, loosenWords } from './parts.js';
import { capital } from './plural.js';
import { oftenWords } from './technique.js';

/** How strong a stretch is to feel, in the client's words. */
function strengthWords(sensation: number): string {
  if (sensation <= 0) return 'nothing';
  return sensation <= 3 ? 'a light pull' : 'a clear stretch; you can still talk';
}

/**
 * An exercise as its client reads it, in whole sentences and none of the trade's words: "Hold for 50 seconds, twice on each side, left first.
 * Once more on the left, your tighter side. How strong: 5 of 10, a clear stretch; you can still talk."
 */
export function clientItemWords(item: SessionItem, exercise: Exercise): string {
  const bout = boutOf(item, exercise);
  const each = exercise.sides === 'each';
  const turns = alternates(item, exercise) ? ', changing sides every time' : '';
  const sides = each ? ` on each side${turns}, ${item.firstSide} first` : '';
  const pace = itemPaceWords(item, exercise, 'seconds');
  const sentences = [`${clientSetWords(item, exercise)}${pace}, ${oftenWords(item.sets)}${sides}.`];
  if (item.middle) sentences.push('Then once in the middle.');
  if (bout.bonus) {
    const { side, sets, more } = bout.bonus;
    const extra =
      sets > 0
        ? `${sets === 1 ? 'Once' : oftenWords(sets)} more`
        : bout.reps === undefined
          ? `${more} seconds longer`
          : `${more} more each time`;
    sentences.push(`${extra} on the ${side}, your tighter side.`);
  }
  const loosen = loosenWords(item, exercise);
  if (loosen) sentences.push(`${capital(loosen)}.`);
  const support = supportWords(bout);
  if (support) sentences.push(`With ${support}.`);
  sentences.push(`How strong: ${item.sensation} of 10, ${strengthWords(item.sensation)}.`);
  return sentences.join(' ');
}

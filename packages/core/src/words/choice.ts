import type { FindExercise } from '../catalogue/exercises.js';
import type { Exercise } from '../catalogue/exercise.js';
import { choiceTechnique, chosenItem } from '../session/choice.js';
import type { SessionItem } from '../session/item.js';

/** What a client may choose on the spot: the other exercise by name, with how it is done where that differs; empty for nothing. */
export function choiceWords(item: SessionItem, find: FindExercise): string {
  if (item.choice === undefined) return '';
  const other = find(item.choice);
  const technique = choiceTechnique(item, other, find);
  if (other.id === item.exerciseId) return `the same as ${technique}`;
  return technique === (item.technique ?? find(item.exerciseId).technique)
    ? other.name
    : `${other.name} (${technique})`;
}

/**
 * The choice of an item with what it asks: "Or: Frog: Hold 30 s, 2 times"; empty for nothing.
 * @param words what an item asks, in the words of a coach or of a client
 */
export function choiceLine(
  item: SessionItem,
  find: FindExercise,
  words: (item: SessionItem, exercise: Exercise) => string,
): string {
  if (item.choice === undefined) return '';
  return `Or: ${choiceWords(item, find)}: ${words(chosenItem(item, find), find(item.choice))}`;
}

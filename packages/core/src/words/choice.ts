import type { FindExercise } from '../catalogue/exercises.js';
import { choiceTechnique } from '../session/choice.js';
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

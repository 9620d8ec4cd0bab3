import { sameTurn, type Exercise } from '../catalogue/exercise.js';
import type { FindExercise } from '../catalogue/exercises.js';
import { techniquesOf } from '../catalogue/forms.js';
import { missingAt, type ClientPlace } from '../screening/place.js';
import type { Technique } from '../technique/catalogue.js';
import { amountOf, withAmount } from '../technique/prescription.js';
import { amountBounds, firstBout } from './first-item.js';
import type { SessionItem } from './item.js';
import { techniquesIn } from './parts.js';

/**
 * How the choice of an item is done: the same exercise the other way (moved or held), another exercise the way the item is done when it can
 * be, else its own way.
 */
export function choiceTechnique(item: SessionItem, choice: Exercise, find: FindExercise): Technique {
  const technique = item.technique ?? find(item.exerciseId).technique;
  const able = techniquesOf(choice);
  if (choice.id === item.exerciseId) return able.find((t) => t !== technique) ?? technique;
  return able.includes(technique) ? technique : choice.technique;
}

/**
 * An item as it is when the client takes its choice on the spot: the clock, what is logged and the dose follow it. Done the same way it keeps
 * its numbers, within what the exercise is made for; another way it has as many sets of what that way begins with. An item without a choice
 * stays.
 */
export function chosenItem(item: SessionItem, find: FindExercise): SessionItem {
  const { choice, ...plain } = item;
  if (choice === undefined) return item;
  const exercise = find(choice);
  const technique = choiceTechnique(item, exercise, find);
  const named = technique === exercise.technique ? {} : { technique };
  const sided = exercise.sides === 'each' && find(item.exerciseId).sides === 'each';
  const same = technique === (item.technique ?? find(item.exerciseId).technique);
  const { firstSide, sensation, sets, link } = plain;
  if (!same || !techniquesIn(plain, find(item.exerciseId)).every((t) => techniquesOf(exercise).includes(t))) {
    const { technique: _, ...bout } = firstBout(exercise, technique);
    return { ...bout, ...named, sets, sensation, firstSide, exerciseId: choice, ...(link && { link }) };
  }
  const { technique: _t, bonus, sidePattern, middle, ...kept } = plain;
  const { min, max } = amountBounds(exercise, technique);
  const bout = { ...kept, technique };
  const { technique: _own, ...clipped } = withAmount(bout, Math.min(max, Math.max(min, amountOf(bout))));
  const sides = sided
    ? { ...(bonus && { bonus }), ...(sidePattern && { sidePattern }), ...(middle && { middle }) }
    : {};
  return { ...clipped, ...sides, ...named, exerciseId: choice };
}

/**
 * What can be offered as the choice of an item: the same exercise the other way, then its easier and harder form, then the others of its group
 * that turn the joint the same way; only what is possible in the place.
 * @param allowed exercises that the client may do
 */
export function choicesFor(
  item: SessionItem,
  allowed: readonly Exercise[],
  place: ClientPlace | null,
  find: FindExercise,
): Exercise[] {
  const own = find(item.exerciseId);
  const rank = (e: Exercise): number => {
    if (e.id === own.id) return 0;
    return e.id === own.easierForm || e.id === own.harderForm ? 1 : 2;
  };
  const technique = item.technique ?? own.technique;
  return allowed
    .filter((e) => rank(e) < 2 || (e.primary === own.primary && !e.warmUp && sameTurn(e, own)))
    .filter((e) => e.id !== own.id || choiceTechnique(item, e, find) !== technique)
    .filter((e) => missingAt(e, place).length === 0)
    .sort((a, b) => rank(a) - rank(b));
}

/** Items with what was taken in place of those that were not done as planned. @param taken exercise by place, where it is the choice */
export function itemsTaken(
  items: readonly SessionItem[],
  taken: Readonly<Record<number, string>>,
  find: FindExercise,
): readonly SessionItem[] {
  if (Object.keys(taken).length === 0) return items;
  return items.map((item, place) => itemDone(item, taken[place] ?? null, find));
}

/** An item as a log says it was done: as the choice where its exercise is named, else as planned. @param form exercise that the log names */
export function itemDone(item: SessionItem, form: string | null, find: FindExercise): SessionItem {
  return form !== null && form === item.choice ? chosenItem(item, find) : item;
}

/**
 * What something felt in an item is about: its choice where that was being done, else its exercise, with the other form it was done in.
 * @param form exercise it was done with where that was not the planned one; null for as planned
 */
export function feltExercise(
  item: { readonly exerciseId: string; readonly choice?: string | null },
  form: string | null,
): { readonly exerciseId: string; readonly form: string | null } {
  if (form === null || form === item.exerciseId) return { exerciseId: item.exerciseId, form: null };
  return form === item.choice ? { exerciseId: form, form: null } : { exerciseId: item.exerciseId, form };
}

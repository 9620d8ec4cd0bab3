import { MUSCLE_GROUPS, type MuscleGroupId } from '../../anatomy/muscle-group.js';
import type { Exercise } from '../exercise.js';
import { positionsOf } from '../positions-of.js';
import { propName } from '../props.js';
import { EVERYDAY_WORDS } from './everyday.js';

/** Words that say nothing by themselves. */
const SMALL = new Set(['the', 'of', 'a', 'an', 'at', 'in', 'on', 'and', 'with', 'to', 'for', 'my']);

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
const tellingWords = (text: string): string[] => wordsOf(text).filter((w) => !SMALL.has(w));

const REGION = new Map(MUSCLE_GROUPS.map((g) => [g.id, g.region]));
const NAME = new Map(MUSCLE_GROUPS.map((g) => [g.id, g.name]));

/** Everything that may be said of a place of the body, each with its telling words alone. */
const phrasesOf = (group: MuscleGroupId): string[][] =>
  [NAME.get(group)!, REGION.get(group)!, ...EVERYDAY_WORDS[group]].map(tellingWords);
const PHRASES = new Map(MUSCLE_GROUPS.map((g) => [g.id, phrasesOf(g.id)]));

/** An exercise with its words taken apart once, so that finding costs little at every key. */
interface Entry {
  readonly exercise: Exercise;
  readonly name: readonly string[];
  /** The name as it is typed from its beginning. */
  readonly begins: string;
  readonly words: readonly string[];
}

/** A library ready to be looked through. */
export type ExerciseIndex = readonly Entry[];

/** Takes the words of exercises apart. */
export function exerciseIndex(all: readonly Exercise[]): ExerciseIndex {
  return all.map((exercise) => {
    const name = wordsOf(exercise.name);
    const beside = [
      ...[exercise.aim, exercise.technique, ...positionsOf(exercise), ...(exercise.warmUp ? ['warm-up'] : [])],
      ...exercise.props.map(propName),
      ...[exercise.primary, ...exercise.secondary].flatMap((g) => [NAME.get(g)!, REGION.get(g)!, ...EVERYDAY_WORDS[g]]),
    ];
    return { exercise, name, begins: name.join(' '), words: [...new Set([...name, ...beside.flatMap(wordsOf)])] };
  });
}

const all = (asked: readonly string[], words: readonly string[]): boolean =>
  asked.every((a) => words.some((w) => w.startsWith(a)));
/** True where the words typed begin a phrase or stand in it in this order, the last one perhaps unfinished. */
function saysPhrase(asked: readonly string[], phrase: readonly string[]): boolean {
  for (let from = 0; from + asked.length <= phrase.length; from++)
    if (asked.every((a, i) => (i === asked.length - 1 ? phrase[from + i]!.startsWith(a) : phrase[from + i] === a)))
      return true;
  return false;
}

/** How well an exercise fits what was typed: 0 not at all. */
function fit({ exercise, name, begins, words }: Entry, typed: readonly string[], asked: readonly string[]): number {
  if (begins.startsWith(typed.join(' '))) return 6;
  if (all(asked, name)) return 5;
  const place = (g: MuscleGroupId): boolean => PHRASES.get(g)!.some((phrase) => saysPhrase(asked, phrase));
  if (place(exercise.primary)) return 4;
  if (exercise.secondary.some(place)) return 3;
  return all(asked, words) ? 1 : 0;
}

/**
 * Exercises that some typed text means, best first: by name, by the name of a group or region, by everyday words for a place of the body ("front of the
 * thigh", "between the shoulder blades"), or by what is said of it. Of those that fit alike the order of the library stays; nothing typed finds all.
 * @example findExercises('front of the thigh', exerciseIndex(EXERCISES))[0].primary // 'quadriceps'
 */
export function findExercises(text: string, index: ExerciseIndex): readonly Exercise[] {
  const typed = wordsOf(text);
  if (typed.length === 0) return index.map((e) => e.exercise);
  const telling = typed.filter((w) => !SMALL.has(w));
  const asked = telling.length > 0 ? telling : typed;
  return index
    .map((e) => ({ e, fit: fit(e, typed, asked) }))
    .filter((x) => x.fit > 0)
    .sort((a, b) => b.fit - a.fit)
    .map((x) => x.e.exercise);
}

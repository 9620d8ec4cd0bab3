import { muscleGroupName, type Exercise } from '@yandle/core';

/** What is said of an exercise beside its name. */
export function exerciseLine(e: Exercise): string {
  return `${muscleGroupName(e.primary)} · ${e.technique} · ${e.position}`;
}

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/**
 * Exercises that some typed text means, best first: every typed word begins a word of the name, or else of what is said beside it. A name that
 * begins with the text comes first of all; otherwise the order of the library stays.
 * @example findExercises('wall calf', all) // stretches of the calf at a wall
 */
export function findExercises(typed: string, all: readonly Exercise[]): readonly Exercise[] {
  const asked = wordsOf(typed);
  const rank = (e: Exercise): number => {
    const name = wordsOf(e.name);
    const begins = (words: readonly string[]): boolean => asked.every((a) => words.some((w) => w.startsWith(a)));
    if (wordsOf(e.name).join(' ').startsWith(asked.join(' '))) return 0;
    if (begins(name)) return 1;
    return begins([...name, ...wordsOf(exerciseLine(e))]) ? 2 : 3;
  };
  const ranked = all.map((e) => ({ e, rank: rank(e) })).filter((r) => r.rank < 3);
  return ranked.sort((a, b) => a.rank - b.rank).map((r) => r.e);
}

import {
  cautionsAgainst,
  barsWords,
  EVERYDAY_PROPS,
  missingAt,
  muscleGroupName,
  shareOf,
  type About,
  type Caution,
  type Exercise,
  type MuscleGroupId,
  cautionTitle,
} from '@yandle/core';

/** What the coach looks for. Empty fields ask for nothing. */
export interface Search {
  readonly words: string;
  readonly group: MuscleGroupId | null;
  readonly technique: string;
  readonly position: string;
  readonly prop: string;
  readonly difficulty: number;
  readonly suits: boolean;
}

export const EVERYTHING: Search = {
  words: '',
  group: null,
  technique: '',
  position: '',
  prop: '',
  difficulty: 0,
  suits: false,
};

/** A client whom an exercise should suit. */
export interface Suited {
  readonly cautions: readonly Caution[];
  readonly about: About | null;
}

/** Why an exercise does not suit a client; empty when it does. */
export function unsuitable(e: Exercise, client: Suited): string[] {
  const out = cautionsAgainst(e, client.cautions).map(cautionTitle);
  const at = client.about;
  if (!at) return out;
  if (at.places.some((p) => missingAt(e, p).length === 0)) return out;
  const usual = at.places[0]!;
  return [...out, `${usual.name}: ${barsWords(missingAt(e, usual))}`];
}

/** True when every word is found somewhere in what the exercise says. */
function says(e: Exercise, words: string): boolean {
  const text = [e.name, e.aim, e.technique, e.position, ...[e.primary, ...e.secondary].map(muscleGroupName), ...e.props]
    .join(' ')
    .toLowerCase();
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((w) => text.includes(w));
}

/** Exercises that fit; those of which the group is the main one come first. */
export function found(all: readonly Exercise[], s: Search, client: Suited | null): Exercise[] {
  const list = all.filter(
    (e) =>
      says(e, s.words.trim()) &&
      (s.group === null || shareOf(e, s.group) > 0) &&
      (s.technique === '' || e.technique === s.technique) &&
      (s.position === '' || e.position === s.position) &&
      (s.prop === '' ||
        (s.prop === 'none' ? e.props.every((p) => EVERYDAY_PROPS.includes(p)) : e.props.some((p) => p === s.prop))) &&
      (s.difficulty === 0 || e.difficulty === s.difficulty) &&
      (!s.suits || client === null || unsuitable(e, client).length === 0),
  );
  const group = s.group;
  return group === null ? list : [...list].sort((a, b) => shareOf(b, group) - shareOf(a, group));
}

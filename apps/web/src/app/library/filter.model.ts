import type { MyExercises } from '@yandle/contract';
import {
  cautionsAgainst,
  barsWords,
  EVERYDAY_PROPS,
  findExercises,
  firstItem,
  missingAt,
  PLACE_KINDS,
  placeOfKind,
  positionsOf,
  shareOf,
  techniquesOf,
  timeItem,
  type About,
  type Caution,
  type ClientPlace,
  type Exercise,
  type ExerciseIndex,
  type MuscleGroupId,
  cautionTitle,
} from '@yandle/core';

/** What the coach looks for. Empty fields ask for nothing. */
export interface Search {
  readonly words: string;
  readonly group: MuscleGroupId | null;
  readonly technique: string;
  readonly position: string;
  /** A kind of place; empty for anywhere. */
  readonly place: string;
  readonly prop: string;
  readonly difficulty: number;
  /** Most minutes of one set; 0 for any. */
  readonly minutes: number;
  /** Without what does not suit the open client. */
  readonly suits: boolean;
  /** `favourites`, or `recent` for what is in use; empty for all. */
  readonly among: '' | 'favourites' | 'recent';
}

export const EVERYTHING: Search = {
  words: '',
  group: null,
  technique: '',
  position: '',
  place: '',
  prop: '',
  difficulty: 0,
  minutes: 0,
  suits: true,
  among: '',
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

/** Seconds that one set takes with getting into it, as an exercise begins; worked out once for each. */
const seconds = new WeakMap<Exercise, number>();
function secondsOf(e: Exercise): number {
  let of = seconds.get(e);
  if (of === undefined) {
    const timed = timeItem(firstItem(e), e);
    seconds.set(e, (of = timed.bodySeconds + timed.leastApproach));
  }
  return of;
}

const PLACES = new Map<string, ClientPlace>(PLACE_KINDS.map((k) => [k, placeOfKind(k)]));

/** Exercises that fit, whoever the client is: by how well they fit the words, then the ones that a group is the main one of. */
export function found(index: ExerciseIndex, s: Search, mine: MyExercises | null = null): readonly Exercise[] {
  const among = s.among === '' ? null : new Set(mine?.[s.among] ?? []);
  const place = PLACES.get(s.place);
  const list = findExercises(s.words, index).filter(
    (e) =>
      (among === null || among.has(e.id)) &&
      (s.group === null || shareOf(e, s.group) > 0) &&
      (s.technique === '' || techniquesOf(e).some((t) => t === s.technique)) &&
      (s.position === '' || positionsOf(e).some((p) => p === s.position)) &&
      (!place || missingAt(e, place).length === 0) &&
      (s.prop === '' ||
        (s.prop === 'none' ? e.props.every((p) => EVERYDAY_PROPS.includes(p)) : e.props.some((p) => p === s.prop))) &&
      (s.difficulty === 0 || e.difficulty === s.difficulty) &&
      (s.minutes === 0 || secondsOf(e) <= s.minutes * 60),
  );
  const { group, technique } = s;
  if (group === null && technique === '') return list;
  // What is made for the group comes first, and what is made for the technique before what can be done that way too.
  const rank = (e: Exercise): number => (group ? 2 * shareOf(e, group) : 0) + (e.technique === technique ? 1 : 0);
  return [...list].sort((a, b) => rank(b) - rank(a));
}

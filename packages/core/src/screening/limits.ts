import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Position } from '../measuring/rom-test.js';
import type { Technique } from '../styles/style.js';
import { NERVE_GLIDES, type Caution, type CautionEffect, type ExerciseTag } from './cautions.js';

/** What an exercise asks for, as far as a caution may speak against it. */
export interface ExerciseTraits {
  readonly primary: MuscleGroupId;
  readonly secondary: readonly MuscleGroupId[];
  readonly technique: Technique;
  readonly position: Position;
  readonly tags: readonly ExerciseTag[];
}

/** All cautions of a client taken together: whatever one of them takes away is gone. */
export type CautionLimits = CautionEffect;

const union = <T>(lists: readonly (readonly T[])[]): T[] => [...new Set(lists.flat())];

/** The strictest of several cautions. */
export function limitsOfCautions(cautions: readonly Caution[]): CautionLimits {
  const effects = cautions.map((c) => c.effect);
  const highest = effects.flatMap((e) => (e.sensationMax === null ? [] : [e.sensationMax]));
  return {
    groupsOff: union(effects.map((e) => e.groupsOff)),
    groupsEasy: union(effects.map((e) => e.groupsEasy)),
    techniquesOff: union(effects.map((e) => e.techniquesOff)),
    positionsOff: union(effects.map((e) => e.positionsOff)),
    tagsOff: union(effects.map((e) => e.tagsOff)),
    sensationMax: highest.length > 0 ? Math.min(...highest) : null,
  };
}

/** True when what a caution takes away rules an exercise out. */
export function speaksAgainst(e: CautionEffect, x: ExerciseTraits): boolean {
  return (
    [x.primary, ...x.secondary].some((g) => e.groupsOff.includes(g)) ||
    e.techniquesOff.includes(x.technique) ||
    e.positionsOff.includes(x.position) ||
    x.tags.some((t) => e.tagsOff.includes(t))
  );
}

/**
 * Cautions that speak against an exercise; empty when it may be done. Nothing is left out without one of these. Nerve glides are off for
 * whoever is not qualified for them.
 */
export function cautionsAgainst(exercise: ExerciseTraits, cautions: readonly Caution[], qualified = false): Caution[] {
  return [...cautions, ...(qualified ? [] : [NERVE_GLIDES])].filter((c) => speaksAgainst(c.effect, exercise));
}

/** Exercises that may be done, and those left out, each with the cautions that speak against it. */
export function sift<E extends ExerciseTraits>(
  exercises: readonly E[],
  cautions: readonly Caution[],
): {
  readonly allowed: readonly E[];
  readonly leftOut: readonly { readonly exercise: E; readonly because: readonly Caution[] }[];
} {
  const judged = exercises.map((exercise) => ({ exercise, because: cautionsAgainst(exercise, cautions) }));
  return {
    allowed: judged.filter((j) => j.because.length === 0).map((j) => j.exercise),
    leftOut: judged.filter((j) => j.because.length > 0),
  };
}

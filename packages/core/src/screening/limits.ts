import type { ExerciseTag } from '../catalogue/exercise-tag.js';
import type { Technique } from '../technique/catalogue.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Position } from '../catalogue/rom-test.js';
import { NERVE_GLIDES, type Caution, type CautionEffect } from './cautions.js';

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
    excludedGroups: union(effects.map((e) => e.excludedGroups)),
    gentleGroups: union(effects.map((e) => e.gentleGroups)),
    excludedTechniques: union(effects.map((e) => e.excludedTechniques)),
    excludedPositions: union(effects.map((e) => e.excludedPositions)),
    excludedTags: union(effects.map((e) => e.excludedTags)),
    sensationMax: highest.length > 0 ? Math.min(...highest) : null,
  };
}

/** True when what a caution takes away rules an exercise out. */
export function excludes(e: CautionEffect, x: ExerciseTraits): boolean {
  return (
    [x.primary, ...x.secondary].some((g) => e.excludedGroups.includes(g)) ||
    e.excludedTechniques.includes(x.technique) ||
    e.excludedPositions.includes(x.position) ||
    x.tags.some((t) => e.excludedTags.includes(t))
  );
}

/**
 * Cautions that speak against an exercise; empty when it may be done. Nothing is left out without one of these. Nerve glides are off for
 * whoever is not qualified for them.
 */
export function cautionsAgainst(exercise: ExerciseTraits, cautions: readonly Caution[], qualified = false): Caution[] {
  return [...cautions, ...(qualified ? [] : [NERVE_GLIDES])].filter((c) => excludes(c.effect, exercise));
}

/** Exercises that may be done, and those left out, each with the cautions that speak against it. */
export function splitAllowed<E extends ExerciseTraits>(
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

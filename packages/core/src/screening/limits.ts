import type { Difficulty } from '../catalogue/exercise.js';
import { demandsOf, type Movement } from '../catalogue/demands-of.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Technique } from '../technique/catalogue.js';
import type { Caution } from './cautions.js';
import { strictest, type CautionEffect } from './effect.js';

/** What an exercise asks for, as far as a caution may speak against it. */
export interface ExerciseTraits extends Movement {
  readonly primary: MuscleGroupId;
  readonly secondary: readonly MuscleGroupId[];
  readonly technique: Technique;
  readonly difficulty: Difficulty;
  /** False until a coach has gone through what an exercise of their own asks: nobody with a limit does it. */
  readonly demandsKnown: boolean;
}

/** All cautions of a client taken together: whatever one of them takes away is gone. */
export type CautionLimits = CautionEffect;

/** The strictest of several cautions. */
export function limitsOfCautions(cautions: readonly Caution[]): CautionLimits {
  return strictest(cautions.map((c) => c.effect));
}

/** What is asked of a body by something that is done or measured. */
interface Asked {
  readonly groups: readonly MuscleGroupId[];
  readonly technique: Technique | null;
  readonly movement: Movement;
}

function takesAway(e: CautionEffect, { groups, technique, movement }: Asked): boolean {
  const demands = demandsOf(movement);
  const asks = (list: CautionEffect['excludedDemands']) => demands.some((d) => list.includes(d));
  const done = (list: CautionEffect['excludedTechniques']) => technique !== null && list.includes(technique);
  return (
    groups.some((g) => e.excludedGroups.includes(g)) ||
    done(e.excludedTechniques) ||
    // What is drawn and said is the first position: another one makes up for none that is ruled out.
    e.excludedPositions.includes(movement.position) ||
    asks(e.excludedDemands) ||
    e.groupLimits.some((l) => groups.some((g) => l.groups.includes(g)) && (done(l.techniques) || asks(l.demands)))
  );
}

/** True when what a caution takes away rules an exercise out. */
export function excludes(e: CautionEffect, x: ExerciseTraits): boolean {
  const asked: Asked = { groups: [x.primary, ...x.secondary], technique: x.technique, movement: x };
  return (
    takesAway(e, asked) ||
    (e.difficultyMax !== null && x.difficulty > e.difficultyMax) ||
    (!x.demandsKnown && e.onlyKnown)
  );
}

/** Groups that limit a motion at least so much are stretched to their end when it is measured. Common practice, no source. */
const MEASURED_WEIGHT = 0.5;

/** What a test asks of a body. */
export interface TestTraits extends Movement {
  readonly limits: readonly { readonly group: MuscleGroupId; readonly weight: number }[];
}

/** Cautions that speak against a test; empty when it may be measured. */
export function cautionsAgainstTest(test: TestTraits, cautions: readonly Caution[]): Caution[] {
  const groups = test.limits.filter((l) => l.weight >= MEASURED_WEIGHT).map((l) => l.group);
  return cautions.filter((c) => takesAway(c.effect, { groups, technique: null, movement: test }));
}

/** Cautions that speak against an exercise; empty when it may be done. Nothing is left out without one of these. */
export function cautionsAgainst(exercise: ExerciseTraits, cautions: readonly Caution[]): Caution[] {
  return cautions.filter((c) => excludes(c.effect, exercise));
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

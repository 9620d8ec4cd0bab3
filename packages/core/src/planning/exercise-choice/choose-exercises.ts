import type { TechniqueExercise } from './technique-exercise.js';
import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import { onlyByHand } from '../../catalogue/by-hand.js';
import type { Exercise } from '../../catalogue/exercise.js';
import type { Style } from '../../styles/style.js';
import { PLAINEST, type Technique } from '../../technique/catalogue.js';
import { EXPERIENCES, type Experience } from '../limits.js';

/** Exercises that a client may do for a group with a technique, best first. */
export type AllowedExercises = (group: MuscleGroupId, technique: Technique) => readonly Exercise[];

/** Techniques that a style may ask of a lane, its fallback included. */
export function techniquesOfStyle(style: Style): Technique[] {
  const extras = [style.before, style.after].flatMap((e) => (e ? [e.technique] : []));
  return [...new Set([...style.phases.map((p) => p.technique), ...extras, PLAINEST])];
}

/** The first exercise that is not above the client's level; null when every one is: a harder one is for the coach to choose. */
export function firstFor(level: Experience, exercises: readonly Exercise[]): Exercise | null {
  const most = EXPERIENCES.indexOf(level) + 1;
  return exercises.find((e) => e.difficulty <= most) ?? null;
}

/**
 * An exercise for each technique that some styles may ask of a group; those chosen before stay. A technique without an exercise is left out:
 * the plan says so and holds still instead.
 */
export function chooseExercises(
  group: MuscleGroupId,
  styles: readonly Style[],
  allowed: AllowedExercises,
  level: Experience,
  chosen: readonly TechniqueExercise[] = [],
): TechniqueExercise[] {
  const techniques = [...new Set(styles.flatMap(techniquesOfStyle))];
  const added = techniques
    .filter((t) => !chosen.some((c) => c.technique === t))
    .flatMap((technique): TechniqueExercise[] => {
      const best = firstFor(
        level,
        allowed(group, technique).filter((e) => !onlyByHand(e, technique)),
      );
      return best ? [{ technique, exerciseId: best.id }] : [];
    });
  return [...chosen, ...added];
}

import { OWN_EXERCISE_PREFIX } from '@yandle/contract';
import { EXERCISES, findAmong, type Exercise, type FindExercise } from '@yandle/core';
import type { StudioData } from '../database/studio-data.js';
import { OwnExerciseEntity } from './entities.js';

/** The studio's own exercises as the computation knows them, and which of them are archived. */
export interface ExerciseLibrary {
  readonly find: FindExercise;
  /** True for an id that stands for an exercise. */
  readonly has: (id: string) => boolean;
  readonly archived: ReadonlySet<string>;
  /** All that are not archived: what may be proposed. */
  readonly current: readonly Exercise[];
  /** Ids of the studio's own. */
  readonly own: ReadonlySet<string>;
}

const exerciseOf = (row: OwnExerciseEntity): Exercise => ({ ...row.definition, id: OWN_EXERCISE_PREFIX + row.id });

/** Catalogue and own exercises together. */
export async function loadExercises(data: StudioData): Promise<ExerciseLibrary> {
  const rows = await data.find(OwnExerciseEntity, {});
  const own = new Set(rows.map((r) => OWN_EXERCISE_PREFIX + r.id));
  return {
    find: findAmong(rows.map(exerciseOf)),
    has: (id) => own.has(id) || EXERCISES.some((e) => e.id === id),
    own,
    current: [...EXERCISES, ...rows.filter((r) => !r.archived).map(exerciseOf)],
    archived: new Set(rows.filter((r) => r.archived).map((r) => OWN_EXERCISE_PREFIX + r.id)),
  };
}

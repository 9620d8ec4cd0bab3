import type { ExerciseDefinition, FILE_VERSION } from '@yandle/core';
import type { Versioned } from './test-catalogue.js';

/** Own exercises have ids of their own kind, so that they can never be taken for one of the catalogue. */
export const OWN_EXERCISE_PREFIX = 'own-';

export type OwnExerciseBody = ExerciseDefinition & Versioned & { readonly archived: boolean };

export interface OwnExercise extends ExerciseDefinition {
  readonly id: string;
  readonly version: number;
  readonly archived: boolean;
}

/** Most favourites of a coach, and how many are shown of what was used lately. */
export const FAVOURITES_MOST = 200;
export const RECENT_MOST = 24;

/** What a coach finds at once: ids of exercises, the newest last among the favourites and first among those used. */
export interface MyExercises {
  readonly favourites: readonly string[];
  readonly recent: readonly string[];
}

export interface FavouriteBody {
  readonly favourite: boolean;
}

/** What an own exercise was before an edit. Newest first. */
export interface ExerciseVersion {
  readonly version: number;
  readonly at: string;
  readonly definition: ExerciseDefinition;
}

/** The file that own exercises travel in. */
export interface ExerciseFile {
  readonly format: 'yandle-exercises';
  readonly formatVersion: typeof FILE_VERSION;
  readonly exercises: readonly ExerciseDefinition[];
}

/** What an import made of a file. */
export interface ExerciseImport {
  readonly added: number;
  /** Already there with the same content. */
  readonly same: number;
}

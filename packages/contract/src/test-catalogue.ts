import type { OwnTestDefinition, Source } from '@yandle/core';

/** Own tests have ids of their own kind, so that they can never be taken for one of the catalogue. */
export const OWN_TEST_PREFIX = 'own-';

/** Writes carry the version they started from; null creates. */
export interface Versioned {
  readonly version: number | null;
}

export type OwnTestBody = OwnTestDefinition & Versioned & { readonly archived: boolean };

export interface OwnTest extends OwnTestDefinition {
  /** Id of the row; the test's own id is this with {@link OWN_TEST_PREFIX} before it. */
  readonly id: string;
  readonly version: number;
  readonly archived: boolean;
  /** Results exist: what a number means can no longer change. */
  readonly used: boolean;
}

export interface OwnBatteryBody extends Versioned {
  readonly name: string;
  readonly about: string;
  readonly testIds: readonly string[];
  readonly archived: boolean;
}

export interface OwnBattery extends Omit<OwnBatteryBody, 'version'> {
  readonly id: string;
  readonly version: number;
}

/** `days`: one tester on two days. `testers`: two testers, or two instruments, on one day. */
export const STUDY_KINDS = ['days', 'testers'] as const;
export type StudyKind = (typeof STUDY_KINDS)[number];

/** Clients measured twice, for a coach's own error. Values in the unit of the test; null where one is missing. */
export interface StudyBody extends Versioned {
  readonly testId: string;
  readonly name: string;
  readonly kind: StudyKind;
  /** Names of the two measurements: "Monday", "Thursday"; or of the two testers. */
  readonly columns: readonly [string, string];
  readonly rows: readonly {
    readonly label: string;
    readonly first: number | null;
    readonly second: number | null;
  }[];
}

export interface Study extends Omit<StudyBody, 'version'> {
  readonly id: string;
  readonly version: number;
  readonly coachId: string;
  readonly coachName: string;
}

/** An error adopted for what the signed-in coach measures: from a study, or stated with its source. */
export interface AdoptErrorBody {
  readonly id: string;
  readonly testId: string;
  readonly sem: number;
  /** Interval of the SEM and clients behind it; null when stated. */
  readonly low: number | null;
  readonly high: number | null;
  readonly clients: number | null;
  readonly source: Source;
  readonly studyId: string | null;
}

export interface OwnError extends AdoptErrorBody {
  readonly coachId: string;
  readonly coachName: string;
  /** Day it was adopted. */
  readonly since: string;
}

/** What a studio adds to the catalogue. */
export interface TestCatalogueView {
  readonly ownTests: readonly OwnTest[];
  readonly batteries: readonly OwnBattery[];
  /** Those that stand; earlier ones are kept but no longer used. */
  readonly errors: readonly OwnError[];
}

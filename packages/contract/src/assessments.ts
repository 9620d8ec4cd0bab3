import type { Side, SymptomId } from '@yandle/core';

export interface CreateAssessmentBody {
  readonly id: string;
  readonly date: string;
  /** Client's clock, `09:40`. */
  readonly time: string;
  readonly warm: boolean;
  readonly note: string;
  /** Tests of the assessment, in the order in which they are taken. */
  readonly battery: readonly string[];
}

/** The conditions of an assessment entered anew: they stand from now on, what stood before is kept. */
export type AssessmentConditionsBody = Pick<CreateAssessmentBody, 'date' | 'time' | 'warm' | 'note'>;

/** Takes an assessment back, or brings it back. */
export interface RemovedBody {
  readonly removed: boolean;
}

/** Takes a reading back with all it has replaced, or brings it back. */
export interface WithdrawnBody {
  readonly withdrawn: boolean;
}

/** An assessment that was taken back. */
export interface RemovedAssessment {
  readonly id: string;
  readonly date: string;
  readonly time: string;
  /** Tests of which it has readings. */
  readonly tests: number;
  /** Day it was taken back. */
  readonly removedOn: string;
}

/** One reading. A correction is a new reading that names the one it replaces; the earlier value is kept. */
export interface ReadingBody {
  readonly testId: string;
  readonly side: Side | null;
  readonly value: number;
  readonly instrument: string;
  readonly replaces: string | null;
  /** Body state of this reading when it differs from the assessment's; null as the assessment. */
  readonly warm: boolean | null;
  /** Who took this reading when not the assessment's tester; null as the assessment. */
  readonly testerId: string | null;
  /** The last value was shown before it was taken: it was not read blind. */
  readonly seen: boolean;
}

export interface Reading extends ReadingBody {
  readonly id: string;
  /** Id of the reading that corrected this one; null when it stands. */
  readonly replacedBy: string | null;
}

/** `skipped`: not taken today. `stopped`: ended by pain or a symptom. `resumed`: the entry before was a slip. */
export const TEST_EVENT_KINDS = ['skipped', 'stopped', 'resumed'] as const;
export type TestEventKind = (typeof TEST_EVENT_KINDS)[number];

/** Something that happened to a test of an assessment. The newest of a test stands. */
export interface TestEventBody {
  readonly testId: string;
  readonly kind: TestEventKind;
  readonly side: Side | null;
  /** What was felt; only when stopped. */
  readonly symptom: SymptomId | null;
  readonly reason: string;
}

export interface TestEvent extends TestEventBody {
  readonly id: string;
}

/** The nine items of the Beighton score in the order of the catalogue; null for not looked at. */
export interface BeightonBody {
  readonly items: readonly (boolean | null)[];
}

/** A picture that a coach attached to a test of an assessment. */
export interface AttachedPicture {
  readonly id: string;
  readonly testId: string;
  readonly side: Side | null;
}

export interface Assessment {
  readonly id: string;
  readonly clientId: string;
  readonly date: string;
  readonly time: string;
  readonly warm: boolean;
  readonly testerId: string;
  readonly testerName: string;
  readonly note: string;
  readonly battery: readonly string[];
  /** Hours since the client's last logged session before this assessment; null when there was none in the week before. */
  readonly hoursSinceSession: number | null;
  /** In the order taken, corrected ones included. */
  readonly readings: readonly Reading[];
  /** In the order entered. */
  readonly events: readonly TestEvent[];
  /** As entered last; null when not looked at. */
  readonly beighton: readonly (boolean | null)[] | null;
  readonly pictures: readonly AttachedPicture[];
}

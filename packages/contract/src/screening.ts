import type { About, Answers, Caution, Consenter, DisplayUnits, LiftCode, QuestionId, Screening } from '@yandle/core';

/** One asking: the answers, and what is known besides. Kept for good; a newer one takes its place. */
export interface IntakeBody {
  /** Day it was asked. */
  readonly askedOn: string;
  readonly answers: Answers;
  readonly about: About;
  /** That the client agrees to the answers being kept; only where that is not on record yet. */
  readonly consent?: ConsentBody;
}

/** A client, or under 18 a guardian, agrees to health answers being kept. */
export interface ConsentBody {
  /** Of the text agreed to (`CONSENT_VERSION`). */
  readonly version: number;
  readonly by: Consenter;
  /** Of who agrees. */
  readonly name: string;
}

export interface Consent extends ConsentBody {
  readonly at: string;
  /** The coach who wrote it down; null when it came by the client's own link. */
  readonly recordedBy: string | null;
}

/** Takes the answer to a question out of every asking, for good. */
export interface EraseAnswerBody {
  readonly question: QuestionId;
}

export interface Intake extends Omit<IntakeBody, 'consent'> {
  readonly id: string;
  /** Who filled it in: a coach's name, or null for the client. */
  readonly by: string | null;
  readonly at: string;
}

/** A licensed professional has agreed (or, under 18, a guardian). */
export interface ClearanceBody {
  readonly cautionId: Caution['id'];
  /** Name and profession. */
  readonly who: string;
  readonly on: string;
  readonly note: string;
  /** Limits that it lifts by name (`liftsIn`); a clearance by itself lifts none. */
  readonly lifts: readonly LiftCode[];
}

export interface Clearance extends ClearanceBody {
  readonly id: string;
  /** Day from which it no longer counts. */
  readonly ends: string;
  readonly recordedBy: string;
  /** When it was taken back; null while it stands. */
  readonly withdrawnAt: string | null;
}

/** A link with which the client fills in the intake alone. The token itself is shown once, when the link is made. */
export interface IntakeLink {
  readonly id: string;
  readonly expiresAt: string;
  readonly usedAt: string | null;
}

export interface ScreeningView extends Screening {
  /** Newest first. */
  readonly intakes: readonly Intake[];
  readonly clearances: readonly Clearance[];
  /** That answers may be kept; null where nobody has agreed, or it was taken back. */
  readonly consent: Consent | null;
  /** When the questions are due again; null when nobody has asked. */
  readonly dueOn: string | null;
  readonly link: IntakeLink | null;
}

/** What a link shows to a client: no more than is needed to answer. */
export interface FillIn {
  readonly firstName: string;
  readonly studio: string;
  /** What height and weight are asked in. */
  readonly units: DisplayUnits;
  readonly askedOn: string;
  readonly age: number;
  /** True where it is on record that answers may be kept. */
  readonly consented: boolean;
}

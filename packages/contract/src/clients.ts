import type { About, Caution, Experience, MuscleGroupId, OpenStopSign, Pacing, Sex, Weekday } from '@yandle/core';

/**
 * What the questions before planning came to. `open`: not asked yet. `clear`: nothing speaks against it.
 * `refer`: doctor or physiotherapist first. `cleared`: that professional has agreed; the note says who and when.
 */
export const SCREENING_STATES = ['open', 'clear', 'refer', 'cleared'] as const;
export type ScreeningState = (typeof SCREENING_STATES)[number];

/** What a coach writes down of a client. */
export interface ClientBody {
  readonly name: string;
  readonly birthDate: string;
  /** For reference tables only; null when not said. */
  readonly sex: Sex | null;
  /** What the client wants, in their own words. */
  readonly aim: string;
  readonly experience: Experience;
  readonly trainingDays: readonly Weekday[];
  readonly minutesPerSession: number;
  /** Groups with a caution: sensation never above 4 there. */
  readonly gentleGroups: readonly MuscleGroupId[];
  readonly screening: ScreeningState;
  readonly screeningNote: string;
  readonly notes: string;
  readonly leadCoachId: string;
}

export interface CreateClientBody extends ClientBody {
  /** Made by the sender, so that sending twice creates once. */
  readonly id: string;
}

export interface UpdateClientBody extends ClientBody {
  /** Version the edit started from. */
  readonly version: number;
}

export interface Client extends ClientBody {
  readonly id: string;
  /** How quick the changes of their sessions are. */
  readonly pacing: Pacing;
  readonly version: number;
  readonly age: number;
  readonly archivedAt: string | null;
}

/** A line of the client list. */
export interface ClientListItem {
  readonly id: string;
  readonly name: string;
  readonly age: number;
  readonly aim: string;
  readonly leadCoachId: string;
  readonly screening: ScreeningState;
  readonly archived: boolean;
  readonly lastAssessment: string | null;
  readonly nextSession: string | null;
  readonly blockWeek: { readonly week: number; readonly of: number } | null;
}

export interface Page<T> {
  readonly items: readonly T[];
  /** Send as `cursor` to get the next page; null on the last. */
  readonly nextCursor: string | null;
}

/** State of each step of a client's path. */
export interface ClientPath {
  readonly client: Client;
  readonly lastAssessment: string | null;
  readonly assessments: number;
  readonly block: { readonly id: string; readonly week: number; readonly of: number; readonly endDate: string } | null;
  readonly nextSession: { readonly id: string; readonly date: string } | null;
  readonly nextRetest: string | null;
  /** What stands now; a plan keeps to all of them. */
  readonly cautions: readonly Caution[];
  /** Stop signs that no coach has cleared: what they hold is not put into a new session. */
  readonly openSigns: readonly OpenStopSign[];
  /** From the latest asking; null when nobody has asked. */
  readonly about: About | null;
  /** When the questions are due again; null when nobody has asked. */
  readonly rescreenOn: string | null;
}

/** Whose clients are meant: the coach's own with those of whom they stand in for, or everybody's. */
export const WHOSE = ['mine', 'all'] as const;
export type Whose = (typeof WHOSE)[number];

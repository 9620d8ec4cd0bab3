import type { BodyRegionId, HabitId, MuscleGroupId } from '@yandle/core';
import type { Versioned } from './test-catalogue.js';

/** A result a client wants to reach. */
export interface GoalBody {
  readonly testId: string;
  /** In the unit of the test. */
  readonly value: number;
  /** By when; null when it does not matter. */
  readonly due: string | null;
  /** In the client's words: "touch my toes". */
  readonly words: string;
}

export interface Goal extends GoalBody {
  readonly id: string;
  readonly setOn: string;
  /** Day it was given up or reached; null while it stands. */
  readonly endedOn: string | null;
}

export const SELF_REPORT_KINDS = ['complaint', 'stiffness'] as const;
export type SelfReportKind = (typeof SELF_REPORT_KINDS)[number];
/** When it was asked: for the day or week as a whole, or around a session. */
export const SELF_REPORT_MOMENTS = ['day', 'before session', 'after session'] as const;
export type SelfReportMoment = (typeof SELF_REPORT_MOMENTS)[number];

/** What a client says of a region, 0 nothing to 10 worst. Never changed; a newer one takes its place. */
export interface SelfReportBody {
  readonly date: string;
  readonly region: BodyRegionId;
  readonly kind: SelfReportKind;
  readonly moment: SelfReportMoment;
  readonly score: number;
  /** What a complaint comes with. */
  readonly habits: readonly HabitId[];
}

export interface SelfReport extends SelfReportBody {
  readonly id: string;
}

/** What coach and client decide about the order of the muscle groups. */
export interface PrioritiesBody extends Versioned {
  readonly interests: readonly { readonly group: MuscleGroupId; readonly coach: number; readonly client: number }[];
  readonly pinned: readonly MuscleGroupId[];
  readonly excluded: readonly { readonly group: MuscleGroupId; readonly reason: string }[];
  /** Order set by hand; empty for the order of the scores. Groups not named follow in that order. */
  readonly order: readonly MuscleGroupId[];
  /** The two tests of the weekly quick check; empty for none. */
  readonly quickCheck: readonly string[];
}

export interface PrioritiesView {
  readonly priorities: Omit<PrioritiesBody, 'version'> & { readonly version: number | null };
  readonly goals: readonly Goal[];
  /** Newest first. */
  readonly selfReports: readonly SelfReport[];
}

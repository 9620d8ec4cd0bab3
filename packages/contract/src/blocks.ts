import type {
  BlockDraft,
  ClientPlace,
  HandList,
  PlanFacts,
  PreferredTime,
  WantedGroup,
  LeftOutFact,
  LimitFact,
  MuscleGroupId,
  NeededTurn,
  PlanBasis,
  PlanMeasured,
  PlannedWeek,
  Shortage,
} from '@yandle/core';

/** What a coach chooses of a block. The plan itself is computed from it. */
export type BlockBody = BlockDraft;

export interface CreateBlockBody extends BlockBody {
  readonly id: string;
  /** Why, in the coach's words; kept with the revision. */
  readonly reason: string;
}

export interface UpdateBlockBody extends BlockBody {
  readonly version: number;
  /** True to plan it anew from what is known now; else it is planned from what it was published from. */
  readonly renew?: boolean;
  readonly reason: string;
}

/** A lane as it was published. */
export interface Lane {
  readonly id: string;
  readonly group: MuscleGroupId;
  readonly styleId: string;
  readonly limitReasons: readonly LimitFact[];
  readonly leftOut: readonly LeftOutFact[];
  readonly weeks: readonly PlannedWeek[];
}

export interface Block {
  readonly id: string;
  readonly clientId: string;
  readonly version: number;
  /** Number of the published revision, from 1. */
  readonly revision: number;
  /** What the coach chose for it. */
  readonly choices: BlockBody;
  /** What it was planned from besides; null for one from before it was kept. */
  readonly basis: PlanBasis | null;
  readonly startDate: string;
  readonly endDate: string;
  readonly weeks: number;
  readonly lanes: readonly Lane[];
  readonly retests: readonly { readonly week: number; readonly date: string }[];
  /** What minutes, days, places or exercises could not serve. */
  readonly shortages: readonly Shortage[];
  /** First week that may still be changed: 1 until something has been done, then the week after the running one. */
  readonly changeableFrom: number;
  readonly endedAt: string | null;
}

/** A published state in the list of them, newest first. */
export interface RevisionSummary {
  readonly number: number;
  readonly reason: string;
  readonly at: string;
  readonly coachName: string;
  readonly effectiveWeek: number;
  readonly weeks: number;
  readonly lanes: number;
  /** Weekly seconds a side, summed over lanes and weeks. */
  readonly totalDose: number;
}

/** A published state as it was. */
export interface Revision extends RevisionSummary {
  readonly choices: BlockBody;
  readonly laneWeeks: readonly Lane[];
}

/** What a plan depends on besides the coach's choices and the client's record. Computed by the server, so that screen and server agree. */
export interface PlanningView extends PlanMeasured {
  /** Which way the groups that hold two opposite motions are short: exercises that turn that way are proposed first. */
  readonly turns: readonly NeededTurn[];
  /** Where the client stretches. */
  readonly places: readonly ClientPlace[];
  /** Groups that findings, complaints and wishes ask for, in order. */
  readonly wanted: readonly WantedGroup[];
  /** Weeks of the running block of which some, or all, sessions were logged as not done. */
  readonly partWeeks: readonly number[];
  readonly undoneWeeks: readonly number[];
  /** Weeks in which the lanes of a group go steps down after soreness. */
  readonly eased: PlanFacts['eased'];
  /** Sessions of the running block whose list was changed by hand and that a new version would replace. */
  readonly handLists: readonly HandList[];
  /** Times of day that suit them. */
  readonly times: readonly PreferredTime[];
  /** Weekly seconds a side that the client is used to from a block that ended lately, less what the break took. */
  readonly startingDoses: readonly {
    readonly group: MuscleGroupId;
    readonly seconds: number;
    /** Weekly dose of the last full week of the block before, and the weeks without that were taken off. */
    readonly before: number;
    readonly weeksOff: number;
  }[];
}

export interface MoveSessionBody {
  readonly date: string;
}

/** The calendar of a client that other programs may read. */
export interface CalendarLink {
  /** Path of the file on this server; given out once, when it is made. */
  readonly path: string | null;
  readonly madeAt: string | null;
}

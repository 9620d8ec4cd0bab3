import type { DecidedMove, LaneReview, MuscleGroupId, Side } from '@yandle/core';

/** What was decided of a lane for a week. */
export interface LaneDecision {
  readonly move: DecidedMove;
  /** Why, in the coach's words; empty where what was proposed was taken. */
  readonly reason: string;
  readonly coachName: string;
  readonly at: string;
  /** Accepted by itself, because the coach has said so for this client. */
  readonly byItself: boolean;
}

/** What is proposed to decide of a lane. */
export interface LaneProposal {
  readonly move: DecidedMove;
  /** Name of the style that a change brings; null where it is a step of dose. Left out where there is nothing to change to. */
  readonly changeTo?: string | null;
}

/** What a week of a lane came to, a side in seconds or sets. */
export interface LaneWeekDone {
  readonly planned: number;
  /** Null where nothing was logged. */
  readonly done: Readonly<Record<Side, number>> | null;
  readonly inSeconds: boolean;
  /** Sensations that were said in its exercises, and the target they are held against; null where none was said. */
  readonly felt: { readonly highest: number; readonly times: number; readonly target: number } | null;
  /** Days in the last two weeks on which its region was very sore. */
  readonly soreDays: number;
}

/** A lane in the review of a week. */
export interface ReviewedLaneView {
  readonly laneId: string;
  readonly group: MuscleGroupId;
  /** What the record makes of it: the first rule that fits, with its numbers. */
  readonly review: LaneReview;
  readonly proposal: LaneProposal;
  readonly record: LaneWeekDone;
  /** The first full week that a decision changes. */
  readonly shownWeek: number;
  /**
   * What it is by the plan as it stands, and by what is proposed; null where the lane is not done then. Across clients the proposal is not planned:
   * both are the plan as it stands.
   */
  readonly planned: string | null;
  readonly proposed: string | null;
  readonly decision: LaneDecision | null;
}

/** A cell of the plan that a change has made another. */
export interface CellChange {
  readonly group: MuscleGroupId;
  readonly week: number;
  /** In words; null where the lane is not done then. */
  readonly before: string | null;
  readonly after: string | null;
}

/** The review of a client's week. */
export interface WeekReview {
  readonly blockId: string;
  /** Version of the block: a decision is about this one. */
  readonly version: number;
  /** The week that is reviewed, and the first week that decisions change. */
  readonly week: number;
  readonly fromWeek: number;
  /** Plain proposals are accepted for this client at the end of the week, without anybody looking. */
  readonly standing: boolean;
  readonly lanes: readonly ReviewedLaneView[];
  /** Every cell that the decision just taken has changed; empty for a look. */
  readonly changed: readonly CellChange[];
}

/** The review of a client's week among those of a studio. */
export interface ClientReview extends WeekReview {
  readonly clientId: string;
  readonly clientName: string;
}

/** Whether plain proposals are accepted for a client at the end of each week. */
export interface StandingReviewBody {
  readonly standing: boolean;
}

export interface DecideReviewBody {
  readonly version: number;
  readonly week: number;
  readonly decisions: readonly {
    readonly laneId: string;
    /** Null takes a decision back. */
    readonly move: DecidedMove | null;
    readonly reason: string;
  }[];
}

import type { AwayDates, BodyRegionId, ObstacleId } from '@yandle/core';
import type { SelfReportMoment } from './priorities.js';

/** A region and how it feels there, 0 nothing to 10 worst. */
export interface RegionScore {
  readonly region: BodyRegionId;
  readonly score: number;
}

/** What a client says of a week, or around a session. All of it may be left out. Never changed. */
export interface CheckInBody {
  readonly date: string;
  /** `day`: of the week as a whole. */
  readonly moment: SelfReportMoment;
  /** The session it was asked around; null for the week. */
  readonly sessionId: string | null;
  readonly stiffness: readonly RegionScore[];
  readonly complaints: readonly RegionScore[];
  readonly inTheWay: readonly ObstacleId[];
  readonly away: readonly AwayDates[];
  readonly note: string;
}

export interface CheckIn extends CheckInBody {
  readonly id: string;
  /** The days away are in the plan, or were put aside. */
  readonly awaySeen: boolean;
}

/** Puts the days away that a client named into the plan, or aside. */
export interface SeeAwayBody {
  readonly plan: boolean;
}

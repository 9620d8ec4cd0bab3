import type { MuscleGroupId, PlannedWeek } from '@yandle/core';

export interface LaneBody {
  readonly id: string;
  readonly group: MuscleGroupId;
  readonly styleId: string;
  readonly exerciseId: string;
}

/** What a coach chooses of a block. */
export interface BlockBody {
  readonly startDate: string;
  readonly weeks: number;
  /** Largest rise of the weekly dose, 0 to 0.5. */
  readonly ramp: number;
  /** Every how manyth week is easier; null for none. */
  readonly easierEvery: number | null;
  readonly lanes: readonly LaneBody[];
}

export interface CreateBlockBody extends BlockBody {
  readonly id: string;
}

export interface UpdateBlockBody extends BlockBody {
  readonly version: number;
}

export interface Lane extends LaneBody {
  readonly limitReasons: readonly string[];
  readonly weeks: readonly PlannedWeek[];
}

export interface Block {
  readonly id: string;
  readonly clientId: string;
  readonly version: number;
  /** Number of the published revision, from 1. */
  readonly revision: number;
  readonly startDate: string;
  readonly endDate: string;
  readonly weeks: number;
  readonly ramp: number;
  readonly easierEvery: number | null;
  readonly lanes: readonly Lane[];
  readonly retests: readonly { readonly week: number; readonly date: string }[];
  /** False once a session of it has been run: then it is no longer replanned as a whole. */
  readonly replannable: boolean;
  readonly endedAt: string | null;
}

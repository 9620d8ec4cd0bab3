import type { Side } from '@yandle/core';

export interface CreateAssessmentBody {
  readonly id: string;
  readonly date: string;
  /** Client's clock, `09:40`. */
  readonly time: string;
  readonly warm: boolean;
  readonly note: string;
  /** Tests of the visit, in the order in which they are taken. */
  readonly battery: readonly string[];
}

/** One reading. A correction is a new reading that names the one it replaces; the earlier value is kept. */
export interface TrialBody {
  readonly testId: string;
  readonly side: Side | null;
  readonly value: number;
  readonly instrument: string;
  readonly replaces: string | null;
}

export interface Trial extends TrialBody {
  readonly id: string;
  /** Id of the reading that corrected this one; null when it stands. */
  readonly replacedBy: string | null;
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
  /** Hours since the client's last logged session before this visit; null when there was none in the week before. */
  readonly hoursSinceSession: number | null;
  /** In the order taken, corrected ones included. */
  readonly trials: readonly Trial[];
}

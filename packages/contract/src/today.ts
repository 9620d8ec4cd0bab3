import type { AwayDates, BodyRegionId, MuscleGroupId } from '@yandle/core';
import type { SessionSummary, SymptomReport } from './sessions.js';

/** Most sessions of a day that Today holds; one more than these is no reason to hide it, and what is beyond is asked for by day. */
export const TODAY_SHOWN = 12;
export const AHEAD_SHOWN = 6;

/** A session of the days to come, as far as a glance goes. */
export interface AheadSession {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly date: string;
  readonly totalSeconds: number;
}

/** A session of a day, with what is done of it and what it works. */
export type DaySession = SessionSummary & { readonly clientName: string };

/** A day to come that has sessions: the first by name, and how many there are. */
export interface DayAhead {
  readonly date: string;
  readonly count: number;
  readonly sessions: readonly AheadSession[];
}

/** The coach's day, each line with its reason. */
export interface Today {
  readonly date: string;
  /** The first of the day by name, and how many there are. */
  readonly sessions: readonly DaySession[];
  readonly sessionCount: number;
  /** Of the six days to come those with sessions. */
  readonly ahead: readonly DayAhead[];
  /** Retests due up to a week from now, and overdue ones. */
  readonly retests: readonly {
    readonly clientId: string;
    readonly clientName: string;
    readonly date: string;
    readonly week: number;
  }[];
  /** Clients with a weekly quick check whose last assessment is a week ago or more; null when there was none. */
  readonly quickChecks: readonly {
    readonly clientId: string;
    readonly clientName: string;
    readonly last: string | null;
  }[];
  readonly symptoms: readonly SymptomReport[];
  /** Runs from a phone that came too late to be taken at once. */
  readonly lateLogs: readonly { readonly clientId: string; readonly clientName: string; readonly runs: number }[];
  /** Who called a session off because they were unwell, in the last two days. */
  readonly unwell: readonly {
    readonly clientId: string;
    readonly clientName: string;
    readonly sessionId: string;
    readonly date: string;
  }[];
  /** Soreness of 7 and more, said in the last two days. */
  readonly sore: readonly {
    readonly clientId: string;
    readonly clientName: string;
    readonly date: string;
    readonly region: BodyRegionId | null;
    readonly soreness: number;
  }[];
  /** Clients who did nothing of a week that is over, and nobody has reviewed it. */
  readonly missed: readonly { readonly clientId: string; readonly clientName: string; readonly week: number }[];
  /** Clients whose last week is over and not reviewed. */
  readonly reviewsDue: number;
  /** Clients whose results stand still though they practise, with the groups; what was decided since is left out. */
  readonly plateaus: readonly {
    readonly clientId: string;
    readonly clientName: string;
    readonly groups: readonly MuscleGroupId[];
  }[];
  /** Days away that clients named, and nobody has put into the plan or aside. */
  readonly away: readonly {
    readonly clientId: string;
    readonly clientName: string;
    readonly away: readonly AwayDates[];
  }[];
  /** Clients whose planning waits for a licensed professional. */
  readonly clearances: readonly { readonly clientId: string; readonly clientName: string; readonly note: string }[];
  /** Clients with a running block whose health questions have to be answered again before it can be published: new ones, or finer ones. */
  readonly questions: readonly { readonly clientId: string; readonly clientName: string }[];
  /** Clients without a running block. */
  readonly withoutBlock: readonly { readonly clientId: string; readonly clientName: string; readonly reason: string }[];
}

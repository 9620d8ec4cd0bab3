import type { BodyRegionId, DisplayUnits, Exercise } from '@yandle/core';
import type { CheckIn, RegionScore } from './check-in.js';
import type { Soreness, Session, SessionSettings, StartRunBody } from './sessions.js';
import type { SessionItem } from '@yandle/core';

/** A link with which a client sees and logs their sessions on their own phone. */
export interface PhoneLink {
  readonly expiresAt: string;
  readonly usedAt: string | null;
}

/** A fresh link; its token is given out here and never again. It stands behind the `#`, so that no server and no log ever sees it. */
export interface NewPhoneLink {
  readonly token: string;
  readonly expiresAt: string;
}

/** Exchanges a token for a cookie. */
export interface OpenShareBody {
  readonly token: string;
}

/** What a phone sees: no more than its client needs. */
export interface SharedBlock {
  readonly firstName: string;
  readonly studio: string;
  /** What the studio shows lengths and weights in; a phone may still hold a block from before this was said. */
  readonly units?: DisplayUnits;
  readonly today: string;
  /** Sessions from a week back to four weeks ahead, in order. */
  readonly sessions: readonly Session[];
  /** Exercises of the studio's own that occur in them. */
  readonly exercises: readonly Exercise[];
  readonly sorenessEntries: readonly Soreness[];
  /** Regions that the sessions work on, and complaints as they stand: what the client is asked about. Left out by a server from before. */
  readonly regions?: readonly BodyRegionId[];
  readonly complaints?: readonly RegionScore[];
  /** What was said in the last weeks, newest first: nobody is asked twice. */
  readonly checkIns?: readonly Pick<CheckIn, 'date' | 'moment' | 'sessionId'>[];
  /** The week is asked about again. */
  readonly checkInDue?: boolean;
  /** What has changed, in plain words. */
  readonly progress: readonly string[];
  /** Why no session may be done now; null when they may. `refer`: a doctor or physiotherapist first. */
  readonly onHold: 'refer' | null;
}

/** A session as the phone had it, sent along so that a run is not lost when the plan has changed meanwhile. */
export interface SessionSnapshot extends Omit<SessionSettings, 'minutes'> {
  readonly date: string;
  readonly items: readonly SessionItem[];
}

export interface SharedRunBody extends Pick<StartRunBody, 'id' | 'startedAt' | 'wellness'> {
  readonly snapshot: SessionSnapshot;
}

/**
 * Why something from a phone waits for the coach. `link`: its link had ended. `plan`: the session is not in the plan any more. `stop`: a
 * caution or a stop sign spoke against the session when its beginning arrived; it may have been done before that was known.
 */
export const LATE_REASONS = ['link', 'plan', 'stop'] as const;
export type LateReason = (typeof LATE_REASONS)[number];

/** A run that arrived late and waits for the coach. */
export interface LateLog {
  readonly runId: string;
  readonly reason: LateReason;
  readonly receivedAt: string;
  /** Day of the session, when it is known. */
  readonly date: string | null;
  /** False where its beginning never arrived: whoever takes it in says which session it was. */
  readonly started: boolean;
  readonly sets: number;
  readonly seconds: number;
  readonly symptoms: number;
}

export interface DecideLateBody {
  readonly accept: boolean;
  /** The session a run belongs to whose beginning never arrived. */
  readonly sessionId?: string;
}

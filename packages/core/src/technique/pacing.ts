import { briskTimings, type StudioTimings } from './timings.js';

/** Timings set one by one, in place of those they come from. */
export type OwnTimings = Partial<StudioTimings>;

/** How quick the changes of a client's sessions are. */
export interface Pacing {
  /** Practised: changes of position and side are brisk. */
  readonly brisk: boolean;
  readonly own: OwnTimings;
}

/** The same of one session, or of a routine. */
export interface SessionPacing {
  /** Null for as the client has it. */
  readonly brisk: boolean | null;
  readonly own: OwnTimings;
}

/** Timings of a client's sessions, but for the breath. */
export interface ClientPace {
  readonly timings: StudioTimings;
  /** The same without brisk changes; left out where they are not brisk. */
  readonly steady?: StudioTimings;
}

/** True for a pacing that changes nothing. */
export function isAsClient({ brisk, own }: SessionPacing): boolean {
  return brisk === null && Object.keys(own).length === 0;
}

/** A client's timings: the studio's, brisk for a practised one, and in place of both what is the client's own. */
export function clientPace(studio: StudioTimings, { brisk, own }: Pacing): ClientPace {
  const steady = { ...studio, ...own };
  return brisk ? { timings: { ...briskTimings(studio), ...own }, steady } : { timings: steady };
}

/** A session's timings: the client's, brisk or not where the session says so, and in place of all what is the session's own. */
export function pacedTimings({ timings, steady = timings }: ClientPace, pacing: SessionPacing | null): StudioTimings {
  if (pacing === null) return timings;
  const asked = pacing.brisk === null ? timings : pacing.brisk ? briskTimings(timings) : steady;
  return { ...asked, ...pacing.own };
}

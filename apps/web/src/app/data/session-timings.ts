import type { Session } from '@yandle/contract';
import { DEFAULT_TIMINGS, pacedTimings, timingsFor, type Timings } from '@yandle/core';

/** Timings of a session: the client's as the server says them, and what the session itself says. @param breath the client's own, seconds */
export function sessionTimings(
  s: Pick<Session, 'timings' | 'steadyTimings' | 'pacing' | 'breathSeconds'>,
  breath: number | null = s.breathSeconds,
): Timings {
  const { timings = DEFAULT_TIMINGS, steadyTimings: steady = timings } = s;
  return timingsFor(breath, pacedTimings({ timings, steady }, s.pacing ?? null));
}

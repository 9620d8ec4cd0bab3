import type { DecideReviewBody, WeekReview } from '@yandle/contract';
import { sameData } from '@yandle/core';
import { catchError, switchMap, throwError, type Observable } from 'rxjs';
import type { Api } from '../data/api';
import { problemOf } from '../data/problem';

type Seen = Pick<WeekReview, 'version' | 'week' | 'lanes'>;
type Decisions = DecideReviewBody['decisions'];

/** True where each lane that is decided stands as it was seen: nobody has decided it meanwhile, and nothing new speaks about it. */
function standAsSeen(seen: Seen, now: WeekReview | null, decisions: Decisions): now is WeekReview {
  if (now?.week !== seen.week) return false;
  const stated = (r: Seen, id: string) => {
    const lane = r.lanes.find((l) => l.laneId === id);
    return lane && { decision: lane.decision, review: lane.review, move: lane.proposal.move };
  };
  return decisions.every(({ laneId }) => {
    const mine = stated(seen, laneId);
    return mine !== undefined && sameData(mine, stated(now, laneId));
  });
}

/**
 * Decides lanes of a review. Where somebody else was faster, both stand as long as they are about different lanes; what they decided of the same
 * lane is left, and the refusal says so.
 */
export function decideMerged(
  api: Pick<Api, 'review' | 'decideReview'>,
  clientId: string,
  seen: Seen,
  decisions: Decisions,
): Observable<WeekReview | null> {
  const { week } = seen;
  const send = (version: number): Observable<WeekReview | null> =>
    api.decideReview(clientId, { version, week, decisions });
  return send(seen.version).pipe(
    catchError((err: unknown) => {
      if (problemOf(err).code !== 'stale-version') return throwError(() => err);
      return api
        .review(clientId)
        .pipe(switchMap((now) => (standAsSeen(seen, now, decisions) ? send(now.version) : throwError(() => err))));
    }),
  );
}

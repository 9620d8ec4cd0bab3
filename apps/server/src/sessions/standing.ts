import type { RunEntity } from './entities.js';

/** Why a run counts, or does not. */
export type RunState = Pick<RunEntity, 'endedAt' | 'hasWork' | 'withdrawnAt'>;

/** True for a run that counts for something: not taken back, and not finished with nothing in it. */
export function isStanding(run: RunState): boolean {
  return run.withdrawnAt === null && (run.endedAt === null || run.hasWork);
}

/** The same in a query on runs called `r`. */
export const STANDING_SQL = 'r.withdrawn_at IS NULL AND (r.ended_at IS NULL OR r.has_work = 1)';

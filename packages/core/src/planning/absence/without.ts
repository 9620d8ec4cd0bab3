import type { WeekFact } from '../facts.js';
import type { PlannedWeek } from '../plan.js';

const WITHOUT: readonly WeekFact['code'][] = ['missed', 'away', 'set-by-coach'];

/** True for a week in which a lane is not done because the client is not there, or the coach has set none: not for want of room. */
export function isWithout(w: Pick<PlannedWeek, 'kind' | 'reasons'>): boolean {
  return w.kind === 'rest' && w.reasons.some((r) => WITHOUT.includes(r.code));
}

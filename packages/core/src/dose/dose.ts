import { CoreError } from '../errors.js';
import type { Prescription } from '../styles/style.js';

/** Weekly seconds a side below which reviews see less gain: 5 min (Thomas E et al. 2018, Int J Sports Med 39(4):243-254; from memory). */
export const FAVOURED_WEEKLY_SECONDS = 300;

/** Weekly seconds a side at which gains flatten: 10 min (Ingram LA et al. 2025, Sports Med 55(3):597-617; from memory). */
export const FLATTENING_WEEKLY_SECONDS = 600;

/**
 * Refuses a prescription that nobody can do.
 * @throws CoreError `invalid-prescription`
 */
export function assertPrescription(p: Pick<Prescription, 'sets' | 'holdSeconds' | 'sessionsPerWeek'>): void {
  const ok = [p.sets, p.holdSeconds, p.sessionsPerWeek].every((n) => Number.isInteger(n) && n >= 1);
  if (!ok || p.sessionsPerWeek > 7)
    throw new CoreError(
      'invalid-prescription',
      'Sets, seconds and sessions are whole numbers of 1 or more, with at most 7 sessions a week.',
    );
}

/** Time under stretch of one session, seconds per side: sets × hold. Set-up, rests and switches do not count. */
export function sessionDose(p: Pick<Prescription, 'sets' | 'holdSeconds'>): number {
  return p.sets * p.holdSeconds;
}

/**
 * Time under stretch of one week, seconds per side: sets × hold × sessions.
 * @throws CoreError `invalid-prescription`
 * @example weeklyDose({ sets: 2, holdSeconds: 30, sessionsPerWeek: 3 }) // 180
 */
export function weeklyDose(p: Pick<Prescription, 'sets' | 'holdSeconds' | 'sessionsPerWeek'>): number {
  assertPrescription(p);
  return sessionDose(p) * p.sessionsPerWeek;
}

/** What the evidence says about a weekly dose, without blame; null when it lies between the two figures. */
export function doseRemark(secondsPerSide: number): string | null {
  if (secondsPerSide < FAVOURED_WEEKLY_SECONDS)
    return `Below the amount the reviews favour (${FAVOURED_WEEKLY_SECONDS} s a week; Thomas 2018, from memory).`;
  if (secondsPerSide > FLATTENING_WEEKLY_SECONDS)
    return `Above ${FLATTENING_WEEKLY_SECONDS} s a week gains flatten (Ingram 2025, from memory).`;
  return null;
}

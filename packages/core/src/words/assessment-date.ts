import type { PlainDate } from '../schedule/plain-date.js';

/**
 * Why a day cannot be that of an assessment, as it is said at its field; null when it can.
 * @param birthDate null: not known here
 * @example assessmentDateFault('2026-03-10', '2026-03-09', null) // 'An assessment can’t be in the future.'
 */
export function assessmentDateFault(date: PlainDate, today: PlainDate, birthDate: PlainDate | null): string | null {
  if (date > today) return 'An assessment can’t be in the future.';
  if (date !== '' && birthDate !== null && date < birthDate) return 'This is before the client was born.';
  return null;
}

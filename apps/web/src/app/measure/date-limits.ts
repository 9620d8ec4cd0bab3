import type { PlainDate } from '@yandle/core';

/** Why a day cannot be that of an assessment, said at its field; null when it can. */
export function dateFault(date: PlainDate, today: PlainDate, birthDate: PlainDate | null): string | null {
  if (date > today) return 'An assessment can’t be in the future.';
  if (date !== '' && birthDate !== null && date < birthDate) return 'This is before the client was born.';
  return null;
}

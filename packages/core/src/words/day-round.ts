import type { DayRound } from '../schedule/day-rounds.js';

/**
 * A round of a session that is spread over its day.
 * @example dayRoundWords({ no: 2, of: 4 }) // 'round 2 of 4 that day'
 */
export function dayRoundWords({ no, of }: DayRound): string {
  return `round ${no} of ${of} that day`;
}

/** What a session is called: its name or its week, and its round where it is spread over the day: "Desk break, round 2 of 4 that day". */
export function sessionCalled(s: {
  readonly name: string | null;
  readonly week: number | null;
  readonly dayRound?: DayRound;
}): string {
  const name = s.name ?? `week ${s.week}`;
  return s.dayRound ? `${name}, ${dayRoundWords(s.dayRound)}` : name;
}

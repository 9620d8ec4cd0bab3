import type { PlainDate } from './plain-date.js';

/** One of several small sessions of a day that are one session spread over it: counted as one day, logged apart (domain 2.7). */
export interface DayRound {
  /** 1-based. */
  readonly no: number;
  readonly of: number;
}

/** Most small rounds that a session is spread over in a day. Common practice, no source. */
export const MOST_DAY_ROUNDS = 6;

/** A date of a session, with its round where the session is spread over the day. */
export interface RoundDate {
  readonly date: PlainDate;
  /** Left out for a session that is done at once. */
  readonly dayRound?: DayRound;
}

/**
 * Every date as often as a session is spread over its day, in order.
 * @example spreadOver(['2026-03-09'], 2) // [{ date: '2026-03-09', dayRound: { no: 1, of: 2 } }, { date: '2026-03-09', dayRound: { no: 2, of: 2 } }]
 */
export function spreadOver(dates: readonly PlainDate[], of: number): RoundDate[] {
  if (of < 2) return dates.map((date) => ({ date }));
  return dates.flatMap((date) => Array.from({ length: of }, (_, i) => ({ date, dayRound: { no: i + 1, of } })));
}

/** A session by itself, or the rounds of one that is spread over its day. */
export interface DaySession<T> {
  readonly rounds: readonly T[];
}

/** Sessions with the rounds of a day put together: what is spread over a day counts once. Order kept. */
export function asDays<T extends RoundDate & { readonly name: string | null }>(
  sessions: readonly T[],
): DaySession<T>[] {
  const days = new Map<string, T[]>();
  sessions.forEach((s, i) => {
    const key = s.dayRound ? `${s.date}|${s.name}` : String(i);
    days.set(key, [...(days.get(key) ?? []), s]);
  });
  return [...days.values()].map((all) => ({
    rounds: [...all].sort((a, b) => (a.dayRound?.no ?? 0) - (b.dayRound?.no ?? 0)),
  }));
}

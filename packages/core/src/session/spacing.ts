import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { LOADED_GAP_DAYS } from '../styles/style.js';
import { daysBetween, type PlainDate } from '../schedule/plain-date.js';

/** A dated session, as far as spacing goes. */
export interface SpacedSession {
  readonly id: string;
  readonly date: PlainDate;
  /** Groups that are loaded at length in it. */
  readonly loaded: readonly MuscleGroupId[];
}

/** What would break: loaded work of a group too close to that of another session, or a session on the day before a retest. */
export type SpacingFact =
  | { readonly code: 'loaded-too-close'; readonly args: { readonly group: MuscleGroupId; readonly date: PlainDate } }
  | { readonly code: 'before-retest'; readonly args: { readonly date: PlainDate } };

/**
 * What would break when a session moves to another day (domain rule 2.6, 4 and 7): less than 48 h between loaded sessions of a group, or less
 * than 24 h before a retest. Empty when nothing does.
 * @param retests dates on which the client is measured
 */
export function spacingTrouble(
  sessions: readonly SpacedSession[],
  id: string,
  to: PlainDate,
  retests: readonly PlainDate[],
): SpacingFact[] {
  const moved = sessions.find((s) => s.id === id);
  const out: SpacingFact[] = [];
  for (const other of sessions) {
    if (!moved || other.id === id || Math.abs(daysBetween(other.date, to)) >= LOADED_GAP_DAYS) continue;
    for (const group of moved.loaded.filter((g) => other.loaded.includes(g)))
      out.push({ code: 'loaded-too-close', args: { group, date: other.date } });
  }
  for (const r of retests) {
    const days = daysBetween(to, r);
    if (days === 0 || days === 1) out.push({ code: 'before-retest', args: { date: r } });
  }
  return out;
}

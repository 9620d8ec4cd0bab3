import { muscleGroupName, type MuscleGroupId } from '../anatomy/muscle-group.js';
import { LOADED_GAP_DAYS } from '../styles/style.js';
import { daysBetween, formatDate, type PlainDate } from './plain-date.js';

/** A dated session, as far as spacing goes. */
export interface SpacedSession {
  readonly id: string;
  readonly date: PlainDate;
  /** Groups that are loaded at length in it. */
  readonly loaded: readonly MuscleGroupId[];
}

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
): string[] {
  const moved = sessions.find((s) => s.id === id);
  const out: string[] = [];
  for (const other of sessions) {
    if (!moved || other.id === id || Math.abs(daysBetween(other.date, to)) >= LOADED_GAP_DAYS) continue;
    for (const group of moved.loaded.filter((g) => other.loaded.includes(g)))
      out.push(
        `Less than 48 h from the loaded ${muscleGroupName(group).toLowerCase()} of ${formatDate(other.date, 'EEE d MMM')}.`,
      );
  }
  for (const r of retests) {
    const days = daysBetween(to, r);
    if (days === 0 || days === 1)
      out.push(
        `Less than 24 h before the retest of ${formatDate(r, 'EEE d MMM')}: it would not compare with the first.`,
      );
  }
  return out;
}

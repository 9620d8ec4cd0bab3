import { BODY_REGIONS, type BodyRegionId } from '../anatomy/body-region.js';
import { MUSCLE_GROUP_IDS, type MuscleGroupId } from '../anatomy/muscle-group.js';
import { addDays, type PlainDate } from '../schedule/plain-date.js';

/** Soreness from which the lanes of a region rest the next day and a step is taken off (domain 2.8). Common practice, no source. */
export const SORE_RESTS = 7;
/** Whole days after it within which a session is less than 36 h away: the same day and the next. */
const REST_DAYS = 1;

/** How sore a region was on a day; no region is all over. */
export interface SoreEntry {
  readonly date: PlainDate;
  readonly region: BodyRegionId | null;
  readonly soreness: number;
}

/** True for an entry after which its region rests in a session of a date (domain 2.8: within 36 h). */
export function restsOn({ date, soreness }: SoreEntry, session: PlainDate): boolean {
  return soreness >= SORE_RESTS && session >= date && session <= addDays(date, REST_DAYS);
}

/** Groups that rest in a session of a date. */
export function soreGroups(entries: readonly SoreEntry[], session: PlainDate): MuscleGroupId[] {
  const groups = entries
    .filter((e) => restsOn(e, session))
    .flatMap((e): readonly MuscleGroupId[] =>
      e.region === null ? MUSCLE_GROUP_IDS : BODY_REGIONS.find((r) => r.id === e.region)!.groups,
    );
  return [...new Set(groups)];
}

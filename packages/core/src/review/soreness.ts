import { BODY_REGIONS, type BodyRegionId } from '../anatomy/body-region.js';
import { MUSCLE_GROUP_IDS, type MuscleGroupId } from '../anatomy/muscle-group.js';
import type { LaneEased, PlannedWeek } from '../planning/plan.js';
import { weekOn } from '../planning/block-dates.js';
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

/** Groups that an entry is about. */
export const groupsSore = ({ region }: Pick<SoreEntry, 'region'>): readonly MuscleGroupId[] =>
  region === null ? MUSCLE_GROUP_IDS : BODY_REGIONS.find((r) => r.id === region)!.groups;

/** Groups that rest in a session of a date. */
export function soreGroups(entries: readonly SoreEntry[], session: PlainDate): MuscleGroupId[] {
  return [...new Set(entries.filter((e) => restsOn(e, session)).flatMap(groupsSore))];
}

/** Weeks that soreness looks back over. */
const SORE_WEEKS = 2;

/**
 * Steps down that soreness asks of a running block (domain 2.8): one where a region was very sore in the last two weeks, two where it was twice;
 * in the first week that can be changed, and once: a week that has gone down since has taken it.
 * @param lanes as published
 * @param fromWeek first week that can be changed
 */
export function easedAfterSoreness(
  entries: readonly SoreEntry[],
  lanes: readonly { readonly group: MuscleGroupId; readonly weeks: readonly PlannedWeek[] }[],
  startDate: PlainDate,
  fromWeek: number,
): LaneEased[] {
  const recent = entries
    .filter((e) => e.soreness >= SORE_RESTS && e.date >= startDate)
    .map((e) => ({ week: weekOn(startDate, e.date), groups: groupsSore(e) }))
    .filter((e) => e.week >= fromWeek - SORE_WEEKS && e.week < fromWeek);
  return [...new Set(lanes.map((l) => l.group))].flatMap((group) => {
    const taken = Math.max(
      0,
      ...lanes
        .filter((l) => l.group === group)
        .flatMap((l) =>
          l.weeks.filter((w) => w.week < fromWeek && w.reasons.some((r) => r.code === 'eased')).map((w) => w.week),
        ),
    );
    const open = recent.filter((e) => e.groups.includes(group) && e.week >= taken);
    return open.length === 0 ? [] : [{ group, week: fromWeek, steps: open.length > 1 ? (2 as const) : (1 as const) }];
  });
}

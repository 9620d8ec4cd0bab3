import { BODY_REGIONS, type BodyRegionId } from '../anatomy/body-region.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';

/** What a complaint comes with, and the groups that usually answer for it. Common practice, no source. */
export const HABITS = [
  {
    id: 'sitting',
    name: 'Sitting for hours',
    groups: ['hip-flexors', 'hamstrings', 'pectorals', 'thoracic-rotators', 'neck-back'],
  },
  { id: 'screen', name: 'Looking at a screen', groups: ['neck-back', 'upper-trapezius', 'pectorals', 'upper-back'] },
  {
    id: 'running',
    name: 'Running',
    groups: ['calf', 'soleus', 'hamstrings', 'hip-flexors', 'quadriceps', 'plantar-foot'],
  },
  { id: 'cycling', name: 'Cycling', groups: ['hip-flexors', 'quadriceps', 'upper-back', 'neck-back'] },
  { id: 'overhead', name: 'Work overhead', groups: ['lats', 'pectorals', 'upper-trapezius', 'triceps'] },
  { id: 'lifting', name: 'Lifting', groups: ['low-back', 'hamstrings', 'gluteals', 'lateral-trunk'] },
  { id: 'standing', name: 'Standing all day', groups: ['calf', 'soleus', 'plantar-foot', 'low-back'] },
  { id: 'sleep', name: 'Sleeping position', groups: ['neck-side', 'hip-flexors', 'posterior-shoulder'] },
  { id: 'carrying', name: 'Carrying on one side', groups: ['lateral-trunk', 'upper-trapezius', 'neck-side'] },
  { id: 'gripping', name: 'Gripping or typing', groups: ['forearm-flexors', 'forearm-extensors'] },
] as const satisfies readonly { id: string; name: string; groups: readonly MuscleGroupId[] }[];

export type HabitId = (typeof HABITS)[number]['id'];
export const HABIT_IDS: readonly HabitId[] = HABITS.map((h) => h.id);

/** Name of a habit, for screens. */
export function habitName(id: HabitId): string {
  return HABITS.find((h) => h.id === id)!.name;
}

/** A complaint as it stands: 0 nothing to 10 worst, and what it comes with. */
export interface Complaint {
  readonly region: BodyRegionId;
  readonly score: number;
  readonly habits: readonly HabitId[];
}

/** Complaints that go with a group: those of its regions, and those that come with a habit which loads it. A score of 0 is over. */
export function complaintsOf(group: MuscleGroupId, complaints: readonly Complaint[]): Complaint[] {
  const has = (groups: readonly MuscleGroupId[]) => groups.includes(group);
  return complaints.filter(
    (c) =>
      c.score > 0 &&
      (has(BODY_REGIONS.find((r) => r.id === c.region)!.groups) ||
        c.habits.some((id) => has(HABITS.find((h) => h.id === id)!.groups))),
  );
}

/**
 * Whether a complaint score has really changed: by 2 points; for the better also by 30 % of the earlier one. The share was found for pain that
 * gets less; one point more of three is no news.
 * Source: Farrar JT et al. 2001, Pain 94:149-158 (from memory).
 */
export function complaintChange(earlier: number, later: number): 'better' | 'no real change' | 'worse' {
  const less = earlier - later;
  if (less <= -2) return 'worse';
  return less >= 2 || (less > 0 && less / earlier >= 0.3 - 1e-9) ? 'better' : 'no real change';
}

/** An entry of the record: what was said of a region on a day. */
export interface ComplaintEntry extends Complaint {
  readonly date: string;
}

/** A complaint as it stands, and what it was before. */
export interface CurrentComplaint {
  readonly now: ComplaintEntry;
  readonly before: ComplaintEntry | null;
}

/** The newest entry of each region with the one before it. @param entries newest first */
export function currentComplaints(entries: readonly ComplaintEntry[]): CurrentComplaint[] {
  return BODY_REGIONS.flatMap((r) => {
    const [now, before] = entries.filter((e) => e.region === r.id);
    return now ? [{ now, before: before ?? null }] : [];
  });
}

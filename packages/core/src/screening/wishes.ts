import { MUSCLE_GROUP_IDS, type MuscleGroupId } from '../anatomy/muscle-group.js';
import type { PlainDate } from '../schedule/plain-date.js';
import type { Interest } from '../measuring/findings/findings.js';
import { complaintsOf, currentComplaints, type Complaint, type ComplaintEntry } from './complaints.js';

/** What coach and client want and say, besides what is measured. */
export interface Wishes {
  readonly priorities: {
    readonly interests: readonly { readonly group: MuscleGroupId; readonly coach: number; readonly client: number }[];
  };
  readonly goals: readonly { readonly testId: string; readonly value: number; readonly endedOn: PlainDate | null }[];
  readonly selfReports: readonly (ComplaintEntry & { readonly kind: string })[];
}

/** Goals that stand, by test, in its unit. */
export function goalsOf({ goals }: Pick<Wishes, 'goals'>): Map<string, number> {
  return new Map(goals.filter((g) => g.endedOn === null).map((g) => [g.testId, g.value]));
}

/** Complaints that count now. */
export function complaintsIn({ selfReports }: Pick<Wishes, 'selfReports'>): Complaint[] {
  return currentComplaints(selfReports.filter((f) => f.kind === 'complaint')).map((c) => c.now);
}

/** What coach and client add to the numbers, by group. */
export function interestsOf(wishes: Wishes): Partial<Record<MuscleGroupId, Interest>> {
  const complaints = complaintsIn(wishes);
  return Object.fromEntries(
    MUSCLE_GROUP_IDS.map((group): [MuscleGroupId, Interest] => {
      const { coach, client } = wishes.priorities.interests.find((i) => i.group === group) ?? { coach: 0, client: 0 };
      return [group, { coach, client, complaint: complaintsOf(group, complaints).length > 0 }];
    }),
  );
}

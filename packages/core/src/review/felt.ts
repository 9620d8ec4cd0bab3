import { BODY_REGION_IDS, type BodyRegionId } from '../anatomy/body-region.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import type { TestLimit } from '../catalogue/rom-test.js';
import { HEAVY_WEIGHT } from '../measuring/tighter-side.js';
import type { PlainDate } from '../schedule/plain-date.js';
import { complaintChange } from '../screening/complaints.js';

/** What a client said of a region, 0 nothing to 10 worst. */
export interface FeltEntry {
  readonly date: PlainDate;
  readonly region: BodyRegionId;
  readonly kind: 'complaint' | 'stiffness';
  readonly moment: 'day' | 'before session' | 'after session';
  readonly score: number;
}

/** How a complaint or a stiffness has gone, from the first time it was said to the last. */
export interface FeltCourse {
  readonly region: BodyRegionId;
  readonly kind: FeltEntry['kind'];
  readonly first: { readonly date: PlainDate; readonly score: number };
  readonly now: { readonly date: PlainDate; readonly score: number };
  /** Null where it was said once. */
  readonly change: ReturnType<typeof complaintChange> | null;
}

/** A side that felt tighter in an exercise of a group. */
export interface TighterFelt {
  readonly date: PlainDate;
  readonly group: MuscleGroupId;
  readonly side: Side;
}

/**
 * How often each side felt tighter in stretches of what limits a test, groups that limit it by less than half left out; null for never. It stands
 * beside the test and triggers nothing (domain 2.2).
 */
export function feltBeside(
  limits: readonly Pick<TestLimit, 'group' | 'weight'>[],
  felt: readonly TighterFelt[],
): Readonly<Record<Side, number>> | null {
  const groups = limits.filter((l) => l.weight >= HEAVY_WEIGHT).map((l) => l.group);
  const own = felt.filter((f) => groups.includes(f.group));
  const times = (side: Side): number => own.filter((f) => f.side === side).length;
  return own.length === 0 ? null : { left: times('left'), right: times('right') };
}

/** Stiffness just before and after sessions, on average. */
export interface Relief {
  readonly region: BodyRegionId;
  readonly sessions: number;
  readonly before: number;
  readonly after: number;
}

/** Courses of what was said of days as a whole, complaints first, in the order of the body. A real change is 2 points, or 30 % less (Farrar 2001). */
export function feltCourses(entries: readonly FeltEntry[]): FeltCourse[] {
  return (['complaint', 'stiffness'] as const).flatMap((kind) =>
    BODY_REGION_IDS.flatMap((region): FeltCourse[] => {
      const own = entries
        .filter((e) => e.kind === kind && e.region === region && e.moment === 'day')
        .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
      const [first, now] = [own[0], own.at(-1)];
      if (!first || !now) return [];
      const change = first.date === now.date ? null : complaintChange(first.score, now.score);
      return [
        {
          region,
          kind,
          first: { date: first.date, score: first.score },
          now: { date: now.date, score: now.score },
          change,
        },
      ];
    }),
  );
}

/** What sessions did to stiffness: regions that were said both before and after on one day. */
export function reliefOf(entries: readonly FeltEntry[]): Relief[] {
  const stiff = entries.filter((e) => e.kind === 'stiffness');
  return BODY_REGION_IDS.flatMap((region): Relief[] => {
    const own = stiff.filter((e) => e.region === region);
    const pairs = own.flatMap((b) => {
      if (b.moment !== 'before session') return [];
      const after = own.find((a) => a.moment === 'after session' && a.date === b.date);
      return after ? [{ before: b.score, after: after.score }] : [];
    });
    if (pairs.length === 0) return [];
    const mean = (of: 'before' | 'after'): number => pairs.reduce((sum, p) => sum + p[of], 0) / pairs.length;
    return [{ region, sessions: pairs.length, before: mean('before'), after: mean('after') }];
  });
}

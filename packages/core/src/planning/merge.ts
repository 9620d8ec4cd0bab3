import { muscleGroupName } from '../anatomy/muscle-group.js';
import { prescriptionWords } from '../words/prescription.js';
import type { BlockDraft, LaneDraft } from './draft.js';
import type { LockedCell } from './plan.js';

/** Something that two coaches changed at the same time, each in another way. */
export interface Clash {
  readonly key: string;
  readonly what: string;
  readonly mine: string;
  readonly theirs: string;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

const SETTINGS = [
  ['startDate', 'Start'],
  ['weeks', 'Weeks'],
  ['ramp', 'Ramp'],
  ['easierEvery', 'Easier week'],
  ['easierWeeks', 'Easier weeks by hand'],
  ['missedWeeks', 'Missed weeks'],
  ['away', 'Away'],
  ['lanesPerSession', 'Lanes in a session'],
  ['smallestPlate', 'Smallest plate'],
] as const;

const LANE_PARTS = [
  ['styleId', 'style'],
  ['laterStyles', 'later styles'],
  ['fromWeek', 'first week'],
  ['untilWeek', 'last week'],
  ['startingDose', 'startingDose'],
  ['loadUnit', 'load'],
  ['exercises', 'exercises'],
] as const;

function say(value: unknown): string {
  if (value === null || value === undefined) return 'none';
  return typeof value === 'string' ? value : JSON.stringify(value);
}

const lockOf = (l: LaneDraft | undefined, week: number): LockedCell | null =>
  l?.locked.find((k) => k.week === week) ?? null;
const lockWords = (k: LockedCell | null): string => (k ? prescriptionWords(k.prescription) : 'as the plan sets it');

/**
 * Two drafts that grew out of one: everything only one of them changed is taken over; what both changed in different ways is a clash, decided
 * by `choose` (mine until it is asked).
 * @param base what both began with
 */
export function mergeDrafts(
  base: BlockDraft,
  mine: BlockDraft,
  theirs: BlockDraft,
  choose: (key: string) => 'mine' | 'theirs' = () => 'mine',
): { readonly draft: BlockDraft; readonly clashes: readonly Clash[] } {
  const clashes: Clash[] = [];
  const pick = <T>(key: string, what: string, b: T, m: T, t: T, words: (v: T) => string = say): T => {
    if (same(m, t) || same(t, b)) return m;
    if (same(m, b)) return t;
    clashes.push({ key, what, mine: words(m), theirs: words(t) });
    return choose(key) === 'mine' ? m : t;
  };
  const settings = Object.fromEntries(
    SETTINGS.map(([key, what]) => [key, pick(key, what, base[key] as unknown, mine[key], theirs[key])]),
  ) as unknown as Omit<BlockDraft, 'lanes'>;

  const ids = [...new Set([...mine.lanes, ...theirs.lanes].map((l) => l.id))];
  const lanes = ids.flatMap((id): LaneDraft[] => {
    const [b, m, t] = [base, mine, theirs].map((d) => d.lanes.find((l) => l.id === id));
    if (!m || !t) {
      // Only one has the lane: added by one, or taken out by the other.
      const only = (m ?? t)!;
      if (!b) return [only];
      if (same(only, b)) return [];
      const keep = pick<LaneDraft | null>(`${id}.lane`, muscleGroupName(only.group), b, m ?? null, t ?? null, (l) =>
        l ? 'kept and changed' : 'taken out',
      );
      return keep ? [keep] : [];
    }
    const name = muscleGroupName(m.group);
    const from = b ?? m;
    const parts = Object.fromEntries(
      LANE_PARTS.map(([key, what]) => [
        key,
        pick(`${id}.${key}`, `${name}, ${what}`, from[key] as unknown, m[key], t[key]),
      ]),
    ) as unknown as Partial<LaneDraft>;
    const weeks = [...new Set([...m.locked, ...t.locked, ...from.locked].map((k) => k.week))].sort((x, y) => x - y);
    const locked = weeks.flatMap((week) => {
      const kept = pick(
        `${id}.week${week}`,
        `${name}, week ${week}`,
        lockOf(from, week),
        lockOf(m, week),
        lockOf(t, week),
        lockWords,
      );
      return kept ? [kept] : [];
    });
    return [{ ...m, ...parts, locked }];
  });
  return { draft: { ...settings, lanes }, clashes };
}

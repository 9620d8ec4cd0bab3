import { sameData } from '../../math/same-data.js';
import { type MuscleGroupId } from '../../anatomy/muscle-group.js';
import type { BlockDraft, LaneDraft } from '../draft.js';
import type { LockedCell } from '../plan.js';

/** What a clash is about: a setting of the block, a lane as a whole, a part of it, or one of its weeks. */
export type ClashSubject =
  | { readonly kind: 'setting'; readonly setting: Setting }
  | { readonly kind: 'lane-order' }
  | { readonly kind: 'lane'; readonly group: MuscleGroupId }
  | { readonly kind: 'lane-part'; readonly group: MuscleGroupId; readonly part: LanePart }
  | { readonly kind: 'week'; readonly group: MuscleGroupId; readonly week: number };

/** A side of a clash: a value, a lane that is kept or removed, a cell set by hand or by the plan. */
export type ClashValue =
  | { readonly kind: 'value'; readonly value: unknown }
  | { readonly kind: 'lane'; readonly kept: boolean }
  | { readonly kind: 'order'; readonly groups: readonly MuscleGroupId[] }
  | { readonly kind: 'cell'; readonly cell: LockedCell | null };

/** Something that two coaches changed at the same time, each in another way. */
export interface Clash {
  readonly key: string;
  readonly what: ClashSubject;
  readonly mine: ClashValue;
  readonly theirs: ClashValue;
}

const SETTINGS = [
  'startDate',
  'weeks',
  'ramp',
  'easierEvery',
  'easierWeeks',
  'missedWeeks',
  'away',
  'lanesPerSession',
  'dayPlans',
  'smallestPlate',
] as const satisfies readonly (keyof BlockDraft)[];
export type Setting = (typeof SETTINGS)[number];

const LANE_PARTS = [
  'styleId',
  'laterStyles',
  'fromWeek',
  'untilWeek',
  'startingDose',
  'loadUnit',
  'startLoad',
  'startHelp',
  'loadMax',
  'phaseWeeks',
  'exercises',
] as const satisfies readonly (keyof LaneDraft)[];
export type LanePart = (typeof LANE_PARTS)[number];

const asValue = (value: unknown): ClashValue => ({ kind: 'value', value });
const asCell = (cell: LockedCell | null): ClashValue => ({ kind: 'cell', cell });
const asLane = (lane: LaneDraft | null): ClashValue => ({ kind: 'lane', kept: lane !== null });

const lockOf = (l: LaneDraft | undefined, week: number): LockedCell | null =>
  l?.locked.find((k) => k.week === week) ?? null;

/** Order of some lanes in a draft, by id: the one thing about lanes that no lane tells. */
function orderOf(draft: BlockDraft, ids: readonly string[]): readonly string[] {
  return draft.lanes.filter((l) => ids.includes(l.id)).map((l) => l.id);
}

/** Lanes in an order of ids; those that it does not name stand behind the lane that they stood behind. */
function inOrder(
  lanes: readonly LaneDraft[],
  order: readonly string[],
  drafts: readonly BlockDraft[],
): readonly LaneDraft[] {
  const out = order.flatMap((id) => lanes.find((l) => l.id === id) ?? []);
  for (const lane of lanes.filter((l) => !order.includes(l.id))) {
    const from = drafts.find((d) => d.lanes.some((l) => l.id === lane.id))!;
    const before = from.lanes
      .slice(
        0,
        from.lanes.findIndex((l) => l.id === lane.id),
      )
      .reverse();
    const behind = before.find((b) => out.some((o) => o.id === b.id));
    const at = behind ? out.findIndex((o) => o.id === behind.id) + 1 : before.length === 0 ? 0 : out.length;
    out.splice(at, 0, lane);
  }
  return out;
}

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
  const pick = <T>(
    key: string,
    what: ClashSubject,
    [b, m, t]: readonly [base: T, mine: T, theirs: T],
    say: (v: T) => ClashValue = asValue,
  ): T => {
    if (sameData(m, t) || sameData(t, b)) return m;
    if (sameData(m, b)) return t;
    clashes.push({ key, what, mine: say(m), theirs: say(t) });
    return choose(key) === 'mine' ? m : t;
  };
  const settings = Object.fromEntries(
    SETTINGS.map((setting) => [
      setting,
      pick<unknown>(setting, { kind: 'setting', setting }, [base[setting], mine[setting], theirs[setting]]),
    ]),
  ) as unknown as Omit<BlockDraft, 'lanes'>;

  const ids = [...new Set([...mine.lanes, ...theirs.lanes].map((l) => l.id))];
  const lanes = ids.flatMap((id): LaneDraft[] => {
    const [b, m, t] = [base, mine, theirs].map((d) => d.lanes.find((l) => l.id === id));
    if (!m || !t) {
      // Only one has the lane: added by one, or taken out by the other.
      const only = (m ?? t)!;
      if (!b) return [only];
      if (sameData(only, b)) return [];
      const about: ClashSubject = { kind: 'lane', group: only.group };
      const keep = pick<LaneDraft | null>(`${id}.lane`, about, [b, m ?? null, t ?? null], asLane);
      return keep ? [keep] : [];
    }
    const { group } = m;
    const from = b ?? m;
    const parts = Object.fromEntries(
      LANE_PARTS.map((part) => [
        part,
        pick<unknown>(`${id}.${part}`, { kind: 'lane-part', group, part }, [from[part], m[part], t[part]]),
      ]),
    ) as unknown as Partial<LaneDraft>;
    const weeks = [...new Set([...m.locked, ...t.locked, ...from.locked].map((k) => k.week))].sort((x, y) => x - y);
    const locked = weeks.flatMap((week) => {
      const kept = pick(
        `${id}.week${week}`,
        { kind: 'week', group, week },
        [lockOf(from, week), lockOf(m, week), lockOf(t, week)],
        asCell,
      );
      return kept ? [kept] : [];
    });
    return [{ ...m, ...parts, locked }];
  });
  const common = lanes
    .map((l) => l.id)
    .filter((id) => [base, mine, theirs].every((d) => d.lanes.some((l) => l.id === id)));
  const asOrder = (order: readonly string[]): ClashValue => ({
    kind: 'order',
    groups: order.flatMap((id) => lanes.find((l) => l.id === id)?.group ?? []),
  });
  const place = pick<readonly string[]>(
    'lane-order',
    { kind: 'lane-order' },
    [orderOf(base, common), orderOf(mine, common), orderOf(theirs, common)],
    asOrder,
  );
  // A lane that only one of them has stands behind the one that it stood behind.
  const ordered = inOrder(lanes, place, [mine, theirs]);
  return { draft: { ...settings, lanes: ordered }, clashes };
}

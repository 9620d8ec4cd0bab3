import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import type { GroupFinding } from './findings.js';

/** What coach and client decide about the order. */
export interface OrderDecisions {
  /** Come first, in this order. */
  readonly pinned: readonly MuscleGroupId[];
  readonly excluded: readonly { readonly group: MuscleGroupId; readonly reason: string }[];
  /** Order by hand; groups not named follow by their score. */
  readonly order: readonly MuscleGroupId[];
}

/** The ranked groups as decided: excluded ones apart, pinned ones first, then the order by hand, then the scores. */
export function asDecided(
  ranked: readonly GroupFinding[],
  decisions: OrderDecisions,
): { readonly list: readonly GroupFinding[]; readonly excluded: readonly GroupFinding[] } {
  const out = new Set(decisions.excluded.map((e) => e.group));
  const place = (g: MuscleGroupId): number => {
    const pin = decisions.pinned.indexOf(g);
    if (pin >= 0) return pin;
    const hand = decisions.order.indexOf(g);
    return hand >= 0 ? decisions.pinned.length + hand : Infinity;
  };
  const list = ranked.filter((r) => !out.has(r.group));
  return {
    // Array.sort is stable: groups without a place keep the order of their scores.
    list: [...list].sort((a, b) => {
      const [x, y] = [place(a.group), place(b.group)];
      return x === y ? 0 : x - y;
    }),
    excluded: ranked.filter((r) => out.has(r.group)),
  };
}

/** The order after a group was moved to a place of the list: named by hand from there up, so that the rest goes on by score. */
export function moveGroup(list: readonly MuscleGroupId[], group: MuscleGroupId, to: number): readonly MuscleGroupId[] {
  const from = list.indexOf(group);
  if (from < 0) return list;
  const rest = list.filter((g) => g !== group);
  return [...rest.slice(0, to), group, ...rest.slice(to)];
}

/** The two tests that speak loudest for the first groups: shortfall times weight. For the weekly quick check. */
export function quickCheckTests(ranked: readonly GroupFinding[]): string[] {
  const loudness = new Map<string, number>();
  ranked.forEach((g, i) => {
    for (const { finding, weight } of g.tests) {
      const value = ((finding.shortfall?.spreads ?? 0) * weight) / (i + 1);
      loudness.set(finding.test.id, Math.max(loudness.get(finding.test.id) ?? 0, value));
    }
  });
  return [...loudness.entries()]
    .filter(([, value]) => value > 0)
    .sort(([, a], [, b]) => b - a)
    .slice(0, 2)
    .map(([id]) => id);
}

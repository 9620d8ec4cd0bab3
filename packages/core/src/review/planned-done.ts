import type { Side } from '../anatomy/side.js';
import type { DoseEntry } from '../dose/dose-entry.js';

/** Planned against done of one group and week. Seconds per side. */
export interface PlannedDone {
  readonly week: number;
  readonly group: string;
  readonly planned: Readonly<Record<Side, number>>;
  readonly done: Readonly<Record<Side, number>>;
  /** Done / planned over both sides; null when nothing was planned. */
  readonly ratio: number | null;
}

function credit(into: Record<Side, number>, entry: DoseEntry): void {
  if (entry.side !== 'right') into.left += entry.seconds;
  if (entry.side !== 'left') into.right += entry.seconds;
}

/**
 * Planned against done dose, one row a group and week, in order of week and first appearance (domain 2.4).
 * Seconds done beyond the plan count; a group only done, never planned, has its row too.
 */
export function plannedDone(planned: readonly DoseEntry[], done: readonly DoseEntry[]): PlannedDone[] {
  const rows = new Map<
    string,
    { week: number; group: string; planned: Record<Side, number>; done: Record<Side, number> }
  >();
  const row = (e: DoseEntry) => {
    const key = `${e.week}|${e.group}`;
    let r = rows.get(key);
    if (!r)
      rows.set(
        key,
        (r = { week: e.week, group: e.group, planned: { left: 0, right: 0 }, done: { left: 0, right: 0 } }),
      );
    return r;
  };
  for (const e of planned) credit(row(e).planned, e);
  for (const e of done) credit(row(e).done, e);
  return [...rows.values()]
    .sort((a, b) => a.week - b.week)
    .map((r) => {
      const total = r.planned.left + r.planned.right;
      return { ...r, ratio: total === 0 ? null : (r.done.left + r.done.right) / total };
    });
}

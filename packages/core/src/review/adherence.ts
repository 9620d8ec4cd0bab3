import type { RomTest } from '../catalogue/rom-test.js';
import { HEAVY_WEIGHT } from '../measuring/tighter-side.js';
import type { PlannedDone } from './planned-done.js';

/**
 * Done against planned dose in the weeks that are over, both sides together; null when nothing was planned in them. What was done beyond the
 * plan counts.
 * @param weeksOver weeks of the block that have ended
 * @param counts rows that count; all when left out
 * @example adherence([{ week: 1, group: 'calf', planned: { left: 100, right: 100 }, done: { left: 80, right: 100 }, ratio: 0.9 }], 1) // 0.9
 */
export function adherence(
  rows: readonly PlannedDone[],
  weeksOver: number,
  counts: (row: PlannedDone) => boolean = () => true,
): number | null {
  let planned = 0;
  let done = 0;
  for (const r of rows) {
    if (r.week > weeksOver || !counts(r)) continue;
    planned += r.planned.left + r.planned.right;
    done += r.done.left + r.done.right;
  }
  return planned === 0 ? null : done / planned;
}

/** Done against planned of the groups that limit a test by half or more, in weeks that are over; null when nothing was planned for them. */
export function adherenceFor(
  test: Pick<RomTest, 'limits'>,
  dose: { readonly rows: readonly PlannedDone[]; readonly weeksOver: number } | null,
): number | null {
  if (!dose) return null;
  const groups = new Set<string>(test.limits.filter((l) => l.weight >= HEAVY_WEIGHT).map((l) => l.group));
  return adherence(dose.rows, dose.weeksOver, (r) => groups.has(r.group));
}

import type { Prescription } from '../../technique/prescription.js';
import { type MuscleGroupId } from '../../anatomy/muscle-group.js';
import type { PlannedWeek } from '../plan.js';

/** A lane of a published or drafted block, known by its id through all revisions. */
export interface ComparedLane {
  readonly id: string;
  readonly group: MuscleGroupId;
  readonly weeks: readonly PlannedWeek[];
}

export interface ChangedCell {
  readonly laneId: string;
  readonly group: MuscleGroupId;
  readonly week: number;
  /** What the cell asked before and asks now; null when the lane was not there. */
  readonly before: PlannedWeek | null;
  readonly after: PlannedWeek | null;
  /** Seconds a side in the week, after − before. */
  readonly doseChange: number;
}

export interface BlockComparison {
  readonly cells: readonly ChangedCell[];
  /** Weekly seconds a side over the block, after − before, of each lane that changed. */
  readonly lanes: readonly {
    readonly laneId: string;
    readonly group: MuscleGroupId;
    readonly change: LaneChange;
    readonly doseChange: number;
  }[];
}

/** What became of a lane: new, gone, or changed in some weeks. */
export type LaneChange = { readonly kind: 'new' | 'gone' } | { readonly kind: 'changed'; readonly weeks: number };

/** What a cell asks, and nothing else of it. */
function asked(w: PlannedWeek | null): string {
  if (w === null) return '';
  return w.kind === 'rest' ? 'rest' : JSON.stringify(sorted(w.prescription));
}

function sorted(p: Prescription): unknown {
  return Object.entries(p)
    .filter(([, v]) => v !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
}

/** What changed from one state of a block to another, cell by cell. */
export function compareBlocks(before: readonly ComparedLane[], after: readonly ComparedLane[]): BlockComparison {
  const ids = [...new Set([...before, ...after].map((l) => l.id))];
  const cells: ChangedCell[] = [];
  const lanes: BlockComparison['lanes'][number][] = [];
  for (const id of ids) {
    const a = before.find((l) => l.id === id);
    const b = after.find((l) => l.id === id);
    const group = (b ?? a)!.group;
    const weeks = Math.max(a?.weeks.length ?? 0, b?.weeks.length ?? 0);
    let dose = 0;
    let changed = 0;
    for (let week = 1; week <= weeks; week++) {
      const x = a?.weeks[week - 1] ?? null;
      const y = b?.weeks[week - 1] ?? null;

      if (asked(x) === asked(y)) continue;
      const doseChange = (y?.dose ?? 0) - (x?.dose ?? 0);
      dose += doseChange;
      changed++;
      cells.push({ laneId: id, group, week, before: x, after: y, doseChange });
    }
    if (changed === 0) continue;
    const change: LaneChange = !a ? { kind: 'new' } : !b ? { kind: 'gone' } : { kind: 'changed', weeks: changed };
    lanes.push({ laneId: id, group, change, doseChange: dose });
  }
  return { cells, lanes };
}

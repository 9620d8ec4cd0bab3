import { muscleGroupName, type MuscleGroupId } from '../anatomy/muscle-group.js';
import { prescriptionWords, bonusWords } from '../words/prescription.js';
import type { PlannedWeek } from './plan.js';

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
  /** What the cell asked before and asks now, in words; null when the lane was not there. */
  readonly before: string | null;
  readonly after: string | null;
  /** Seconds a side in the week, after − before. */
  readonly doseChange: number;
}

export interface BlockComparison {
  readonly cells: readonly ChangedCell[];
  /** Weekly seconds a side over the block, after − before, of each lane that changed. */
  readonly lanes: readonly {
    readonly laneId: string;
    readonly group: MuscleGroupId;
    readonly words: string;
    readonly doseChange: number;
  }[];
}

/** A cell in words, for comparing: what is asked, and what the tighter side gets on top. */
export function cellWords(w: PlannedWeek): string {
  const bonus = bonusWords(w.prescription);
  if (w.kind === 'rest') return 'rest';
  return `${prescriptionWords(w.prescription)}, sensation ${w.prescription.sensation}${bonus ? `, ${bonus}` : ''}`;
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
      const x = a?.weeks[week - 1];
      const y = b?.weeks[week - 1];
      const was = x ? cellWords(x) : null;
      const is = y ? cellWords(y) : null;
      if (was === is) continue;
      const doseChange = (y?.dose ?? 0) - (x?.dose ?? 0);
      dose += doseChange;
      changed++;
      cells.push({ laneId: id, group, week, before: was, after: is, doseChange });
    }
    if (changed === 0) continue;
    const name = muscleGroupName(group);
    const what = !a
      ? `${name} is new`
      : !b
        ? `${name} is gone`
        : `${name}: ${changed} ${changed === 1 ? 'week' : 'weeks'} changed`;
    lanes.push({ laneId: id, group, words: what, doseChange: dose });
  }
  return { cells, lanes };
}

import { computed, inject, Injectable, signal } from '@angular/core';
import {
  cellsOf,
  copyCells,
  fillRight,
  handVariables,
  lockCells,
  moveLane,
  pasteCells,
  rangeBetween,
  setCells,
  turn,
  unlockCells,
  USUAL_PLATE,
  withPastKept,
  type CellPlace,
  type Clipboard,
  type HandVariable,
} from '@yandle/core';
import { ToastService } from '../data/toast.service';
import { BlockStore } from './block.store';
import type { Selection, StaveCommand } from './stave.model';

/** The cells a coach has selected on the block, and what the keys do with them. */
@Injectable()
export class BlockSelection {
  private readonly store = inject(BlockStore);
  private readonly toasts = inject(ToastService);
  /** What the coach selected; before that the running week of the first lane. */
  private readonly picked = signal<Selection | null>(null);
  private readonly activePicked = signal<HandVariable>('holdSeconds');
  private clipboard: Clipboard = [];

  readonly plan = computed(() => this.store.preview()?.plan ?? null);
  /** The selection, kept inside the block when it shrinks. */
  readonly selection = computed((): Selection => {
    const begin = { lane: 0, week: this.store.currentWeek() ?? 1 };
    const { head, range: r } = this.picked() ?? { head: begin, range: rangeBetween(begin, begin) };
    const lanes = Math.max(0, (this.plan()?.lanes.length ?? 0) - 1);
    const weeks = this.store.draft()?.weeks ?? 1;
    const within = (c: CellPlace): CellPlace => ({ lane: Math.min(c.lane, lanes), week: Math.min(c.week, weeks) });
    const a = within({ lane: r.fromLane, week: r.fromWeek });
    const b = within({ lane: r.toLane, week: r.toWeek });
    return { head: within(head), range: rangeBetween(a, b) };
  });
  readonly count = computed(() => cellsOf(this.selection().range).length);
  /** Cells of the selection that may be changed. */
  private readonly changeable = computed(() => {
    const plan = this.plan();
    return cellsOf(this.selection().range).filter((c) => {
      const cell = plan?.lanes[c.lane]?.weeks[c.week - 1];
      return c.week >= this.store.fromWeek() && cell !== undefined && cell.kind !== 'rest';
    });
  });
  readonly lane = computed(() => {
    const { lane } = this.selection().head;
    const draft = this.store.draft()?.lanes[lane];
    const planned = this.plan()?.lanes[lane];
    return draft && planned ? { draft, planned } : null;
  });
  readonly violations = computed(() => {
    const { lane, week } = this.selection().head;
    return this.store.violations().filter((v) => v.lane === lane && v.week === week);
  });
  /** The variable that the arrow keys change. */
  readonly active = computed((): HandVariable => {
    const { lane, week } = this.selection().head;
    const p = this.plan()?.lanes[lane]?.weeks[week - 1]?.prescription;
    const able = p ? handVariables(p) : [];
    const wanted = this.activePicked();
    return able.includes(wanted) ? wanted : (able[0] ?? 'holdSeconds');
  });

  pick(selection: Selection): void {
    this.picked.set(selection);
  }

  pickCell(cell: CellPlace): void {
    this.picked.set({ head: cell, range: rangeBetween(cell, cell) });
  }

  activate(variable: HandVariable): void {
    this.activePicked.set(variable);
  }

  turn(variable: HandVariable, clicks: number): void {
    this.activePicked.set(variable);
    this.store.editPlanned((d, plan) => {
      const plate = d.smallestPlate ?? USUAL_PLATE;
      const cells = this.changeable().map((c) => ({
        ...c,
        prescription: turn(plan.lanes[c.lane]!.weeks[c.week - 1]!.prescription, variable, clicks, plate),
      }));
      return setCells(d, cells);
    });
  }

  do(command: StaveCommand): void {
    const { head, range: r } = this.selection();
    const from = this.store.fromWeek();
    switch (command.kind) {
      case 'turn':
        return this.turn(this.active(), command.clicks);
      case 'copy': {
        const plan = this.plan();
        if (plan) this.clipboard = copyCells(plan, r);
        return this.toasts.show(`${this.count()} ${this.count() === 1 ? 'cell' : 'cells'} copied.`);
      }
      case 'paste':
        return this.store.editPlanned((d, plan) => withPastKept(pasteCells(d, plan, head, this.clipboard), d, from));
      case 'fill':
        return this.store.editPlanned((d, plan) => withPastKept(fillRight(d, plan, r), d, from));
      case 'lock': {
        const locked = this.changeable().every((c) => this.plan()!.lanes[c.lane]!.weeks[c.week - 1]!.locked);
        return this.store.editPlanned((d, plan) =>
          locked ? unlockCells(d, this.changeable()) : lockCells(d, plan, this.changeable()),
        );
      }
      case 'unlock':
        return this.store.edit((d) => unlockCells(d, this.changeable()));
      case 'undo':
        return this.store.undo();
      case 'redo':
        return this.store.redo();
      case 'move-lane':
        return this.store.edit((d) => moveLane(d, command.from, command.to));
    }
  }
}

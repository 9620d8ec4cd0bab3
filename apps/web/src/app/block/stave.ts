import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { Component, computed, ElementRef, inject, input, model, output, signal } from '@angular/core';
import { formatClock, muscleGroupName, rangeBetween, type CellPlace, type Violation } from '@yandle/core';
import { DoseGlyph } from '../ui/glyph/dose-glyph';
import { fullScaleFor } from '../ui/glyph/glyph.model';
import {
  cellViews,
  inRange,
  type Selection,
  type StaveCommand,
  type StaveLane,
  type DayPlanMinutes,
} from './stave.model';

/** A block read like music: lanes are lines, weeks are bars, each cell the glyph of its prescription. */
@Component({
  selector: 'y-stave',
  imports: [DoseGlyph, CdkDropList, CdkDrag, CdkDragHandle],
  templateUrl: './stave.html',
  styleUrl: './stave.css',
})
export class Stave {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly lanes = input.required<readonly StaveLane[]>();
  readonly retests = input.required<readonly number[]>();
  readonly easierWeeks = input<readonly number[]>([]);
  readonly missedWeeks = input<readonly number[]>([]);
  /** The running week; null when the block is not running. */
  readonly currentWeek = input<number | null>(null);
  /** First week that may be changed. */
  readonly fromWeek = input(1);
  readonly violations = input<readonly Violation[]>([]);
  /** Kinds of session, each with the length of its longest in each week. */
  readonly dayPlans = input.required<readonly DayPlanMinutes[]>();
  /** Only the lanes: no minutes below. */
  readonly plain = input(false);
  readonly selection = model.required<Selection>();
  readonly asked = output<StaveCommand>();
  readonly easierMoved = output<{ readonly from: number; readonly to: number }>();
  readonly weeksStretched = output<number>();

  protected readonly clock = formatClock;
  protected readonly groupName = muscleGroupName;
  protected readonly dragged = signal<number | null>(null);
  private stretching: { readonly x: number; readonly weeks: number; readonly column: number } | null = null;

  /** Fewer weeks leave more room for a stroke; all cells of a stave have the same scale. */
  protected readonly glyphWidth = computed(() =>
    this.weeks().length <= 8 ? 66 : this.plain() ? 38 : this.weeks().length <= 12 ? 48 : 44,
  );
  protected readonly weeks = computed(() => this.lanes()[0]?.weeks.map((w) => w.week) ?? []);
  protected readonly easier = computed(() => new Set(this.easierWeeks()));
  protected readonly missed = computed(() => new Set(this.missedWeeks()));
  protected readonly rows = computed(() =>
    this.lanes().map((lane, i) => ({ lane, cells: cellViews(lane, i, this.fromWeek(), this.violations()) })),
  );
  protected readonly fullScale = computed(() => fullScaleFor(this.rows().flatMap((r) => r.cells.map((c) => c.glyph))));
  protected readonly sensations = computed(() =>
    [...new Set(this.rows().flatMap((r) => r.cells.map((c) => c.glyph.sensation)))].sort((a, b) => a - b),
  );
  /** What the legend has to explain, and nothing else. */
  protected readonly shown = computed(() => {
    const glyphs = this.rows().flatMap((r) => r.cells.map((c) => c.glyph));
    return {
      cycles: glyphs.some((g) => g.cycles > 1),
      bonus: glyphs.some((g) => g.bonus !== null),
      load: glyphs.some((g) => g.load !== null),
      help: glyphs.some((g) => g.help > 0),
      roll: glyphs.some((g) => g.roll !== null),
      activate: glyphs.some((g) => g.activate !== null),
      locked: this.rows().some((r) => r.cells.some((c) => c.locked)),
    };
  });
  /** Top of the minutes scale: the budget or the longest session, with room above. */
  protected readonly top = computed(
    () => Math.max(60, ...this.dayPlans().flatMap((p) => [p.budgetSeconds ?? 0, ...p.longest])) * 1.3,
  );

  protected isHead(lane: number, week: number): boolean {
    const { head } = this.selection();
    return head.lane === lane && head.week === week;
  }

  protected isIn(lane: number, week: number): boolean {
    return inRange(this.selection().range, lane, week);
  }

  protected click(event: MouseEvent, lane: number, week: number): void {
    if (event.shiftKey) this.extendTo({ lane, week });
    else this.select({ lane, week });
  }

  protected select(head: CellPlace): void {
    this.selection.set({ head, range: rangeBetween(head, head) });
  }

  protected selectLane(lane: number): void {
    const head = { lane, week: this.selection().head.week };
    this.selection.set({ head, range: { fromLane: lane, toLane: lane, fromWeek: 1, toWeek: this.weeks().length } });
  }

  protected selectWeek(week: number): void {
    const head = { lane: this.selection().head.lane, week };
    this.selection.set({
      head,
      range: { fromLane: 0, toLane: this.lanes().length - 1, fromWeek: week, toWeek: week },
    });
  }

  /** Stretches the range from the cell it began in. */
  private extendTo(to: CellPlace): void {
    const { head, range } = this.selection();
    const anchor = {
      lane: range.fromLane === head.lane ? range.toLane : range.fromLane,
      week: range.fromWeek === head.week ? range.toWeek : range.fromWeek,
    };
    this.selection.set({ head: to, range: rangeBetween(anchor, to) });
  }

  protected dropLane(event: CdkDragDrop<unknown>): void {
    if (event.previousIndex !== event.currentIndex)
      this.asked.emit({ kind: 'move-lane', from: event.previousIndex, to: event.currentIndex });
  }

  protected dropWeek(event: DragEvent, to: number): void {
    event.preventDefault();
    const from = this.dragged();
    this.dragged.set(null);
    if (from !== null && from !== to) this.easierMoved.emit({ from, to });
  }

  protected stretchFrom(event: PointerEvent): void {
    const cell = this.host.nativeElement.querySelector('th.week-head');
    if (!cell) return;
    (event.target as HTMLElement).setPointerCapture(event.pointerId);
    const column = cell.getBoundingClientRect().width;
    this.stretching = { x: event.clientX, weeks: this.weeks().length, column };
  }

  protected stretchTo(event: PointerEvent): void {
    if (!this.stretching) return;
    const weeks = this.stretching.weeks + Math.round((event.clientX - this.stretching.x) / this.stretching.column);
    if (weeks !== this.weeks().length) this.weeksStretched.emit(weeks);
  }

  protected stretchDone(): void {
    this.stretching = null;
  }

  protected stretchKey(event: KeyboardEvent): void {
    const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    event.stopPropagation();
    this.weeksStretched.emit(this.weeks().length + by);
  }

  protected key(event: KeyboardEvent): void {
    if (this.moveKey(event) || this.commandKey(event)) event.preventDefault();
  }

  private moveKey(event: KeyboardEvent): boolean {
    if (event.ctrlKey || event.metaKey) return false;
    const { lane, week } = this.selection().head;
    if (event.altKey) {
      const to = event.key === 'ArrowUp' ? lane - 1 : event.key === 'ArrowDown' ? lane + 1 : null;
      if (to === null || to < 0 || to >= this.lanes().length) return false;
      this.asked.emit({ kind: 'move-lane', from: lane, to });
      this.select({ lane: to, week });
      this.focusHead();
      return true;
    }
    const move: Record<string, CellPlace> = {
      ArrowLeft: { lane, week: week - 1 },
      ArrowRight: { lane, week: week + 1 },
      ArrowUp: { lane: lane - 1, week },
      ArrowDown: { lane: lane + 1, week },
      Home: { lane, week: 1 },
      End: { lane, week: this.weeks().length },
    };
    const to = move[event.key];
    if (!to) return false;
    if (to.lane < 0 || to.lane >= this.lanes().length || to.week < 1 || to.week > this.weeks().length) return true;
    if (event.shiftKey) this.extendTo(to);
    else this.select(to);
    this.focusHead();
    return true;
  }

  private commandKey(event: KeyboardEvent): boolean {
    const key = event.key.toLowerCase();
    const withCtrl: Record<string, StaveCommand> = {
      c: { kind: 'copy' },
      v: { kind: 'paste' },
      z: { kind: event.shiftKey ? 'redo' : 'undo' },
      y: { kind: 'redo' },
    };
    const plain: Record<string, StaveCommand> = {
      '+': { kind: 'turn', clicks: 1 },
      '=': { kind: 'turn', clicks: 1 },
      '-': { kind: 'turn', clicks: -1 },
      f: { kind: 'fill' },
      l: { kind: 'lock' },
      delete: { kind: 'unlock' },
      backspace: { kind: 'unlock' },
    };
    const command = event.ctrlKey || event.metaKey ? withCtrl[key] : event.altKey ? undefined : plain[key];
    if (!command) return false;
    this.asked.emit(command);
    return true;
  }

  private focusHead(): void {
    setTimeout(() => this.host.nativeElement.querySelector<HTMLElement>('button.cell[tabindex="0"]')?.focus());
  }
}

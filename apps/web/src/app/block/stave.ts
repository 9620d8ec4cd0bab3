import { Component, computed, input, model } from '@angular/core';
import { formatClock, muscleGroupName, type MuscleGroupId, type PlannedWeek } from '@yandle/core';
import { DoseGlyph } from '../ui/glyph/dose-glyph';
import { fullScaleFor, glyphOf } from '../ui/glyph/glyph.model';

/** A lane as the stave draws it. */
export interface StaveLane {
  readonly group: MuscleGroupId;
  readonly styleName: string;
  readonly weeks: readonly PlannedWeek[];
}

/** A cell of the stave: place of the lane, and week from 1. */
export interface StaveCell {
  readonly lane: number;
  readonly week: number;
}

/** A block read like music: lanes are lines, weeks are bars, each cell the glyph of its prescription. Arrow keys move. */
@Component({
  selector: 'y-stave',
  imports: [DoseGlyph],
  templateUrl: './stave.html',
  styleUrl: './stave.css',
})
export class Stave {
  readonly lanes = input.required<readonly StaveLane[]>();
  readonly retests = input.required<readonly number[]>();
  /** The running week; null when the block is not running. */
  readonly currentWeek = input<number | null>(null);
  /** Longest session of each week in seconds, and the client's budget. */
  readonly longest = input.required<readonly number[]>();
  readonly budgetSeconds = input.required<number>();
  readonly selected = model<StaveCell>({ lane: 0, week: 1 });

  protected readonly clock = formatClock;
  protected readonly groupName = muscleGroupName;
  /** Fewer weeks leave more room for a stroke; all cells of a stave have the same scale. */
  protected readonly glyphWidth = computed(() => (this.weeks().length <= 8 ? 72 : this.weeks().length <= 12 ? 48 : 44));

  protected readonly weeks = computed(() => this.lanes()[0]?.weeks.map((w) => w.week) ?? []);
  protected readonly easier = computed(
    () =>
      new Set(
        this.lanes()[0]
          ?.weeks.filter((w) => w.kind === 'easier')
          .map((w) => w.week) ?? [],
      ),
  );
  protected readonly rows = computed(() => this.lanes().map((l) => ({ ...l, glyphs: l.weeks.map((w) => glyphOf(w)) })));
  protected readonly fullScale = computed(() => fullScaleFor(this.rows().flatMap((r) => r.glyphs)));
  protected readonly sensations = computed(() =>
    [...new Set(this.rows().flatMap((r) => r.glyphs.map((g) => g.sensation)))].sort((a, b) => a - b),
  );
  /** Top of the minutes scale: the budget or the longest session, with room above. */
  protected readonly top = computed(() => Math.max(this.budgetSeconds(), ...this.longest()) * 1.12);

  protected isRetest(week: number): boolean {
    return this.retests().includes(week);
  }

  protected isSelected(lane: number, week: number): boolean {
    const s = this.selected();
    return s.lane === lane && s.week === week;
  }

  protected spoken(lane: StaveLane, w: PlannedWeek): string {
    const p = w.prescription;
    return `${muscleGroupName(lane.group)}, week ${w.week}${w.kind === 'easier' ? ', easier' : ''}: ${p.sets} × ${p.holdSeconds} s a side, ${p.sessionsPerWeek} sessions, sensation ${p.sensation}, ${w.dose} s a side in the week`;
  }

  protected key(event: KeyboardEvent): void {
    const { lane, week } = this.selected();
    const move: Record<string, StaveCell> = {
      ArrowLeft: { lane, week: week - 1 },
      ArrowRight: { lane, week: week + 1 },
      ArrowUp: { lane: lane - 1, week },
      ArrowDown: { lane: lane + 1, week },
      Home: { lane, week: 1 },
      End: { lane, week: this.weeks().length },
    };
    const to = move[event.key];
    if (!to) return;
    event.preventDefault();
    if (to.lane < 0 || to.lane >= this.lanes().length || to.week < 1 || to.week > this.weeks().length) return;
    this.selected.set(to);
    const table = event.currentTarget as HTMLElement;
    setTimeout(() => table.querySelector<HTMLElement>('button[tabindex="0"]')?.focus());
  }
}

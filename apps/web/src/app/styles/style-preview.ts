import { Component, computed, input, signal } from '@angular/core';
import {
  buildBlock,
  CoreError,
  easierWeeksOf,
  type PlannedWeek,
  rangeBetween,
  type Style,
  weekWords,
} from '@yandle/core';
import { Stave } from '../block/stave';
import type { Selection, StaveLane } from '../block/stave.model';

const WEEKS = 12;
const FIRST = { lane: 0, week: 1 };

/** Twelve weeks of a style for a client without anything that narrows it: what it does when left alone. */
@Component({
  selector: 'y-style-preview',
  imports: [Stave],
  template: `
    @if (plan(); as p) {
      <y-stave
        [lanes]="p.lanes"
        [retests]="p.retests"
        [easierWeeks]="p.easier"
        [fromWeek]="weeks + 1"
        [longest]="[]"
        [budgetSeconds]="0"
        [plain]="true"
        [selection]="selection()"
        (selectionChange)="selection.set($event)"
      />
      @if (cell(); as c) {
        <p class="mt-2 text-sm">Week {{ c.week }}: {{ words(c) }}</p>
      }
    } @else {
      <p class="text-sm text-attention">{{ refusal() }}</p>
    }
  `,
})
export class StylePreview {
  readonly style = input.required<Style>();
  readonly ramp = input(0.2);
  protected readonly weeks = WEEKS;
  protected readonly selection = signal<Selection>({ head: FIRST, range: rangeBetween(FIRST, FIRST) });
  private readonly built = computed(() => {
    const style = this.style();
    const easierEvery = style.easierWeeks ? style.easierEvery : null;
    try {
      const plan = buildBlock({
        client: { age: 40, experience: 'experienced', trainingDays: [1, 2, 3, 4, 5, 6, 7], gentleGroups: [] },
        lanes: [{ group: 'hamstrings', styleId: style.id }],
        weeks: WEEKS,
        ramp: this.ramp(),
        easierEvery,
        findStyle: () => style,
      });
      return { plan, easier: easierWeeksOf({ weeks: WEEKS, easierEvery }), refusal: '' };
    } catch (err) {
      if (err instanceof CoreError) return { plan: null, easier: [], refusal: err.message };
      throw err;
    }
  });
  protected readonly refusal = computed(() => this.built().refusal);
  protected readonly plan = computed(() => {
    const { plan, easier } = this.built();
    if (!plan) return null;
    const lanes: StaveLane[] = plan.lanes.map((l) => ({
      id: 'preview',
      group: l.group,
      styleName: this.style().name,
      weeks: l.weeks,
      other: null,
    }));
    return { lanes, retests: plan.retestWeeks, easier };
  });
  protected readonly cell = computed(() => this.plan()?.lanes[0]?.weeks[this.selection().head.week - 1] ?? null);

  protected words(cell: PlannedWeek): string {
    return weekWords(cell, this.plan()!.lanes[0]!);
  }
}

import { Component, computed, input, signal } from '@angular/core';
import {
  buildBlock,
  CoreError,
  errorWords,
  percentOf,
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
    <section class="mt-3" aria-labelledby="preview">
      <div class="mb-2 flex flex-wrap items-center gap-3">
        <h3 id="preview" class="mr-auto">Twelve-week preview</h3>
        <label class="flex items-center gap-2 text-sm">
          Weekly increase
          <select class="input w-auto" #ramp (change)="increase.set(+ramp.value)">
            @for (r of ramps; track r) {
              <option [value]="r" [selected]="r === increase()">{{ percent(r) }}% a week</option>
            }
          </select>
        </label>
      </div>
      @if (plan(); as p) {
        <y-stave
          [lanes]="p.lanes"
          [retests]="p.retests"
          [easierWeeks]="p.easier"
          [fromWeek]="weeks + 1"
          [dayPlans]="[]"
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
      <p class="mt-1 text-sm text-soft">
        For a client without cautions, with all days free. Fewer days or minutes, age or cautions slow it down.
      </p>
    </section>
  `,
})
export class StylePreview {
  readonly style = input.required<Style>();
  protected readonly ramps = [0.1, 0.2, 0.3, 0.5];
  protected readonly increase = signal(0.2);
  protected readonly percent = (share: number): number => percentOf(share, 1);
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
        ramp: this.increase(),
        easierEvery,
        findStyle: () => style,
      });
      return { plan, easier: easierWeeksOf({ weeks: WEEKS, easierEvery }), refusal: '' };
    } catch (err) {
      if (err instanceof CoreError) return { plan: null, easier: [], refusal: errorWords(err) };
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

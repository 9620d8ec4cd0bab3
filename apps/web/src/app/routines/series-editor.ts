import { Component, computed, input, output } from '@angular/core';
import {
  inDays,
  repeatedSeries,
  SERIES_BOUNDS,
  seriesLength,
  type Routine,
  type SeriesDefinition,
  type SeriesEntry,
} from '@yandle/core';

/** A series while it is written: its name, and a routine for each of its days. */
@Component({
  selector: 'y-series-editor',
  template: `
    <div class="flex flex-wrap items-center gap-2">
      <h2 class="mr-auto">{{ series().name || 'New series' }}</h2>
      <button type="button" class="btn" (click)="left.emit()">Leave</button>
      <button type="button" class="btn btn-go" [disabled]="!ready() || busy()" (click)="kept.emit()">
        Save this series
      </button>
    </div>
    <div class="mt-3 flex flex-wrap items-end gap-3">
      <label class="field !w-64">
        <span class="label">Name</span>
        <input
          class="input"
          [maxLength]="bounds.name"
          [value]="series().name"
          #called
          (input)="set({ name: called.value })"
        />
      </label>
      <label class="field min-w-64 flex-1">
        <span class="label">What it is for</span>
        <input
          class="input"
          [maxLength]="bounds.note"
          [value]="series().note"
          #says
          (input)="set({ note: says.value })"
        />
      </label>
    </div>
    <ol class="sheet mt-3 max-w-2xl divide-y divide-line">
      @for (e of rows(); track $index) {
        <li class="flex flex-wrap items-center gap-3 px-4 py-2">
          <label class="flex items-center gap-2">
            Day
            <input
              class="input !w-20"
              type="number"
              min="1"
              [max]="bounds.days"
              [value]="e.day"
              #day
              (change)="setDay($index, day.value)"
            />
          </label>
          <select
            class="input min-w-48 flex-1"
            [attr.aria-label]="'Routine of day ' + e.day"
            #what
            (change)="replace($index, { day: e.day, routineId: what.value })"
          >
            @for (r of routines(); track r.id) {
              <option [value]="r.id" [selected]="r.id === e.routineId">{{ r.name }}</option>
            }
          </select>
          <button
            type="button"
            class="link"
            [attr.aria-label]="'Take out day ' + e.day"
            (click)="replace($index, null)"
          >
            Take out
          </button>
        </li>
      } @empty {
        <li class="px-4 py-3 text-soft">No day yet. Add the first one.</li>
      }
    </ol>
    <div class="mt-3 flex flex-wrap gap-2">
      <button type="button" class="btn" [disabled]="full()" (click)="add()">Add a day</button>
      <button type="button" class="btn" [disabled]="rows().length === 0 || full()" (click)="again()">
        The same days again
      </button>
    </div>
  `,
})
export class SeriesEditor {
  readonly series = input.required<SeriesDefinition>();
  readonly routines = input.required<readonly Routine[]>();
  readonly busy = input(false);
  readonly changed = output<SeriesDefinition>();
  readonly left = output();
  readonly kept = output();
  protected readonly bounds = SERIES_BOUNDS;
  protected readonly rows = computed(() => inDays(this.series().entries));
  protected readonly full = computed(
    () => this.rows().length >= SERIES_BOUNDS.entries || seriesLength(this.series()) >= SERIES_BOUNDS.days,
  );
  protected readonly ready = computed(() => this.series().name.trim() !== '' && this.rows().length > 0);

  protected set(part: Partial<SeriesDefinition>): void {
    this.changed.emit({ ...this.series(), ...part });
  }

  /** A row with another entry; null takes it out. */
  protected replace(row: number, entry: SeriesEntry | null): void {
    this.set({ entries: inDays(this.rows().flatMap((e, i) => (i !== row ? [e] : entry ? [entry] : []))) });
  }

  protected setDay(row: number, text: string): void {
    const day = Math.min(SERIES_BOUNDS.days, Math.max(1, Math.round(Number(text) || 1)));
    this.replace(row, { ...this.rows()[row]!, day });
  }

  /** The next day, with a routine that is not in it yet where there is one. */
  protected add(): void {
    const used = new Set(this.rows().map((e) => e.routineId));
    const next = this.routines().find((r) => !used.has(r.id)) ?? this.routines()[0];
    if (next) this.set({ entries: [...this.rows(), { day: seriesLength(this.series()) + 1, routineId: next.id }] });
  }

  protected again(): void {
    this.set({ entries: repeatedSeries(this.rows()).slice(0, SERIES_BOUNDS.entries) });
  }
}

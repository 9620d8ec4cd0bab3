import { Component, computed, inject, input, output } from '@angular/core';
import { formatDate, POSITIONS, type RomTest } from '@yandle/core';
import { SaveState } from '../ui/save-state';
import { MeasureStore } from './measure.store';
import { MeasureView } from './measure-view';

/** The tests of an assessment in the order of positions, each with how far it is. */
@Component({
  selector: 'y-battery-nav',
  imports: [SaveState],
  host: { class: 'contents' },
  template: `
    <nav
      class="border-line bg-sheet px-2 py-4 max-lg:border-b lg:min-h-[calc(100dvh-7rem)] lg:border-r"
      aria-label="Battery"
    >
      <div class="flex gap-x-4 gap-y-1 max-lg:flex-wrap lg:flex-col">
        @for (g of battery(); track g.position) {
          <div>
            <p class="caps px-2 pb-1">{{ g.position }}</p>
            @for (t of g.tests; track t.id) {
              <button
                type="button"
                class="flex w-full justify-between gap-2 rounded px-2 py-1.5 text-left hover:bg-shade"
                [class.bg-action-wash]="t.id === open()?.id"
                [class.font-semibold]="t.id === open()?.id"
                [attr.aria-current]="t.id === open()?.id ? 'true' : null"
                (click)="chosen.emit(t)"
              >
                <span>{{ t.name }}</span><span
                  class="text-sm whitespace-nowrap"
                  [class.text-action]="!view.flagOf(t)"
                  [class.text-attention]="view.flagOf(t)"
                  >{{ view.progress(t) }}</span
                >
              </button>
            }
          </div>
        }
        <div>
          <p class="caps px-2 pb-1">Whole body</p>
          <button
            type="button"
            class="flex w-full justify-between gap-2 rounded px-2 py-1.5 text-left hover:bg-shade"
            [class.bg-action-wash]="open() === null"
            [class.font-semibold]="open() === null"
            [attr.aria-current]="open() === null ? 'true' : null"
            (click)="beighton.emit()"
          >
            <span>Beighton score</span><span class="text-sm text-action">{{ view.beightonWords() }}</span>
          </button>
        </div>
      </div>
      <div class="mt-4 px-2 text-sm text-soft">
        <p>
          {{ store.assessment()!.warm ? 'Warm' : 'Cold' }} · {{ day(store.assessment()!.date) }},
          {{ store.assessment()!.time }} ·
          {{ store.assessment()!.testerName }}
        </p>
        <p class="mt-1"><y-save-state /></p>
        <button type="button" class="link mt-2" (click)="store.close()">Leave this assessment</button>
      </div>
    </nav>
  `,
})
export class BatteryNav {
  protected readonly store = inject(MeasureStore);
  protected readonly view = inject(MeasureView);
  /** The test that is shown; null for the Beighton score. */
  readonly open = input.required<RomTest | null>();
  readonly chosen = output<RomTest>();
  readonly beighton = output();

  /** Tests of the battery, under the position they are done in. */
  protected readonly battery = computed(() =>
    POSITIONS.map((position) => ({
      position,
      tests: this.store.tests().filter((t) => t.position === position),
    })).filter((g) => g.tests.length > 0),
  );

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }
}

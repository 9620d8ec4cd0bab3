import { Component, inject, input, output } from '@angular/core';
import { STOP_SIGNS } from '@yandle/core';
import { RunStore } from './run.store';

const FORM_WORDS = { easier: 'Easier', harder: 'Harder', choice: 'Or do', own: 'Back to' } as const;

/** Below a running session: its form and length, the stop signs, and the clock's buttons with their keys. */
@Component({
  selector: 'y-run-controls',
  host: { class: 'contents' },
  template: `
    <div class="mx-auto mb-3 flex max-w-3xl px-5 flex-wrap justify-center gap-2">
      <button
        type="button"
        class="btn"
        [disabled]="!store.begun() || (store.cue()?.beats?.length ?? 0) > 0 || store.isSafetyCheck()"
        (click)="store.longer()"
      >
        +10 s{{ store.view.added() > 0 ? ' (' + store.view.added() + ')' : '' }}
      </button>
      <button type="button" class="btn" [disabled]="!store.begun() || store.place() === null" (click)="store.redo()">
        Redo this side
      </button>
      @for (o of store.view.others(); track o.kind) {
        <button type="button" class="btn" (click)="store.take(o)">
          {{ formWords[o.kind] }}: {{ store.view.nameOf(o) }}
        </button>
      }
      <button type="button" class="btn" (click)="breathAsked.emit()">Breath {{ breathSeconds() }} s</button>
    </div>
    <p class="mx-auto mb-3 max-w-4xl px-5 text-center text-sm text-balance text-soft">
      Stop if you feel: {{ stopSigns }}
    </p>
    <!-- Always in reach, however large the letters are. -->
    <div class="sticky bottom-0 z-10 w-full bg-paper px-5 pt-1 pb-3">
      <div class="mx-auto grid max-w-3xl grid-cols-[1fr_2fr_1fr] gap-2 sm:grid-cols-[1fr_2fr_1fr_1.4fr]">
        <button type="button" class="btn !min-h-14" [disabled]="!store.begun()" (click)="store.back()">Back</button>
        <button
          type="button"
          class="btn btn-go !min-h-14 text-lg"
          [disabled]="store.isSafetyCheck()"
          (click)="toggled.emit()"
        >
          {{ store.running() ? 'Pause' : store.begun() ? 'Resume' : 'Start' }}
        </button>
        <button type="button" class="btn !min-h-14" [disabled]="!store.begun()" (click)="store.skip()">Skip</button>
        <button
          type="button"
          class="btn btn-stop !min-h-14 max-sm:col-span-3"
          [disabled]="!store.begun()"
          (click)="asked.emit()"
        >
          Stop: I feel something
        </button>
      </div>
    </div>
    <p class="mb-3 hidden px-5 text-center text-sm text-soft sm:block">
      <span class="key">Space</span> start, pause · <span class="key">←</span> back · <span class="key">→</span> skip ·
      <span class="key">+</span> ten seconds more · <span class="key">R</span> redo the side ·
      <span class="key">S</span> stop
    </p>
  `,
})
export class RunControls {
  protected readonly store = inject(RunStore);
  readonly breathSeconds = input.required<number>();
  readonly toggled = output();
  readonly asked = output();
  readonly breathAsked = output();
  protected readonly formWords = FORM_WORDS;
  protected readonly stopSigns = STOP_SIGNS.join(' · ').toLowerCase();
}

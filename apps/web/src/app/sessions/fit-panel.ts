import { Component, computed, inject, output } from '@angular/core';
import { MOST_ROUNDS, sessionWarningWords, fitWords } from '@yandle/core';
import { SheetStore } from './sheet.store';

/** Whether the session fits its minutes, ways to make it fit, and what speaks against it as it stands. */
@Component({
  selector: 'y-fit-panel',
  template: `
    <section class="sheet flex flex-col gap-4 p-4" aria-labelledby="fit">
      <h2 id="fit">Change this session</h2>
      <div class="flex flex-wrap gap-2">
        <button type="button" class="btn btn-go" (click)="compose.emit()">Suggest a session…</button>
        <button type="button" class="btn" [disabled]="!store.history.canUndo()" (click)="store.undo()">Undo</button>
        <button type="button" class="btn" [disabled]="!store.history.canRedo()" (click)="store.redo()">Redo</button>
        <button type="button" class="btn" (click)="store.reorder()">Best order</button>
        <button type="button" class="btn" [disabled]="!store.changed()" (click)="store.restore()">
          Back to the plan
        </button>
      </div>
      <div class="grid grid-cols-3 gap-3">
        <label class="field">
          <span class="label">Minutes</span>
          <input
            class="input"
            type="number"
            min="5"
            max="120"
            [value]="s().minutesBudget"
            #time
            (change)="minutes(+time.value)"
          />
        </label>
        <label class="field">
          <span class="label">Rounds</span>
          <select class="input" #often (change)="store.change({ rounds: +often.value })">
            @for (n of rounds; track n) {
              <option [value]="n" [selected]="n === s().rounds">{{ n }}</option>
            }
          </select>
        </label>
        <label class="mt-6 flex items-center gap-2 text-sm">
          <input
            type="checkbox"
            class="accent-(--action)"
            [checked]="s().alreadyWarm"
            (change)="store.change({ alreadyWarm: !s().alreadyWarm })"
          />
          Already warm
        </label>
      </div>
      @if (store.warnings().length > 0) {
        <ul class="flex flex-col gap-1 text-sm text-attention" aria-label="Warnings">
          @for (w of store.warnings(); track $index) {
            <li>{{ warning(w.fact) }}</li>
          }
        </ul>
      }
      @if (proposals().length > 0) {
        <div>
          <h3>{{ store.cuts().length > 0 ? 'Make it fit' : 'Use the minutes left' }}</h3>
          @if (store.cuts().length === 0) {
            <p class="text-sm text-soft">At most a fifth above the plan.</p>
          }
          <ul class="mt-1 flex flex-col gap-2">
            @for (t of proposals(); track t.kind) {
              <li>
                <button
                  type="button"
                  class="btn !block w-full !whitespace-normal text-left text-sm"
                  (click)="store.change({ items: t.items })"
                >
                  {{ fitted(t) }}
                </button>
              </li>
            }
          </ul>
        </div>
      }
      <p class="text-sm text-soft" role="status">
        {{ store.saving() ? 'Saving…' : store.changed() ? 'Changed by hand, saved.' : 'As the plan has it.' }}
        Publishing the block again replaces upcoming sessions, this one too.
      </p>
    </section>
  `,
})
export class FitPanel {
  protected readonly store = inject(SheetStore);
  readonly compose = output();
  protected readonly rounds = Array.from({ length: MOST_ROUNDS }, (_, i) => i + 1);
  /** Shorter where it is too long, longer where minutes are left. */
  protected readonly warning = sessionWarningWords;
  protected readonly fitted = fitWords;
  protected readonly proposals = computed(() =>
    this.store.cuts().length > 0 ? this.store.cuts() : this.store.extensions(),
  );
  protected readonly s = computed(() => this.store.session()!);

  protected minutes(n: number): void {
    if (!Number.isInteger(n) || n < 5 || n > 120) return;
    this.store.change({ minutes: n === this.store.clientMinutes() ? null : n });
  }
}

import { RouterLink } from '@angular/router';
import { Component, computed, inject, output, signal } from '@angular/core';
import { missingAt, sessionWarningWords, fitWords } from '@yandle/core';
import { ExercisePicker } from '../routines/exercise-picker';
import { PacingField } from '../ui/pacing-field';
import { RoundsField } from '../ui/rounds-field';
import { RemoveSession } from './remove-session';
import { SaveRoutine } from './save-routine';
import { SheetStore } from './sheet.store';

/** Whether the session fits its minutes, ways to make it fit, and what speaks against it as it stands. */
@Component({
  selector: 'y-fit-panel',
  imports: [RouterLink, ExercisePicker, PacingField, RemoveSession, RoundsField, SaveRoutine],
  template: `
    <section class="sheet flex flex-col gap-4 p-4" aria-labelledby="fit">
      <h2 id="fit">Change this session</h2>
      <div class="flex flex-wrap gap-2">
        <button type="button" class="btn btn-go" (click)="compose.emit()">Suggest a session…</button>
        <button type="button" class="btn" [disabled]="!store.history.canUndo()" (click)="store.undo()">Undo</button>
        <button type="button" class="btn" [disabled]="!store.history.canRedo()" (click)="store.redo()">Redo</button>
        <button type="button" class="btn" (click)="store.reorder()">Best order</button>
        @if (!free()) {
          <button type="button" class="btn" [disabled]="!store.changed()" (click)="store.restore()">
            Back to the plan
          </button>
        }
      </div>
      <y-exercise-picker [exercises]="offered()" (picked)="store.add($event)" />
      <div class="flex flex-wrap items-end gap-3">
        <label class="field !w-24">
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
        <y-rounds-field [settings]="s()" (chosen)="store.change($event)" />
        <y-pacing-field [pacing]="s().pacing" (chosen)="store.change({ pacing: $event })" />
        <a
          class="link mb-2 text-sm"
          [routerLink]="['/clients', s().clientId, 'timings']"
          [queryParams]="{ session: s().id }"
          >Timings</a
        >
        <label class="mb-2 flex items-center gap-2 text-sm">
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
            <p class="text-sm text-soft">At most a fifth above {{ free() ? 'what was first written' : 'the plan' }}.</p>
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
      @if (keeping()) {
        <y-save-routine (closed)="keeping.set(false)" />
      } @else {
        <div class="flex flex-wrap gap-2">
          <button type="button" class="btn" (click)="keeping.set(true)">Save as a routine…</button>
          @if (free()) {
            <y-remove-session />
          }
        </div>
      }
      <p class="text-sm text-soft" role="status">{{ state() }}</p>
    </section>
  `,
})
export class FitPanel {
  protected readonly store = inject(SheetStore);
  readonly compose = output();
  /** Shorter where it is too long, longer where minutes are left. */
  protected readonly warning = sessionWarningWords;
  protected readonly fitted = fitWords;
  protected readonly proposals = computed(() =>
    this.store.cuts().length > 0 ? this.store.cuts() : this.store.extensions(),
  );
  protected readonly s = computed(() => this.store.session()!);

  /** True for a session of its own, outside any block. */
  protected readonly free = computed(() => this.s().blockId === null);
  /** True while the list is being saved as a routine. */
  protected readonly keeping = signal(false);
  /** What the client may do, and can where the session is. */
  protected readonly offered = computed(() => {
    const place = this.store.place();
    return this.store.allowed().filter((e) => missingAt(e, place).length === 0);
  });
  protected readonly state = computed(() => {
    if (this.store.saving()) return 'Saving…';
    if (this.free()) return 'Saved. A session of its own: no block changes it.';
    return this.store.changed()
      ? 'Changed by hand, saved. A new version of the block keeps what was set here, unless the week is lowered or a caution now speaks against it.'
      : 'As the plan has it.';
  });

  protected minutes(n: number): void {
    if (!Number.isInteger(n) || n < 5 || n > 120) return;
    this.store.change({ minutes: n === this.store.clientMinutes() ? null : n });
  }
}

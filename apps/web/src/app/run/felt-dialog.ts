import { Component, inject, output, signal } from '@angular/core';
import { sensationWords, SYMPTOMS, type SymptomId } from '@yandle/core';
import { Dialog } from '../ui/dialog';
import type { OtherForm } from './player-view';
import { RunStore } from './run.store';

/** What a client feels when they stop: a stop sign, something else, or that it is too strong, which may only need an easier form. */
@Component({
  selector: 'y-felt-dialog',
  imports: [Dialog],
  template: `
    <y-dialog labelledBy="felt" (closed)="closed.emit()">
      @if (!tooStrong()) {
        <h2 id="felt">What do you feel?</h2>
        @for (g of groups; track g.title) {
          <h3 class="mt-3 text-sm font-semibold" [class.text-attention]="g.stop">{{ g.title }}</h3>
          <div class="mt-1 grid gap-1.5" [class.grid-cols-2]="g.short">
            @for (y of g.symptoms; track y.id) {
              <button
                type="button"
                class="btn !min-h-11 !justify-start !px-3 !py-1.5 text-left !whitespace-normal"
                [class.btn-stop]="g.stop"
                (click)="say(y.id)"
              >
                {{ y.name }}
              </button>
            }
          </div>
        }
        <button type="button" class="btn mt-3 !min-h-12 w-full" (click)="closed.emit()">Nothing, carry on</button>
      } @else {
        <h2 id="felt">Too strong</h2>
        <label class="field mt-3">
          <span class="label">How strong, if you can say</span>
          <select #how class="input">
            <option value="">not answered</option>
            @for (n of strong; track n) {
              <option [value]="n">{{ n }}: {{ words(n) }}</option>
            }
          </select>
        </label>
        <div class="mt-3 flex flex-col gap-2">
          @for (o of store.view.others(); track o.kind) {
            @if (o.kind === 'easier') {
              <button type="button" class="btn btn-go !min-h-12" (click)="ease(o, how.value)">
                Easier: {{ o.exercise.name }}
              </button>
            }
          }
          <button type="button" class="btn !min-h-12" (click)="ease(null, how.value)">End this exercise</button>
          <button type="button" class="btn !min-h-12" (click)="closed.emit()">Carry on, less deep</button>
        </div>
      }
    </y-dialog>
  `,
})
export class FeltDialog {
  protected readonly store = inject(RunStore);
  readonly said = output<SymptomId>();
  /** Too strong: an easier form, or null to end the exercise; how strong it was, or null where that was not answered. */
  readonly eased = output<{ readonly form: OtherForm | null; readonly sensation: number | null }>();
  readonly closed = output();

  protected readonly tooStrong = signal(false);
  /** By what follows, the gravest first. */
  protected readonly groups = [
    { title: 'Call an ambulance', stop: true, short: false, symptoms: SYMPTOMS.filter((s) => s.emergency) },
    {
      title: 'Stops the session',
      stop: true,
      short: false,
      symptoms: SYMPTOMS.filter((s) => s.ends === 'session' && !s.emergency),
    },
    { title: 'Stops this exercise', stop: true, short: true, symptoms: SYMPTOMS.filter((s) => s.ends === 'exercise') },
    { title: 'No stop sign', stop: false, short: true, symptoms: SYMPTOMS.filter((s) => s.ends === null) },
  ] as const;
  protected readonly strong = [6, 7, 8, 9, 10];
  protected readonly words = sensationWords;

  protected say(symptom: SymptomId): void {
    if (symptom === 'too-strong') this.tooStrong.set(true);
    else this.said.emit(symptom);
  }

  protected ease(form: OtherForm | null, how: string): void {
    this.eased.emit({ form, sensation: how === '' ? null : Number(how) });
  }
}

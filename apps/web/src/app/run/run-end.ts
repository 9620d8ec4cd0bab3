import { Component, computed, inject, input, signal } from '@angular/core';
import type { FeltSide } from '@yandle/contract';
import { sensationWords } from '@yandle/core';
import { exercisesDone, SymptomQuestion, type FeltSymptom } from '../ui/symptom-question';
import { RunStore } from './run.store';

/** Sensation from which a client can’t talk easily: the symptom is asked for (domain 2.7). */
const TOO_STRONG = 7;

/** The end of a session: how strong it was, which side was tighter, what the coach should know. Nothing is filled in beforehand. */
@Component({
  selector: 'y-run-end',
  imports: [SymptomQuestion],
  host: { class: 'contents' },
  template: `
    <section class="mx-auto my-auto w-full max-w-xl px-5 pb-8" aria-labelledby="end">
      <h1 id="end" class="text-3xl">{{ byStopSign() ? 'We stop here for today' : 'Session finished' }}</h1>
      @if (advice(); as a) {
        <p class="note mt-4">{{ a }}</p>
      }
      @if (byStopSign()) {
        <p class="mt-2">Your coach will see what you felt.</p>
      }
      <fieldset class="mt-6">
        <legend class="text-lg">How strong did it feel?</legend>
        <div class="mt-3 grid grid-cols-6 gap-2 sm:grid-cols-11">
          @for (n of scale; track n) {
            <button
              type="button"
              class="btn !min-h-12 text-lg"
              [class.btn-go]="sensation() === n"
              [attr.aria-pressed]="sensation() === n"
              [attr.aria-label]="n + ', ' + words(n)"
              (click)="sensation.set(sensation() === n ? null : n)"
            >
              {{ n }}
            </button>
          }
        </div>
        <p class="mt-2 min-h-6 text-soft" aria-live="polite">
          {{
            sensation() === null
              ? '0 nothing · 1-3 a light pull · 4-6 a clear stretch, you can talk · 7 too strong to talk easily · 8-10 it hurts. Leave this blank if you are not sure.'
              : words(sensation()!)
          }}
        </p>
      </fieldset>
      <fieldset class="mt-5">
        <legend class="text-lg">Which side felt tighter?</legend>
        <div class="mt-2 grid grid-cols-3 gap-2">
          @for (x of sides; track x.id) {
            <button
              type="button"
              class="btn !min-h-12"
              [class.btn-go]="felt() === x.id"
              [attr.aria-pressed]="felt() === x.id"
              (click)="felt.set(felt() === x.id ? null : x.id)"
            >
              {{ x.name }}
            </button>
          }
        </div>
      </fieldset>
      <label class="field mt-4">
        <span class="label">Anything your coach should know?</span>
        <textarea #note class="input" rows="2" maxlength="2000" (input)="remark.set(note.value)"></textarea>
      </label>
      @if (asked()) {
        <y-symptom-question class="mt-4 block" [exercises]="exercises()" [(felt)]="symptom" />
      }
      <button
        type="button"
        class="btn btn-go mt-5 !min-h-12 w-full text-lg"
        [disabled]="asked() && symptom() === undefined"
        (click)="save(note.value)"
      >
        Finish and save
      </button>
      @if (asked() && symptom() === undefined) {
        <p class="hint mt-2">Say first whether you felt any of these: it tells your coach what to change.</p>
      }
    </section>
  `,
})
export class RunEnd {
  protected readonly store = inject(RunStore);
  readonly byStopSign = input.required<boolean>();
  /** What to do after what was felt; null for nothing. */
  readonly advice = input.required<string | null>();

  protected readonly remark = signal('');
  protected readonly symptom = signal<FeltSymptom | null | undefined>(undefined);
  /** Strong, or remarked on: then a symptom may be behind it. What was stopped for has been said already. */
  protected readonly asked = computed(
    () => !this.byStopSign() && ((this.sensation() ?? 0) >= TOO_STRONG || this.remark().trim() !== ''),
  );
  protected readonly exercises = computed(() =>
    exercisesDone(this.store.view.items(), this.store.forms(), this.store.find),
  );
  protected readonly sensation = signal<number | null>(null);
  protected readonly felt = signal<FeltSide | null>(null);
  protected readonly scale = Array.from({ length: 11 }, (_, i) => i);
  protected readonly words = sensationWords;
  protected readonly sides = [
    { id: 'left', name: 'Left' },
    { id: 'same', name: 'The same' },
    { id: 'right', name: 'Right' },
  ] as const;

  protected save(note: string): void {
    const felt = this.asked() ? this.symptom() : null;
    if (felt) this.store.feltIn(felt);
    void this.store.finish(this.sensation(), this.felt(), note);
  }
}

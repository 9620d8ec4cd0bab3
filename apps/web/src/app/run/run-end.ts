import { Component, computed, inject, input, signal } from '@angular/core';
import type { FeltSide, RegionScore, TighterIn } from '@yandle/contract';
import { sensationWords, SIDES, type Side } from '@yandle/core';
import { StiffnessRows } from '../check-in/stiffness-rows';
import { oneOf } from '../ui/one-of';
import { exercisesDone, SymptomQuestion, type FeltSymptom } from '../ui/symptom-question';
import { RunStore } from './run.store';

/** Sensation from which a client can’t talk easily: the symptom is asked for (domain 2.7). */
const TOO_STRONG = 7;

/** The end of a session: how strong it was, which side was tighter, what the coach should know. Nothing is filled in beforehand. */
@Component({
  selector: 'y-run-end',
  imports: [StiffnessRows, SymptomQuestion],
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
      @if (sided().length > 0) {
        <details class="mt-3">
          <summary class="font-semibold">Say it for each exercise</summary>
          <ul class="mt-2 flex flex-col gap-2">
            @for (e of sided(); track e.id) {
              <li class="flex flex-wrap items-center gap-2" role="group" [attr.aria-label]="e.name + ': tighter side'">
                <span class="min-w-40 flex-1">{{ e.name }}</span>
                @for (x of ['left', 'right']; track x) {
                  <button
                    type="button"
                    class="btn !min-h-11"
                    [class.btn-go]="tighterOf(e.id) === x"
                    [attr.aria-pressed]="tighterOf(e.id) === x"
                    (click)="sayTighter(e.id, x)"
                  >
                    {{ x === 'left' ? 'Left' : 'Right' }}
                  </button>
                }
              </li>
            }
          </ul>
        </details>
      }
      @if (store.regions().length > 0) {
        <details class="mt-3">
          <summary class="font-semibold">How stiff do you feel now?</summary>
          <p class="mt-1 text-sm text-soft">0 not at all · 10 very stiff. Leave it out if you like.</p>
          <y-stiffness-rows [regions]="store.regions()" [(scores)]="stiffness" />
        </details>
      }
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
  protected readonly stiffness = signal<readonly RegionScore[]>([]);
  protected readonly tighterIn = signal<readonly TighterIn[]>([]);
  /** Exercises with two sides, each once. */
  protected readonly sided = computed(() => {
    const ids = [...new Set(this.store.view.items().map((i) => i.exerciseId))];
    return ids.map((id) => this.store.find(id)).filter((e) => e.sides === 'each');
  });

  protected tighterOf(exerciseId: string): Side | null {
    return this.tighterIn().find((t) => t.exerciseId === exerciseId)?.side ?? null;
  }

  protected sayTighter(exerciseId: string, said: string): void {
    const side = oneOf(SIDES, said);
    if (side === null) return;
    const others = this.tighterIn().filter((t) => t.exerciseId !== exerciseId);
    this.tighterIn.set(this.tighterOf(exerciseId) === side ? others : [...others, { exerciseId, side }]);
  }
  protected readonly sides = [
    { id: 'left', name: 'Left' },
    { id: 'same', name: 'The same' },
    { id: 'right', name: 'Right' },
  ] as const;

  protected save(note: string): void {
    const felt = this.asked() ? this.symptom() : null;
    if (felt) this.store.feltIn(felt);
    this.store.sayStiffness('after session', this.stiffness());
    void this.store.finish(this.sensation(), this.felt(), note, this.tighterIn());
  }
}

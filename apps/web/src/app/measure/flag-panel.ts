import { Component, computed, input, output, signal } from '@angular/core';
import type { TestEventBody } from '@yandle/contract';
import { isStopSign, STOP_ADVICE, SYMPTOMS, type RomTest, type Side, type SymptomId } from '@yandle/core';

const SKIP_REASONS = [
  'No time today',
  'Can’t get into the position',
  'No instrument here',
  'Client does not want it',
  'A caution rules it out',
];

/** Ends a test because of what was felt, or skips it with a reason. */
@Component({
  selector: 'y-flag-panel',
  template: `
    <form class="sheet flex flex-col gap-3 !border-attention p-4" (submit)="send($event)">
      @if (kind() === 'stopped') {
        <h2 class="!text-[1.05rem]">What was felt?</h2>
        <div class="flex flex-wrap gap-1.5" role="radiogroup" aria-label="What was felt">
          @for (s of symptoms; track s.id) {
            <label class="choice">
              <input type="radio" name="symptom" [value]="s.id" (change)="symptom.set(s.id)" /> {{ s.name }}
            </label>
          }
        </div>
        @if (test().sides !== 'none') {
          <div class="flex flex-wrap items-center gap-1.5" role="radiogroup" aria-label="On which side">
            @for (s of sides; track s.id) {
              <label class="choice">
                <input type="radio" name="side" [checked]="side() === s.id" (change)="side.set(s.id)" /> {{ s.name }}
              </label>
            }
          </div>
        }
        @if (stopSign()) {
          <p class="note text-sm" role="alert">{{ advice }} Take no more readings of this test today.</p>
        }
      } @else {
        <h2 class="!text-[1.05rem]">Why is it skipped?</h2>
        <div class="flex flex-wrap gap-1.5">
          @for (r of reasons; track r) {
            <label class="choice">
              <input type="radio" name="reason" [checked]="reason() === r" (change)="reason.set(r)" /> {{ r }}
            </label>
          }
        </div>
      }
      <label class="field">
        <span class="label">{{ kind() === 'stopped' ? 'Note (optional)' : 'Reason' }}</span>
        <input class="input" maxlength="500" [value]="reason()" #box (input)="reason.set(box.value)" />
      </label>
      <div class="flex gap-2">
        <button class="btn btn-stop" type="submit" [disabled]="!complete()">
          {{ kind() === 'stopped' ? 'End this test' : 'Skip this test' }}
        </button>
        <button class="btn" type="button" (click)="closed.emit()">Back to measuring</button>
      </div>
    </form>
  `,
})
export class FlagPanel {
  readonly kind = input.required<'skipped' | 'stopped'>();
  readonly test = input.required<RomTest>();
  readonly flagged = output<Omit<TestEventBody, 'testId'>>();
  readonly closed = output();
  protected readonly symptoms = SYMPTOMS;
  protected readonly reasons = SKIP_REASONS;
  protected readonly advice = STOP_ADVICE;
  protected readonly sides: readonly { id: Side | null; name: string }[] = [
    { id: 'left', name: 'Left' },
    { id: 'right', name: 'Right' },
    { id: null, name: 'Both, or elsewhere' },
  ];
  protected readonly symptom = signal<SymptomId | null>(null);
  protected readonly side = signal<Side | null>(null);
  protected readonly reason = signal('');
  protected readonly stopSign = computed(() => this.symptom() !== null && isStopSign(this.symptom()!));
  protected readonly complete = computed(() =>
    this.kind() === 'stopped' ? this.symptom() !== null : this.reason().trim() !== '',
  );

  protected send(event: Event): void {
    event.preventDefault();
    if (!this.complete()) return;
    const stopped = this.kind() === 'stopped';
    this.flagged.emit({
      kind: this.kind(),
      side: stopped ? this.side() : null,
      symptom: stopped ? this.symptom() : null,
      reason: this.reason().trim(),
    });
  }
}

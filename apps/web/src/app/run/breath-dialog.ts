import { A11yModule } from '@angular/cdk/a11y';
import { Component, computed, input, output, signal } from '@angular/core';
import { breathFromTaps } from '@yandle/core';

/** Measures a client's own breath: a tap at the start of every breath in. */
@Component({
  selector: 'y-breath-dialog',
  imports: [A11yModule],
  template: `
    <div
      class="fixed inset-0 z-40 flex items-center justify-center bg-black/70 p-4"
      role="dialog"
      aria-modal="true"
      aria-labelledby="breath"
      cdkTrapFocus
      [cdkTrapFocusAutoCapture]="true"
      (keydown.escape)="closed.emit()"
    >
      <div class="sheet w-full max-w-md p-5">
        <h2 id="breath">Your own breath</h2>
        <p class="mt-1">Breathe as you do at rest. Tap whenever a breath in begins, at least five times.</p>
        <button type="button" class="btn btn-go mt-4 !min-h-24 w-full text-xl" (click)="tap($event.timeStamp)">
          Breath in
        </button>
        <p class="mt-3" role="status">
          {{ taps().length }} {{ taps().length === 1 ? 'tap' : 'taps' }}
          @if (found(); as s) {
            · one breath takes <b>{{ s }} s</b>
          } @else {
            · now {{ now() ?? 5 }} s{{ now() === null ? ', the usual' : '' }}
          }
        </p>
        <div class="mt-4 flex flex-wrap gap-2">
          <button type="button" class="btn btn-go" [disabled]="found() === null" (click)="saved.emit(found())">
            Keep it
          </button>
          <button type="button" class="btn" (click)="taps.set([])">Again</button>
          <button type="button" class="btn" (click)="closed.emit()">Close</button>
        </div>
      </div>
    </div>
  `,
})
export class BreathDialog {
  readonly now = input.required<number | null>();
  readonly saved = output<number | null>();
  readonly closed = output();
  protected readonly taps = signal<readonly number[]>([]);
  protected readonly found = computed(() => (this.taps().length < 5 ? null : breathFromTaps(this.taps())));

  protected tap(at: number): void {
    this.taps.update((t) => [...t, at]);
  }
}

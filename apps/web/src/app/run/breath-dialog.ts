import { Component, computed, input, output, signal } from '@angular/core';
import { breathFromTaps } from '@yandle/core';
import { Dialog } from '../ui/dialog';

/** Measures a client's own breath: a tap at the start of every breath in. */
@Component({
  selector: 'y-breath-dialog',
  imports: [Dialog],
  template: `
    <y-dialog labelledBy="breath" (closed)="closed.emit()">
      <h2 id="breath">Your own breath</h2>
      <p class="mt-1">Breathe normally. Tap each time you start to breathe in, at least five times.</p>
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
          Save
        </button>
        <button type="button" class="btn" (click)="taps.set([])">Again</button>
        <button type="button" class="btn" (click)="closed.emit()">Close</button>
      </div>
    </y-dialog>
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

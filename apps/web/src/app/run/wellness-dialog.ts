import { Component, output, signal } from '@angular/core';
import type { Wellness } from '@yandle/core';
import { Dialog } from '../ui/dialog';

/** Asked before every session: how the client is today. Nothing is chosen beforehand. */
@Component({
  selector: 'y-wellness-dialog',
  imports: [Dialog],
  template: `
    <y-dialog labelledBy="today" (closed)="closed.emit()">
      @if (!unwell()) {
        <h2 id="today">How are you today?</h2>
        <div class="mt-4 grid gap-2">
          <button type="button" class="btn btn-go !min-h-14 text-lg" (click)="said.emit('well')">I’m well</button>
          <button type="button" class="btn !min-h-14 !whitespace-normal" (click)="said.emit('lighter')">
            A little unwell: a lighter session, without load or pushing
          </button>
          <button type="button" class="btn btn-stop !min-h-14 !whitespace-normal" (click)="unwell.set(true)">
            Fever, chest complaints, new strong pain, or I’ve had alcohol
          </button>
        </div>
      } @else {
        <h2 id="today">No session today</h2>
        <p class="mt-3">
          Rest. Your session stays in the plan; do it when you are well, or ask your coach to move it. With chest pain
          or trouble breathing call an ambulance; with fever that lasts or strong new pain see a doctor.
        </p>
        <div class="mt-4 flex flex-wrap gap-2">
          <button type="button" class="btn btn-go !min-h-12" (click)="said.emit('unwell')">
            Tell my coach, and leave
          </button>
          <button type="button" class="btn !min-h-12" (click)="unwell.set(false)">Back</button>
        </div>
      }
    </y-dialog>
  `,
})
export class WellnessDialog {
  readonly said = output<Wellness>();
  readonly closed = output();
  protected readonly unwell = signal(false);
}

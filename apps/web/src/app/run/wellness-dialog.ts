import { Component, input, model, output, signal } from '@angular/core';
import type { RegionScore } from '@yandle/contract';
import type { BodyRegionId, Wellness } from '@yandle/core';
import { StiffnessRows } from '../check-in/stiffness-rows';
import { Dialog } from '../ui/dialog';

/** Asked before every session: how the client is today. Nothing is chosen beforehand. */
@Component({
  selector: 'y-wellness-dialog',
  imports: [Dialog, StiffnessRows],
  template: `
    <y-dialog labelledBy="today" (closed)="closed.emit()">
      @if (!unwell()) {
        <h2 id="today">How are you today?</h2>
        @if (regions().length > 0) {
          <details class="mt-3">
            <summary class="font-semibold">How stiff do you feel now?</summary>
            <p class="mt-1 text-sm text-soft">0 not at all · 10 very stiff. Leave it out if you like.</p>
            <y-stiffness-rows [regions]="regions()" [(scores)]="stiffness" />
          </details>
        }
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
  /** Regions that the session works on. */
  readonly regions = input<readonly BodyRegionId[]>([]);
  readonly stiffness = model<readonly RegionScore[]>([]);
  readonly said = output<Wellness>();
  readonly closed = output();
  protected readonly unwell = signal(false);
}

import { counted } from '@yandle/core';
import { Component, inject } from '@angular/core';
import { Outbox } from '../data/outbox/outbox';

/** Whether what was entered has reached the server. */
@Component({
  selector: 'y-save-state',
  template: `
    <span
      class="text-sm"
      [class.text-soft]="outbox.state() !== 'refused'"
      [class.text-attention]="outbox.state() === 'refused'"
      role="status"
    >
      @switch (outbox.state()) {
        @case ('saved') {
          Saved
        }
        @case ('saving') {
          Saving…
        }
        @case ('waiting') {
          Offline: {{ counted(outbox.pending(), 'change') }} saved here, sent later
        }
        @case ('refused') {
          Not saved: {{ outbox.refusals()[0]?.problem?.errors?.[0]?.message ?? outbox.refusals()[0]?.problem?.detail }}
          <button type="button" class="link" (click)="outbox.dismissRefusals()">OK</button>
        }
      }
    </span>
  `,
})
export class SaveState {
  protected readonly outbox = inject(Outbox);
  protected readonly counted = counted;
}

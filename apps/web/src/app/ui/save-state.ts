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
          No connection: {{ outbox.pending() }} kept here, sent later
        }
        @case ('refused') {
          Not taken: {{ outbox.refusals()[0]?.problem?.errors?.[0]?.message ?? outbox.refusals()[0]?.problem?.detail }}
          <button type="button" class="link" (click)="outbox.dismissRefusals()">Understood</button>
        }
      }
    </span>
  `,
})
export class SaveState {
  protected readonly outbox = inject(Outbox);
}

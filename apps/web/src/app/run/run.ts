import { Component, inject, input } from '@angular/core';
import { Router } from '@angular/router';
import type { Session } from '@yandle/contract';
import { RunPlayer } from './run-player';

/** A session run on the coach's device. */
@Component({
  selector: 'y-run',
  imports: [RunPlayer],
  template: `<y-run-player [sessionId]="sessionId()" (left)="toSheet($event)" (done)="toSheet($event)" />`,
})
export class RunScreen {
  private readonly router = inject(Router);
  readonly sessionId = input.required<string>();

  protected toSheet(session: Session): void {
    void this.router.navigate(['/clients', session.clientId, 'sessions', session.id]);
  }
}

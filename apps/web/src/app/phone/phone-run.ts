import { Component, inject, input } from '@angular/core';
import { Router } from '@angular/router';
import type { Session } from '@yandle/contract';
import { RunPlayer } from '../run/run-player';
import { PhoneStore } from './phone.store';

/** A session run by the client on their own. */
@Component({
  selector: 'y-phone-run',
  imports: [RunPlayer],
  template: `<y-run-player [sessionId]="sessionId()" (left)="home()" (done)="finished($event)" />`,
})
export class PhoneRun {
  private readonly router = inject(Router);
  private readonly store = inject(PhoneStore);
  readonly sessionId = input.required<string>();

  protected home(): void {
    void this.router.navigate(['/s/start']);
  }

  protected async finished(session: Session): Promise<void> {
    await this.store.markFinished(session.id);
    this.home();
  }
}

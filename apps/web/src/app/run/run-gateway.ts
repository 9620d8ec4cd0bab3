import { inject, Injectable } from '@angular/core';
import type { Session, SymptomReport } from '@yandle/contract';
import type { Exercise } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { Outbox } from '../data/outbox/outbox';
import type { QueuedRequest } from '../data/outbox/queued-request';
import { LibraryService } from '../library/library.service';

/** Where a run comes from and where its logs go: the coach's session here, the client's phone elsewhere. */
@Injectable({ providedIn: 'root' })
export class RunGateway {
  private readonly api = inject(Api);
  private readonly outbox = inject(Outbox);
  private readonly library = inject(LibraryService);

  /** The session, when its exercises are known too: sides and seconds follow from them. */
  async load(sessionId: string): Promise<Session> {
    const session = await firstValueFrom(this.api.session(sessionId));
    await this.library.ready();
    return session;
  }

  find(id: string): Exercise {
    return this.library.find(id);
  }

  post(queued: QueuedRequest): void {
    this.outbox.post(queued);
  }

  /** A stop sign was felt in a run. The coach's screens ask the server; a phone goes by it at once. */
  felt(_report: SymptomReport): void {
    /* Nothing is kept here. */
  }

  /** Writes of this device that have not arrived yet. */
  pending(): number {
    return this.outbox.pending();
  }

  offline(): boolean {
    return this.outbox.offline();
  }

  /** Gives the server up to two seconds, so that the session shows what was logged; without a server it goes later. */
  async settled(): Promise<void> {
    for (let i = 0; i < 20 && this.pending() > 0 && !this.offline(); i++) await new Promise((r) => setTimeout(r, 100));
  }

  /** Whose breath is kept. */
  clientOf(session: Session): string | null {
    return session.clientId;
  }
}

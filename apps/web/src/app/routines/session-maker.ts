import { inject, Injectable } from '@angular/core';
import type { CreateSessionsBody, SessionSummary } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';

/** A list to be put on dates. */
export type DatedList = Omit<CreateSessionsBody, 'sessions'>;

/** Puts lists on dates of clients. */
@Injectable({ providedIn: 'root' })
export class SessionMaker {
  private readonly api = inject(Api);

  make(clientId: string, list: DatedList, dates: readonly string[]): Promise<SessionSummary[]> {
    const sessions = dates.map((date) => ({ id: newId(), date }));
    return firstValueFrom(this.api.createSessions(clientId, { ...list, sessions }));
  }
}

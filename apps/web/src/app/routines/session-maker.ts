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

  /** Ids of what was asked for and not answered yet, by what it is: the same asked again makes nothing twice. */
  private readonly asked = new Map<string, readonly string[]>();

  async make(clientId: string, list: DatedList, dates: readonly string[]): Promise<SessionSummary[]> {
    const key = JSON.stringify([clientId, list, dates]);
    const ids = this.asked.get(key) ?? dates.map(() => newId());
    this.asked.set(key, ids);
    const sessions = dates.map((date, i) => ({ id: ids[i]!, date }));
    const made = await firstValueFrom(this.api.createSessions(clientId, { ...list, sessions }));
    this.asked.delete(key);
    return made;
  }
}

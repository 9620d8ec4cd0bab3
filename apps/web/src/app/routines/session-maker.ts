import { inject, Injectable } from '@angular/core';
import type { CreateSessionsBody, SessionSummary } from '@yandle/contract';
import type { RoundDate } from '@yandle/core';
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

  async make(clientId: string, list: DatedList, dates: readonly RoundDate[]): Promise<SessionSummary[]> {
    return this.makeAll(clientId, [{ list, dates }]);
  }

  /** Several lists, each on its dates: all of them, or none. */
  async makeAll(
    clientId: string,
    lists: readonly { readonly list: DatedList; readonly dates: readonly RoundDate[] }[],
  ): Promise<SessionSummary[]> {
    const key = JSON.stringify([clientId, lists]);
    const ids = this.asked.get(key) ?? lists.flatMap((l) => l.dates.map(() => newId()));
    this.asked.set(key, ids);
    let next = 0;
    const bodies = lists.map(({ list, dates }) => ({
      ...list,
      sessions: dates.map((on) => ({ id: ids[next++]!, ...on })),
    }));
    const [only] = bodies;
    const made = await firstValueFrom(
      bodies.length === 1
        ? this.api.createSessions(clientId, only!)
        : this.api.createSeries(clientId, { lists: bodies }),
    );
    this.asked.delete(key);
    return made;
  }
}

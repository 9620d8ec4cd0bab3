import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { OWN_SERIES_PREFIX, type OwnSeries } from '@yandle/contract';
import { SERIES, type Series, type SeriesDefinition } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { Requests } from '../data/requests';

/** An own series beside those that ship. */
export function seriesOfOwn({ version: _v, archived: _a, ...own }: OwnSeries): Series {
  return { ...own, id: OWN_SERIES_PREFIX + own.id };
}

/** The series a studio works with: those that ship, and its own. */
@Injectable({ providedIn: 'root' })
export class SeriesService {
  private readonly api = inject(Api);
  private readonly account = inject(AccountService);
  readonly own = signal<readonly OwnSeries[]>([]);
  readonly requests = new Requests();
  /** Own series that are not archived. */
  readonly current = computed((): readonly Series[] =>
    this.own()
      .filter((o) => !o.archived)
      .map(seriesOfOwn),
  );

  constructor() {
    effect(() => {
      const coach = this.account.me()?.coach.id;
      untracked(() => {
        this.own.set([]);
        if (coach) void this.load();
      });
    });
  }

  find(id: string): Series {
    return [...this.current(), ...SERIES].find((s) => s.id === id) ?? SERIES[0]!;
  }

  async load(): Promise<void> {
    await this.requests.run(async () => this.own.set(await firstValueFrom(this.api.series())));
  }

  /** @returns the series as it is kept; null when it was refused */
  async keep(
    id: string,
    head: Pick<OwnSeries, 'archived'> & { readonly version: number | null },
    { name, note, entries }: SeriesDefinition,
  ): Promise<OwnSeries | null> {
    return (
      (await this.requests.run(async () => {
        const kept = await firstValueFrom(this.api.putSeries(id, { name, note, entries, ...head }));
        this.own.set(await firstValueFrom(this.api.series()));
        return kept;
      })) ?? null
    );
  }
}

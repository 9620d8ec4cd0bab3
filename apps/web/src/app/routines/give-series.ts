import { Component, computed, inject, input, output, signal } from '@angular/core';
import type { ClientListItem, ClientRoutineFit } from '@yandle/contract';
import {
  addDays,
  formatDate,
  isPlainDate,
  routineOutWords,
  seriesDates,
  seriesLength,
  type Series,
  settingsOf,
  spreadOver,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { Requests } from '../data/requests';
import { ToastService } from '../data/toast.service';
import { ClientPicker } from '../frame/client-picker';
import { LibraryService } from '../library/library.service';
import { ProblemNote } from '../ui/problem-note';
import { ClientsGiven, type ClientGiven } from './clients-given';
import { RoutinesService } from './routines.service';
import { SessionMaker } from './session-maker';

/** A client with each routine of a series as they can do it. */
interface SeriesFit {
  readonly clientId: string;
  readonly clientName: string;
  readonly waits: boolean;
  readonly fits: ReadonlyMap<string, ClientRoutineFit>;
}

/** A whole series for one client or for many, from a day on: as each of them can do it, with what falls out and why. */
@Component({
  selector: 'y-give-series',
  imports: [ClientPicker, ClientsGiven, ProblemNote],
  template: `
    <section class="sheet mt-3 flex flex-col gap-3 p-4" aria-labelledby="give-series">
      <div class="flex items-baseline justify-between gap-3">
        <h3 id="give-series">Give it to clients</h3>
        <button type="button" class="link" (click)="closed.emit()">Close</button>
      </div>
      @if (requests.problem(); as p) {
        <y-problem-note [problem]="p" />
      }
      <div class="flex flex-wrap items-end gap-3">
        <y-client-picker class="w-72" label="Add a client" [picks]="true" (picked)="add($event)" />
        <label class="field !w-40">
          <span class="label">First day</span>
          <input class="input" type="date" [min]="today" [value]="start()" #on (change)="setStart(on.value)" />
        </label>
        <p class="pb-2 text-sm text-soft">until {{ lastDay() }}</p>
      </div>
      @if (clients().length > 0) {
        <y-clients-given [clients]="shown()" [given]="given()" (removed)="remove($event)" />
        <button
          type="button"
          class="btn btn-go self-start"
          [disabled]="ready().length === 0 || requests.busy()"
          (click)="give()"
        >
          {{ label() }}
        </button>
      } @else {
        <p class="text-sm text-soft">
          Add one client or several. Cautions, stop signs and places are looked at for each of them and each routine.
        </p>
      }
    </section>
  `,
})
export class GiveSeries {
  private readonly api = inject(Api);
  private readonly library = inject(LibraryService);
  private readonly routines = inject(RoutinesService);
  private readonly maker = inject(SessionMaker);
  private readonly toasts = inject(ToastService);
  readonly series = input.required<Series>();
  readonly closed = output();
  protected readonly today = inject(AccountService).me()?.today ?? '';
  protected readonly requests = new Requests();
  protected readonly start = signal(this.today);
  protected readonly clients = signal<readonly SeriesFit[]>([]);
  /** Clients whose calendar has it. */
  protected readonly given = signal<ReadonlySet<string>>(new Set());
  protected readonly lastDay = computed(() =>
    formatDate(addDays(this.start(), Math.max(0, seriesLength(this.series()) - 1)), 'd MMM yyyy'),
  );
  protected readonly ready = computed(() =>
    this.clients().filter(
      (c) => !c.waits && !this.given().has(c.clientId) && [...c.fits.values()].some((f) => f.items.length > 0),
    ),
  );
  protected readonly shown = computed((): readonly ClientGiven[] =>
    this.clients().map((c) => {
      const { clientId, clientName, waits } = c;
      const says = waits ? 'waits for a clearance first' : '';
      return { clientId, clientName, says, stops: waits, parts: this.differences(c) };
    }),
  );
  protected readonly label = computed(() => {
    const n = this.ready().length;
    const sessions = this.series().entries.length;
    return `Put ${sessions} sessions on the calendar of ${n} ${n === 1 ? 'client' : 'clients'}`;
  });

  protected setStart(date: string): void {
    if (isPlainDate(date) && date >= this.today) this.start.set(date);
  }

  protected async add({ id }: ClientListItem): Promise<void> {
    if (this.clients().some((c) => c.clientId === id)) return;
    await this.requests.run(async () => {
      const fits = new Map<string, ClientRoutineFit>();
      for (const routineId of new Set(this.series().entries.map((e) => e.routineId))) {
        const routine = this.routines.find(routineId);
        if (!routine) continue;
        const { items, alreadyWarm, rounds, pacing } = routine;
        const [fit] = await firstValueFrom(
          this.api.fitRoutine({ items, alreadyWarm, rounds, ...(pacing && { pacing }), clientIds: [id] }),
        );
        if (fit) fits.set(routineId, fit);
      }
      const [first] = fits.values();
      if (!first) return;
      const { clientId, clientName, waits } = first;
      this.clients.update((all) => [...all, { clientId, clientName, waits, fits }]);
    });
  }

  protected remove(clientId: string): void {
    this.clients.update((all) => all.filter((c) => c.clientId !== clientId));
  }

  /** What is other than in the series, routine by routine. */
  private differences({ fits }: SeriesFit): ClientGiven['parts'] {
    const said = (id: string): string => this.library.find(id).name;
    return [...fits].flatMap(([routineId, { items, out }]) => {
      const name = this.routines.find(routineId)?.name ?? '';
      if (items.length === 0) return [{ name, lines: ['Nothing of it is left; its days stay free.'] }];
      const lines = out.map((o) => routineOutWords(o.why, said(o.exerciseId), o.insteadId && said(o.insteadId)));
      return lines.length > 0 ? [{ name, lines }] : [];
    });
  }

  protected async give(): Promise<void> {
    for (const { clientId, fits } of this.ready()) {
      const lists = seriesDates(this.series(), this.start()).flatMap(({ routineId, dates }) => {
        const [routine, fit] = [this.routines.find(routineId), fits.get(routineId)];
        if (!routine || !fit || fit.items.length === 0) return [];
        const head = { name: routine.name, routineId, placeId: fit.placeId, items: fit.items };
        return [{ list: { ...head, ...settingsOf(routine) }, dates: spreadOver(dates, 1) }];
      });
      const made = await this.requests.run(() => this.maker.makeAll(clientId, lists));
      // The first refusal stops here and is shown; who has it already is ticked.
      if (!made) return;
      this.given.update((g) => new Set([...g, clientId]));
    }
    this.toasts.show(`“${this.series().name}” is on the calendar.`);
  }
}

import { Component, computed, effect, inject, input, output, signal, untracked } from '@angular/core';
import type { ClientListItem, ClientRoutineFit } from '@yandle/contract';
import { settingsOf, formatClock, routineOutWords, type RoundDate, type RoutineDefinition } from '@yandle/core';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { Requests } from '../data/requests';
import { ToastService } from '../data/toast.service';
import { ClientPicker } from '../frame/client-picker';
import { LibraryService } from '../library/library.service';
import { ProblemNote } from '../ui/problem-note';
import { ClientsGiven, type ClientGiven } from './clients-given';
import { DatesForm } from './dates-form';
import { SessionMaker } from './session-maker';

/** One routine for one client or for many at once, on dates: as each of them can do it, with what falls out and why. */
@Component({
  selector: 'y-give-routine',
  imports: [ClientPicker, ClientsGiven, DatesForm, ProblemNote],
  templateUrl: './give-routine.html',
})
export class GiveRoutine {
  private readonly api = inject(Api);
  private readonly library = inject(LibraryService);
  private readonly maker = inject(SessionMaker);
  private readonly toasts = inject(ToastService);
  readonly routineId = input.required<string>();
  readonly routine = input.required<RoutineDefinition>();
  readonly closed = output();
  protected readonly requests = new Requests();
  protected readonly fits = signal<readonly ClientRoutineFit[]>([]);
  protected readonly dates = signal<readonly RoundDate[]>([{ date: inject(AccountService).me()?.today ?? '' }]);
  /** Clients whose calendar has it. */
  protected readonly given = signal<ReadonlySet<string>>(new Set());
  protected readonly ready = computed(() =>
    this.fits().filter((f) => !f.waits && f.items.length > 0 && !this.given().has(f.clientId)),
  );
  protected readonly clients = computed((): readonly ClientGiven[] =>
    this.fits().map((f) => {
      const { clientId, clientName, waits } = f;
      const stops = waits || f.items.length === 0;
      const says = waits
        ? 'waits for a clearance first'
        : stops
          ? 'nothing of it is left'
          : `${formatClock(f.totalSeconds)} min`;
      const said = (id: string): string => this.library.find(id).name;
      const lines = f.out.map((o) => routineOutWords(o.why, said(o.exerciseId), o.insteadId && said(o.insteadId)));
      return { clientId, clientName, says, stops, parts: lines.length > 0 ? [{ name: '', lines }] : [] };
    }),
  );
  protected readonly label = computed(() => {
    const n = this.ready().length;
    const [people, days] = [`${n} ${n === 1 ? 'client' : 'clients'}`, new Set(this.dates().map((d) => d.date)).size];
    return `Put it on the calendar of ${people}${days > 1 ? `, ${days} days each` : ''}`;
  });

  constructor() {
    effect(() => {
      this.routineId();
      untracked(() => {
        this.fits.set([]);
        this.given.set(new Set());
      });
    });
  }

  protected async add({ id }: ClientListItem): Promise<void> {
    if (this.fits().some((f) => f.clientId === id)) return;
    const { items, alreadyWarm, rounds, pacing } = this.routine();
    const ask = { items, alreadyWarm, rounds, ...(pacing && { pacing }), clientIds: [id] };
    const [fit] = (await this.requests.run(this.api.fitRoutine(ask))) ?? [];
    if (fit) this.fits.update((all) => [...all, fit]);
  }

  protected remove(clientId: string): void {
    this.fits.update((all) => all.filter((f) => f.clientId !== clientId));
  }

  protected async give(): Promise<void> {
    const { name } = this.routine();
    for (const fit of this.ready()) {
      const list = {
        ...{ name, routineId: this.routineId(), placeId: fit.placeId, items: fit.items },
        ...settingsOf(this.routine()),
      };
      const made = await this.requests.run(() => this.maker.make(fit.clientId, list, this.dates()));
      // The first refusal stops here and is shown; who has it already is ticked.
      if (!made) return;
      this.given.update((done) => new Set([...done, fit.clientId]));
    }
    this.toasts.show(`“${name}” is on the calendar of ${this.given().size === 1 ? 'one client' : 'all of them'}.`);
  }
}

import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import type { Assessment, CreateAssessmentBody, Problem, Trial, TrialBody } from '@yandle/contract';
import { inPositionOrder, ROM_TESTS, type RomTest, type Side } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { newId } from '../data/ids';
import { Outbox } from '../data/outbox.service';
import { problemOf } from '../data/problem';

/**
 * A client's visits and the one that is open. Readings are shown at once and go out through the outbox: nothing waits for the network,
 * and nothing is lost without it.
 */
@Injectable()
export class MeasureStore {
  private readonly api = inject(Api);
  private readonly outbox = inject(Outbox);
  private readonly context = inject(ClientContext);
  private readonly account = inject(AccountService);

  readonly visits = signal<readonly Assessment[] | null>(null);
  readonly problem = signal<Problem | null>(null);
  private readonly openId = signal<string | null>(null);
  private readonly testIndex = signal(0);
  readonly instruments = signal<Readonly<Record<string, string>>>({});
  private clientId = '';

  readonly visit = computed(() => this.visits()?.find((v) => v.id === this.openId()) ?? null);
  readonly latest = computed(() => this.visits()?.at(-1) ?? null);
  /** Tests of the open visit, in the order of positions; readings of other tests come along at their place. */
  readonly tests = computed((): readonly RomTest[] => {
    const visit = this.visit();
    if (!visit) return [];
    const ids = new Set([...visit.battery, ...visit.trials.map((t) => t.testId)]);
    return inPositionOrder(ROM_TESTS.filter((t) => ids.has(t.id)));
  });
  readonly test = computed(() => this.tests()[this.testIndex()]!);
  readonly isFirst = computed(() => this.testIndex() === 0);
  readonly isLast = computed(() => this.testIndex() === this.tests().length - 1);

  constructor() {
    // Readings kept from before a reload are sent first; then the server's list is complete.
    let pending = 0;
    effect(() => {
      const now = this.outbox.pending();
      if (pending > 0 && now === 0) untracked(() => void this.load(this.clientId));
      pending = now;
    });
  }

  async load(clientId: string): Promise<void> {
    this.clientId = clientId;
    if (!clientId) return;
    try {
      const visits = await firstValueFrom(this.api.assessments(clientId));
      // With readings on their way the list held here is the fuller one.
      if (this.visits() && this.outbox.pending() > 0) return;
      this.visits.set(visits);
      const today = this.account.me()?.today;
      if (!this.openId()) {
        const last = visits.at(-1);
        if (last && last.date === today) this.openId.set(last.id);
      }
      this.problem.set(null);
      this.context.refresh();
    } catch (err) {
      this.problem.set(problemOf(err));
    }
  }

  begin(conditions: Omit<CreateAssessmentBody, 'id' | 'note'>): void {
    const me = this.account.me()!;
    const body: CreateAssessmentBody = { ...conditions, id: newId(), note: '' };
    const visit: Assessment = {
      ...body,
      clientId: this.clientId,
      testerId: me.coach.id,
      testerName: me.coach.name,
      hoursSinceSession: null,
      trials: [],
    };
    const at = (a: Assessment) => `${a.date} ${a.time} ${a.id}`;
    this.visits.update((v) => [...(v ?? []), visit].sort((a, b) => (at(a) < at(b) ? -1 : 1)));
    this.openId.set(visit.id);
    this.testIndex.set(0);
    this.outbox.post({ method: 'POST', path: `/clients/${this.clientId}/assessments`, body });
  }

  open(id: string): void {
    this.openId.set(id);
    this.testIndex.set(0);
  }

  close(): void {
    this.openId.set(null);
  }

  go(to: RomTest): void {
    this.testIndex.set(this.tests().indexOf(to));
  }

  move(by: 1 | -1): void {
    this.testIndex.update((i) => Math.min(this.tests().length - 1, Math.max(0, i + by)));
  }

  instrumentOf(test: RomTest): string {
    return this.instruments()[test.id] ?? test.instruments[0]!;
  }

  setInstrument(test: RomTest, instrument: string): void {
    this.instruments.update((all) => ({ ...all, [test.id]: instrument }));
  }

  /** Adds a reading, or corrects the one named: the earlier value is kept. */
  record(test: RomTest, side: Side | null, value: number, replaces: string | null): void {
    const visit = this.visit()!;
    const body: TrialBody = { testId: test.id, side, value, instrument: this.instrumentOf(test), replaces };
    const trial: Trial = { ...body, id: newId(), replacedBy: null };
    this.visits.update((all) =>
      all!.map((v) =>
        v.id !== visit.id
          ? v
          : {
              ...v,
              trials: [...v.trials.map((t) => (t.id === replaces ? { ...t, replacedBy: trial.id } : t)), trial],
            },
      ),
    );
    this.outbox.post({ method: 'PUT', path: `/assessments/${visit.id}/trials/${trial.id}`, body });
  }
}

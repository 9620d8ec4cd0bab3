import { Requests } from '../data/requests';
import { Component, computed, effect, inject, signal, untracked } from '@angular/core';
import type { Study, StudyKind } from '@yandle/contract';
import {
  CLIENTS_WANTED,
  formatError,
  mdc95,
  offeredTests,
  readingHabitsWords,
  resultSem,
  sourceWords,
  usualError,
  type RomTest,
  type Source,
  roundTo,
  METRIC,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';
import { ErrorsInUse, type StatedError } from './errors-in-use';
import { StudyResultPanel } from './study-result';
import { StudyTable } from './study-table';
import { EMPTY_ROW, workOut, type StudyRow } from './study.model';

const START_ROWS = 10;

/** A coach's own measurement error: clients measured twice, what the numbers say, and taking it as the error of a test. */
@Component({
  selector: 'y-reliability',
  imports: [ErrorsInUse, ProblemNote, StudyResultPanel, StudyTable],
  templateUrl: './reliability.html',
})
export class ReliabilityScreen {
  private readonly api = inject(Api);
  private readonly testCatalogue = inject(TestCatalogueService);
  private readonly account = inject(AccountService);
  private readonly toasts = inject(ToastService);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly studies = signal<readonly Study[] | null>(null);
  private readonly id = signal(newId());
  private readonly version = signal<number | null>(null);
  protected readonly testId = signal('weight-bearing-lunge');
  protected readonly name = signal('');
  protected readonly kind = signal<StudyKind>('days');
  protected readonly columns = signal<readonly [string, string]>(['Day 1', 'Day 2']);
  protected readonly rows = signal<readonly StudyRow[]>(Array.from({ length: START_ROWS }, () => EMPTY_ROW));
  protected readonly message = signal('');

  protected readonly tests = computed(() => offeredTests(this.testCatalogue.catalogue()));
  protected readonly test = computed(() => this.tests().find((t) => t.id === this.testId()) ?? this.tests()[0]!);
  protected readonly result = computed(() => workOut(this.rows()));
  protected readonly wanted = CLIENTS_WANTED;
  /** The error that stands for what I measure with this test; null for the catalogue's. */
  protected readonly own = computed(() => {
    const me = this.account.me()?.coach.id;
    return this.testCatalogue.view().errors.find((e) => e.testId === this.test().id && e.coachId === me) ?? null;
  });
  protected readonly catalogue = computed(() => {
    const t = this.test();
    const sem = resultSem(t);
    return { sem: this.reading(sem), mdc: this.reading(mdc95(usualError(t))), source: sourceWords(t.error.source) };
  });
  protected readonly mine = computed(() =>
    (this.studies() ?? []).filter((s) => s.coachId === this.account.me()?.coach.id),
  );
  /** What my own readings of the test say of how I read it. */
  protected readonly habits = signal<readonly string[]>([]);

  constructor() {
    void this.load();
    effect(() => {
      const test = this.test();
      untracked(() => void this.loadHabits(test));
    });
  }

  private async loadHabits(test: RomTest): Promise<void> {
    this.habits.set([]);
    try {
      const habits = await firstValueFrom(this.api.readingHabits(test.id));
      if (this.test().id === test.id) this.habits.set(readingHabitsWords(habits, test));
    } catch {
      // The study itself does not need them.
    }
  }

  private async load(): Promise<void> {
    await this.requests.run(async () => {
      this.studies.set(await firstValueFrom(this.api.studies()));
    });
  }

  protected reading(value: number): string {
    return formatError(value, this.test().unit, METRIC);
  }

  protected setKind(kind: StudyKind): void {
    this.kind.set(kind);
    this.columns.set(kind === 'days' ? ['Day 1', 'Day 2'] : ['Tester 1', 'Tester 2']);
  }

  protected open(s: Study): void {
    this.id.set(s.id);
    this.version.set(s.version);
    this.testId.set(s.testId);
    this.name.set(s.name);
    this.kind.set(s.kind);
    this.columns.set(s.columns);
    this.rows.set([...s.rows, EMPTY_ROW]);
    this.message.set('');
  }

  protected fresh(): void {
    this.id.set(newId());
    this.version.set(null);
    this.name.set('');
    this.rows.set(Array.from({ length: START_ROWS }, () => EMPTY_ROW));
    this.message.set('');
  }

  protected async save(): Promise<boolean> {
    const rows = this.rows().filter((r) => r.label !== '' || r.first !== null || r.second !== null);
    return (
      (await this.requests.run(async () => {
        const saved = await firstValueFrom(
          this.api.putStudy(this.id(), {
            version: this.version(),
            testId: this.test().id,
            name: this.name().trim() || this.test().name,
            kind: this.kind(),
            columns: this.columns(),
            rows,
          }),
        );
        this.version.set(saved.version);
        this.studies.update((all) => [saved, ...(all ?? []).filter((s) => s.id !== saved.id)]);
        this.message.set('Saved.');
        return true;
      })) ?? false
    );
  }

  /** Keeps the study and takes its error for what I measure from now on and have measured. */
  protected async adopt(): Promise<void> {
    const r = this.result();
    if (r.kind !== 'ready' || !(await this.save())) return;
    const { value, low, high } = r.error.sameTester;
    const how =
      this.kind() === 'days' ? 'on two days' : 'by two testers on one day, so without what differs from day to day';
    await this.take(
      value,
      { origin: 'own', text: `${r.clients} clients measured ${how}` },
      {
        low,
        high: Math.min(high, 1000),
        clients: r.clients,
        studyId: this.id(),
      },
    );
  }

  /** An error from elsewhere, with where it comes from. */
  protected async state({ sem, source }: StatedError): Promise<void> {
    const nothing = { low: null, high: null, clients: null, studyId: null };
    await this.take(sem, { origin: 'own', text: source }, nothing);
  }

  private async take(
    sem: number,
    source: Source,
    rest: { low: number | null; high: number | null; clients: number | null; studyId: string | null },
  ): Promise<void> {
    await this.requests.run(async () => {
      const round = (v: number | null) => (v === null ? null : roundTo(v, 4));
      await firstValueFrom(
        this.api.adoptError({
          id: newId(),
          testId: this.test().id,
          source,
          ...rest,
          sem: Math.max(0.0001, round(sem)!),
          low: round(rest.low),
          high: round(rest.high),
        }),
      );
      await this.testCatalogue.load();
      this.toasts.show(`Your error of ${this.test().name} is ${this.reading(sem)} from now on.`);
    });
  }

  protected async withdraw(id: string): Promise<void> {
    await this.requests.run(async () => {
      await firstValueFrom(this.api.withdrawError(id));
      await this.testCatalogue.load();
      this.toasts.show('Back to the catalogue’s figure.');
    });
  }
}

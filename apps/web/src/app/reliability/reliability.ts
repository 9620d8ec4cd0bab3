import { Requests } from '../data/requests';
import { Component, computed, inject, signal } from '@angular/core';
import type { Study, StudyKind } from '@yandle/contract';
import {
  CLIENTS_WANTED,
  formatNumber,
  formatReading,
  mdc90,
  mdc95,
  offeredTests,
  resultSem,
  sourceWords,
  type RomUnit,
  type Source,
  fewClientsWords,
  parseNumber,
  roundTo,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';
import { AgreementPlot } from './agreement-plot';
import { fullRows, rowsFromText, workOut, type StudyRow } from './study.model';

const EMPTY_ROW: StudyRow = { label: '', first: null, second: null };
const START_ROWS = 10;

/** A coach's own measurement error: clients measured twice, what the numbers say, and taking it as the error of a test. */
@Component({
  selector: 'y-reliability',
  imports: [AgreementPlot, ProblemNote],
  templateUrl: './reliability.html',
})
export class ReliabilityScreen {
  private readonly api = inject(Api);
  private readonly testCatalogue = inject(TestCatalogueService);
  private readonly account = inject(AccountService);
  private readonly toasts = inject(ToastService);
  protected readonly fewClients = fewClientsWords;
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
  protected readonly allForms = signal(false);
  protected readonly stating = signal(false);

  protected readonly tests = computed(() => offeredTests(this.testCatalogue.catalogue()));
  protected readonly test = computed(() => this.tests().find((t) => t.id === this.testId()) ?? this.tests()[0]!);
  protected readonly testName = computed(() => this.test().name);
  protected readonly unitWords = computed(() => (this.test().unit === 'deg' ? '°' : 'cm'));
  protected readonly result = computed(() => workOut(this.rows()));
  protected readonly filled = computed(() => fullRows(this.rows()).length);
  protected readonly wanted = CLIENTS_WANTED;
  /** The error that stands for what I measure with this test; null for the catalogue's. */
  protected readonly own = computed(() => {
    const me = this.account.me()?.coach.id;
    return this.testCatalogue.view().errors.find((e) => e.testId === this.test().id && e.coachId === me) ?? null;
  });
  protected readonly catalogue = computed(() => {
    const t = this.test();
    const sem = resultSem(t);
    return { sem: this.reading(sem), mdc: this.reading(mdc95(sem)), source: sourceWords(t.error.source) };
  });
  protected readonly mine = computed(() =>
    (this.studies() ?? []).filter((s) => s.coachId === this.account.me()?.coach.id),
  );
  protected readonly adopted = computed(() => {
    const me = this.account.me()?.coach.id;
    return this.testCatalogue.view().errors.flatMap((e) => {
      const test = this.testCatalogue.catalogue().tests.find((t) => t.id === e.testId);
      if (!test) return [];
      const digits = (v: number) => precise(v, test.unit);
      return [
        {
          id: e.id,
          mine: e.coachId === me,
          coach: e.coachName,
          test: test.name,
          sem: digits(e.sem),
          interval: e.low !== null && e.high !== null ? `${digits(e.low)} to ${digits(e.high)}` : 'stated',
          catalogue: digits(resultSem(test)),
          source: sourceWords(e.source),
        },
      ];
    });
  });

  constructor() {
    void this.load();
  }

  private async load(): Promise<void> {
    await this.requests.run(async () => {
      this.studies.set(await firstValueFrom(this.api.studies()));
    });
  }

  protected reading(value: number): string {
    return precise(value, this.test().unit);
  }

  protected number(value: number | null): string {
    return value === null ? '' : formatNumber(value);
  }

  /** Two decimals, for reliabilities and agreement. */
  protected fixed(value: number): string {
    return value.toFixed(2).replace('-', '−');
  }

  protected icc(value: number): string {
    return this.fixed(value);
  }

  protected mdc(sem: number): { mdc95: string; mdc90: string } {
    return { mdc95: this.reading(mdc95(sem)), mdc90: this.reading(mdc90(sem)) };
  }

  protected setKind(kind: StudyKind): void {
    this.kind.set(kind);
    this.columns.set(kind === 'days' ? ['Day 1', 'Day 2'] : ['Tester 1', 'Tester 2']);
  }

  protected readonly columnPlaces = [0, 1] as const;
  protected readonly cellKeys = ['first', 'second'] as const;

  protected setColumn(i: 0 | 1, name: string): void {
    const next: [string, string] = [...this.columns()];
    next[i] = name.trim() || next[i];
    this.columns.set(next);
  }

  protected setCell(i: number, key: 'label' | 'first' | 'second', text: string): void {
    const value = key === 'label' ? text.slice(0, 60) : parseNumber(text);
    this.rows.update((rows) => rows.map((r, at) => (at === i ? { ...r, [key]: value } : r)));
    if (i === this.rows().length - 1 && text.trim() !== '') this.rows.update((rows) => [...rows, EMPTY_ROW]);
  }

  /** Enter goes down the column, as in a notebook. */
  protected down(event: Event, i: number, key: string): void {
    event.preventDefault();
    document.getElementById(`cell-${key}-${i + 1}`)?.focus();
  }

  protected async importFile(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (file) this.takeText(await file.text());
  }

  protected takeText(text: string): void {
    const { rows, skipped } = rowsFromText(text);
    if (rows.length === 0)
      return this.message.set('No line with two numbers found. A client a line: label, first, second.');
    this.rows.set([...rows.slice(0, 200), EMPTY_ROW]);
    this.message.set(
      `${rows.length} clients taken${skipped > 0 ? `, ${skipped} lines without two numbers left out` : ''}.`,
    );
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
    const how = this.kind() === 'days' ? 'on two days' : 'by two testers';
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
  protected async state(event: Event, sem: string, source: string): Promise<void> {
    event.preventDefault();
    const value = parseNumber(sem) ?? 0;
    if (!(value > 0 && value <= 100) || source.trim() === '')
      return this.message.set('Enter the error as a number above 0, and where it comes from.');
    const nothing = { low: null, high: null, clients: null, studyId: null };
    await this.take(value, { origin: 'own', text: source.trim() }, nothing);
    this.stating.set(false);
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

/** An error with two decimals below 1, so that small ones can be told apart. */
function precise(value: number, unit: RomUnit): string {
  if (Math.abs(value) >= 10) return formatReading(value, unit);
  const text = value.toFixed(2).replace('-', '−');
  return unit === 'deg' ? `${text}°` : `${text} cm`;
}

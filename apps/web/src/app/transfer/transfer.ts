import { Component, computed, inject, signal } from '@angular/core';
import type { ImportReport, Problem } from '@yandle/contract';
import { guessColumn, guessDelimiter, RESULT_COLUMNS, type ResultColumn, percentOf } from '@yandle/core';
import { parse } from 'csv-parse/browser/esm/sync';
import type { Subscription } from 'rxjs';
import { V1 } from '../data/api';
import { problemOf } from '../data/problem';
import { ProblemNote } from '../ui/problem-note';
import { ImportService } from './import.service';

/** Bytes looked at for the preview. */
const PREVIEW_BYTES = 32_000;
const PREVIEW_LINES = 6;

/** Import and export of results: a file is looked at, its columns are named, it is tried, and then taken whole or not at all. */
@Component({
  selector: 'y-transfer',
  imports: [ProblemNote],
  templateUrl: './transfer.html',
})
export class TransferScreen {
  private readonly imports = inject(ImportService);
  protected readonly exports = { csv: `${V1}/exports/results.csv`, json: `${V1}/exports/results.json` };
  protected readonly known = RESULT_COLUMNS;
  protected readonly file = signal<File | null>(null);
  protected readonly preview = signal<readonly (readonly string[])[]>([]);
  protected readonly columns = signal<readonly (ResultColumn | '')[]>([]);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly report = signal<ImportReport | null>(null);
  protected readonly progress = signal<{ sent: number; of: number; dryRun: boolean } | null>(null);
  private running: Subscription | null = null;

  protected readonly isJson = computed(() => this.file()?.name.toLowerCase().endsWith('.json') ?? false);
  protected readonly missing = computed(() =>
    this.isJson() ? [] : RESULT_COLUMNS.filter((c) => c.needed && !this.columns().includes(c.id)).map((c) => c.id),
  );
  /** The dry run went through: the same file may be taken. */
  protected readonly mayTake = computed(() => {
    const r = this.report();
    return r !== null && r.dryRun && r.errorCount === 0 && r.readings > 0;
  });
  protected readonly percent = computed(() => {
    const p = this.progress();
    return p && p.of > 0 ? percentOf(p.sent, p.of) : 0;
  });

  protected async choose(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0] ?? null;
    input.value = '';
    this.cancel();
    this.report.set(null);
    this.problem.set(null);
    this.file.set(file);
    this.preview.set([]);
    if (!file || this.isJson()) return;
    const text = await file.slice(0, PREVIEW_BYTES).text();
    try {
      const rows = parse(text, {
        bom: true,
        delimiter: guessDelimiter(text.split('\n')[0]!),
        relax_column_count: true,
        relax_quotes: true,
        skip_empty_lines: true,
        skip_records_with_error: true,
        to: PREVIEW_LINES,
      });
      this.preview.set(rows);
      this.columns.set(rows[0]?.map((h) => guessColumn(h) ?? '') ?? []);
    } catch {
      this.columns.set([]);
    }
  }

  protected setColumn(i: number, value: string): void {
    const id = RESULT_COLUMNS.find((c) => c.id === value)?.id ?? '';
    this.columns.update((all) => all.map((c, at) => (at === i ? id : c !== '' && c === id ? '' : c)));
    this.report.set(null);
  }

  protected send(dryRun: boolean): void {
    const file = this.file();
    if (!file) return;
    this.problem.set(null);
    this.progress.set({ sent: 0, of: file.size, dryRun });
    this.running = this.imports.send(file, { dryRun, columns: this.columns().join(',') }).subscribe({
      next: (step) => {
        if (step.kind === 'sending') this.progress.set({ sent: step.sent, of: step.of, dryRun });
        else {
          this.report.set(step.report);
          this.progress.set(null);
        }
      },
      error: (err: unknown) => {
        const problem = problemOf(err);
        this.progress.set(null);
        this.problem.set(problem);
        this.report.set(problem.code === 'import-refused' ? (problem.current as ImportReport) : null);
      },
    });
  }

  protected cancel(): void {
    this.running?.unsubscribe();
    this.running = null;
    this.progress.set(null);
  }
}

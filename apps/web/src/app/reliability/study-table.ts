import { Component, input, model, output } from '@angular/core';
import { formatNumber, parseNumber, counted } from '@yandle/core';
import { EMPTY_ROW, rowsFromText, type StudyRow } from './study.model';

const MOST_ROWS = 200;

/** The measurements of a study: one client per row, typed, pasted from a spreadsheet or read from a file. */
@Component({
  selector: 'y-study-table',
  templateUrl: './study-table.html',
  host: { class: 'contents' },
})
export class StudyTable {
  readonly columns = model.required<readonly [string, string]>();
  readonly rows = model.required<readonly StudyRow[]>();
  readonly message = input('');
  /** What came of a paste or a file. */
  readonly said = output<string>();
  readonly saved = output();
  readonly fresh = output();

  protected readonly columnPlaces = [0, 1] as const;
  protected readonly cellKeys = ['first', 'second'] as const;

  protected number(value: number | null): string {
    return value === null ? '' : formatNumber(value);
  }

  protected setColumn(i: 0 | 1, name: string): void {
    const next: [string, string] = [...this.columns()];
    next[i] = name.trim() || next[i];
    this.columns.set(next);
  }

  protected setCell(i: number, key: 'label' | 'first' | 'second', text: string): void {
    const value = key === 'label' ? text.slice(0, 60) : parseNumber(text);
    const rows = this.rows().map((r, at) => (at === i ? { ...r, [key]: value } : r));
    this.rows.set(i === rows.length - 1 && text.trim() !== '' ? [...rows, EMPTY_ROW] : rows);
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
      return this.said.emit('No line with two numbers found. Enter one client per line: name, first, second.');
    this.rows.set([...rows.slice(0, MOST_ROWS), EMPTY_ROW]);
    this.said.emit(
      `${counted(rows.length, 'client')} added${skipped > 0 ? `, ${counted(skipped, 'line')} without two numbers left out` : ''}.`,
    );
  }
}

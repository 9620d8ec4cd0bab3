import { oneOf } from '../ui/one-of';
import { Component, computed, inject, output, signal } from '@angular/core';
import type { EditAnswersBody, FeltSide, FinishRunBody, SetLogBody, StartRunBody } from '@yandle/contract';
import { sensationWords } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { Outbox } from '../data/outbox/outbox';
import { logRows, saidOf, type LogCell, type LogRow } from './log.model';
import { SheetStore } from './sheet.store';

const keyOf = (row: LogRow, cell: LogCell): string => `${row.item}|${row.side}|${cell.set}`;

/** What was done, set by set: written down afterwards from paper, or put right. Earlier values are kept. */
@Component({
  selector: 'y-log-panel',
  templateUrl: './log-panel.html',
})
export class LogPanel {
  private readonly api = inject(Api);
  private readonly outbox = inject(Outbox);
  protected readonly store = inject(SheetStore);
  readonly closed = output();

  private readonly session = computed(() => this.store.session()!);
  protected readonly run = computed(() => this.session().run);
  protected readonly rows = computed(() => logRows(this.session(), this.store.timeline()!, this.store.find));
  protected readonly columns = computed(() => Math.max(0, ...this.rows().map((r) => r.cells.length)));
  /** Seconds as typed, by bout; what is not here stands as it was. */
  private readonly typed = signal<Readonly<Record<string, number | null>>>({});
  protected readonly sensation = signal<number | null>(this.run()?.sensation ?? null);
  protected readonly feltSide = (text: string): FeltSide | null => oneOf(['left', 'right', 'same'], text);
  protected readonly felt = signal<FeltSide | null>(this.run()?.feltTighter ?? null);
  protected readonly note = signal(this.run()?.note ?? '');
  protected readonly date = signal(this.session().date);
  /** Now, for a session of today; else an hour to be put right. */
  protected readonly time = signal(
    this.session().date === (inject(AccountService).me()?.today ?? '')
      ? new Date().toTimeString().slice(0, 5)
      : '18:00',
  );
  protected readonly scale = Array.from({ length: 11 }, (_, i) => i);
  protected readonly words = sensationWords;
  protected readonly sending = signal(false);

  protected value(row: LogRow, cell: LogCell): number | null {
    const typed = this.typed()[keyOf(row, cell)];
    return typed === undefined ? (cell.log?.doneSeconds ?? null) : typed;
  }

  protected type(row: LogRow, cell: LogCell, text: string): void {
    const n = text === '' ? null : Number(text);
    if (n !== null && (!Number.isInteger(n) || n < 0 || n > 1800)) return;
    this.typed.update((t) => ({ ...t, [keyOf(row, cell)]: n }));
  }

  protected allAsPlanned(): void {
    this.typed.set(Object.fromEntries(this.rows().flatMap((r) => r.cells.map((c) => [keyOf(r, c), c.planned]))));
  }

  protected said(row: LogRow): string {
    const parts = row.cells.flatMap((c) => {
      const words = c.log ? saidOf(c.log, this.store.find) : '';
      return words ? [`set ${c.set} ${words}`] : [];
    });
    return parts.join('; ');
  }

  protected rowName(row: LogRow): string {
    return `${row.exercise.name}${row.side ? `, ${row.side}` : ''}`;
  }

  protected async save(): Promise<void> {
    this.sending.set(true);
    const known = this.run();
    const runId = known?.id ?? newId();
    if (!known) {
      const startedAt = new Date(`${this.date()}T${this.time()}:00`).toISOString();
      const body: StartRunBody = { id: runId, startedAt, source: 'paper' };
      this.outbox.post({ kind: 'start', sessionId: this.session().id, body });
    }
    for (const row of this.rows()) for (const cell of row.cells) this.sendCell(runId, row, cell);
    const answers = { sensation: this.sensation(), feltTighter: this.felt(), note: this.note().trim() };
    if (!known?.endedAt) {
      const start = known ? new Date(known.startedAt) : new Date(`${this.date()}T${this.time()}:00`);
      const endedAt = new Date(start.getTime() + this.store.totalSeconds() * 1000).toISOString();
      const body: FinishRunBody = { endedAt, ...answers };
      this.outbox.post({ kind: 'finish', runId, body });
    } else if (
      answers.sensation !== known.sensation ||
      answers.feltTighter !== known.feltTighter ||
      answers.note !== known.note
    ) {
      const body: EditAnswersBody = { id: newId(), ...answers };
      await this.store.act(() => firstValueFrom(this.api.editAnswers(runId, body)));
    }
    this.sending.set(false);
    this.closed.emit();
  }

  private sendCell(runId: string, row: LogRow, cell: LogCell): void {
    const done = this.typed()[keyOf(row, cell)];
    if (done === undefined || done === null || done === cell.log?.doneSeconds) return;
    const { log } = cell;
    const body: SetLogBody = {
      item: row.item,
      side: row.side,
      set: cell.set,
      plannedSeconds: cell.planned,
      doneSeconds: done,
      replaces: log?.id ?? null,
      // What else was said of the set stands.
      ...(log
        ? {
            reps: log.reps,
            pieces: log.pieces ?? 1,
            form: log.form,
            load: log.load,
            loadUnit: log.loadUnit,
            assistance: log.assistance,
            depthCm: log.depthCm,
            sensation: log.sensation,
          }
        : {}),
    };
    this.outbox.post({ kind: 'log', runId, id: newId(), body });
  }
}

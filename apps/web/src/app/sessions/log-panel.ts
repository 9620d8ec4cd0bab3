import { oneOf } from '../ui/one-of';
import { Component, computed, effect, inject, output, signal, untracked } from '@angular/core';
import type { EditAnswersBody, FeltSide, FinishRunBody, SetLogBody, StartRunBody } from '@yandle/contract';
import {
  itemsTaken,
  currentSets,
  choiceWords,
  buildTimeline,
  isLoaded,
  sensationWords,
  unitOf,
  type LoadUnit,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { KeptDraft } from '../data/kept-draft';
import { Autofocus } from '../ui/autofocus';
import { exercisesDone, SymptomQuestion, type FeltSymptom } from '../ui/symptom-question';
import { Outbox } from '../data/outbox/outbox';
import { logRows, saidOf, type LogCell, type LogRow } from './log.model';
import { SheetStore } from './sheet.store';

const keyOf = (row: LogRow, cell: LogCell): string => `${row.item}|${row.side}|${cell.set}`;

/** What was done otherwise than planned. */
type Otherwise = Pick<Partial<SetLogBody>, 'form' | 'load' | 'loadUnit' | 'reps'>;

/** What can be said of an item besides its seconds. */
interface OtherwiseOffer {
  readonly forms: readonly { readonly id: string; readonly name: string }[];
  /** Planned load; null where nothing is loaded. */
  readonly load: number | null;
  readonly unit: LoadUnit;
  /** Planned repetitions; null where none are counted. */
  readonly reps: number | null;
}

/** What is typed and not saved. */
interface Draft {
  readonly typed: Readonly<Record<string, number | null>>;
  readonly otherwise: Readonly<Record<number, Otherwise>>;
  readonly sensation: number | null;
  readonly felt: FeltSide | null;
  readonly note: string;
  readonly date: string;
  readonly time: string;
}

/** What was done, set by set: written down afterwards from paper, or put right. Earlier values are kept. */
@Component({
  selector: 'y-log-panel',
  imports: [Autofocus, SymptomQuestion],
  templateUrl: './log-panel.html',
})
export class LogPanel {
  private readonly api = inject(Api);
  private readonly outbox = inject(Outbox);
  protected readonly store = inject(SheetStore);
  readonly closed = output();
  /** The log is on its way. */
  readonly saved = output();

  private readonly session = computed(() => this.store.session()!);
  protected readonly run = computed(() => this.session().run);
  /** Other forms that exercises were done in as far as it is said, by place. */
  private readonly forms = computed((): Readonly<Record<number, string>> => {
    const logged = currentSets(this.run()?.sets ?? []).flatMap((s) => (s.form ? [[s.item, s.form] as const] : []));
    const said = Object.entries(this.otherwise()).flatMap(([i, o]) => (o.form ? [[Number(i), o.form] as const] : []));
    return Object.fromEntries([...logged, ...said]);
  });
  /** The list as it was done: with what the client chose on the spot. */
  private readonly items = computed(() => itemsTaken(this.session().items, this.forms(), this.store.find));
  protected readonly rows = computed(() => {
    const session = { ...this.session(), items: this.items() };
    const timeline = buildTimeline(session.items, session, this.store.timings(), this.store.find);
    return logRows(session, timeline, this.store.find);
  });
  /** True where a set is several bouts: a cell then says which part it is. */
  protected readonly parted = computed(() => this.rows().some((r) => r.cells.some((c) => c.part !== '')));
  protected readonly columns = computed(() => Math.max(0, ...this.rows().map((r) => r.cells.length)));
  /** Seconds as typed, by bout; what is not here stands as it was. */
  private readonly typed = signal<Readonly<Record<string, number | null>>>({});
  /** What was done otherwise than planned, by item: another form, a load, help, repetitions. */
  protected readonly otherwise = signal<Readonly<Record<number, Otherwise>>>({});
  protected readonly symptom = signal<FeltSymptom | null | undefined>(undefined);
  private readonly draft = computed(() => new KeptDraft<Draft>(`yandle-log:${this.session().id}`));
  protected readonly restored = signal(false);
  /** Nothing was entered: an empty log says nothing. */
  protected readonly empty = signal(false);
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

  constructor() {
    let first = true;
    effect(() => {
      const now: Draft = {
        typed: this.typed(),
        otherwise: this.otherwise(),
        sensation: this.sensation(),
        felt: this.felt(),
        note: this.note(),
        date: this.date(),
        time: this.time(),
      };
      if (!first) return untracked(() => this.draft().write(now));
      first = false;
      untracked(() => this.restore());
    });
  }

  private restore(): void {
    const kept = this.draft().read();
    if (!kept) return;
    this.typed.set(kept.typed);
    this.otherwise.set(kept.otherwise);
    this.sensation.set(kept.sensation);
    this.felt.set(kept.felt);
    this.note.set(kept.note);
    this.date.set(kept.date);
    this.time.set(kept.time);
    this.restored.set(true);
  }

  /** Exercises that something may have been felt in. */
  protected readonly exercises = computed(() => exercisesDone(this.items(), this.forms(), this.store.find));

  /** What can be said of an item besides its seconds; an item stands in the first of its rows. */
  protected otherwiseOf(row: LogRow): OtherwiseOffer | null {
    if (row.side === 'right') return null;
    const item = this.items()[row.item]!;
    const technique = item.technique ?? row.exercise.technique;
    const { easier, harder, choice } = this.session().forms[row.item]!;
    const planned = this.session().items[row.item]!;
    // Its sets and sides are others: what is logged one way stays so.
    const logged = row.cells.some((c) => c.log !== null);
    const other = choice === null || logged ? [] : [{ id: choice, name: choiceWords(planned, this.store.find) }];
    const named = [easier, harder].flatMap((id) =>
      id && id !== choice ? [{ id, name: this.store.find(id).name }] : [],
    );
    const forms = [...named, ...other];
    const loaded = isLoaded(technique);
    const reps = unitOf(technique) === 'seconds' ? null : (item.reps ?? null);
    return forms.length > 0 || loaded || reps !== null
      ? { forms, load: loaded ? (item.load ?? 0) : null, unit: item.loadUnit ?? 'kg', reps }
      : null;
  }

  protected say(item: number, part: Otherwise): void {
    this.otherwise.update((o) => ({ ...o, [item]: { ...o[item], ...part } }));
  }

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

  /** Done as planned: one press, and it is on its way. */
  protected asPlanned(): Promise<void> {
    this.allAsPlanned();
    return this.save();
  }

  protected said(row: LogRow): string {
    const parts = row.cells.flatMap((c) => {
      const words = c.log ? saidOf(c.log, this.store.find) : '';
      return words ? [`set ${c.set} ${words}`] : [];
    });
    return parts.join('; ');
  }

  protected rowName(row: LogRow): string {
    const side = row.side ?? (row.exercise.sides === 'each' ? 'middle' : '');
    return side === '' ? row.exercise.name : `${row.exercise.name}, ${side}`;
  }

  protected async save(): Promise<void> {
    const any = Object.values(this.typed()).some((n) => n !== null && n > 0) || this.symptom() || this.note().trim();
    this.empty.set(!this.run() && !any && this.sensation() === null && this.felt() === null);
    if (this.empty()) return;
    this.sending.set(true);
    const known = this.run();
    const runId = known?.id ?? newId();
    if (!known) {
      const startedAt = new Date(`${this.date()}T${this.time()}:00`).toISOString();
      const body: StartRunBody = { id: runId, startedAt, source: 'paper' };
      this.outbox.post({ kind: 'start', sessionId: this.session().id, body });
    }
    for (const row of this.rows()) for (const cell of row.cells) this.sendCell(runId, row, cell);
    this.sendSymptom(runId);
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
    this.draft().clear();
    this.sending.set(false);
    this.saved.emit();
    this.closed.emit();
  }

  /** A symptom written down from paper was felt when the session was done. */
  private sendSymptom(runId: string): void {
    const felt = this.symptom();
    if (!felt) return;
    const at = new Date(`${this.date()}T${this.time()}:00`).toISOString();
    const form = this.forms()[felt.item];
    this.outbox.post({ kind: 'symptom', runId, id: newId(), body: { ...felt, ...(form && { form }), at } });
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
      ...this.otherwise()[row.item],
    };
    this.outbox.post({ kind: 'log', runId, id: newId(), body });
  }
}

import { CdkDrag, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Run, SessionSummary } from '@yandle/contract';
import {
  formatClock,
  formatDate,
  isStopSign,
  endsSession,
  itemSeconds,
  muscleGroupName,
  plannedSeconds,
  purposeName,
  SIDES,
  symptomName,
  type Side,
  secondsDone,
  roundsWords,
  sessionCalled,
  warmUpLine,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { Outbox } from '../data/outbox/outbox';
import { ToastService } from '../data/toast.service';
import { Autofocus } from '../ui/autofocus';
import { MirrorRow } from '../ui/mirror/mirror-row';
import { doseRow } from '../ui/mirror/mirror-row.model';
import { ProblemNote } from '../ui/problem-note';
import { StopSigns } from '../ui/stop-signs';
import { ComposePanel } from './compose-panel';
import { FitPanel } from './fit-panel';
import { LogPanel } from './log-panel';
import { PrintSheet } from './print-sheet';
import { QuickCheckPanel } from './quick-check-panel';
import { SessionScale } from './session-scale';
import { SheetItem } from './sheet-item';
import { SheetStore } from './sheet.store';
import { SorenessCard } from './soreness-card';
import { SwapPanel } from './swap-panel';

const SOURCE_WORDS: Readonly<Record<Run['source'], string>> = {
  coach: 'with the coach',
  client: 'on the client’s phone',
  paper: 'logged from paper',
};

/** One session: what is done in which order, to scale and in words, changed in place, and afterwards what was done. */
@Component({
  selector: 'y-session-sheet',
  imports: [
    Autofocus,
    CdkDrag,
    CdkDropList,
    ComposePanel,
    FitPanel,
    LogPanel,
    MirrorRow,
    PrintSheet,
    ProblemNote,
    QuickCheckPanel,
    RouterLink,
    SessionScale,
    SheetItem,
    SorenessCard,
    StopSigns,
    SwapPanel,
  ],
  providers: [SheetStore],
  templateUrl: './sheet.html',
})
export class SessionSheet {
  private readonly api = inject(Api);
  private readonly outbox = inject(Outbox);
  private readonly toasts = inject(ToastService);
  protected readonly store = inject(SheetStore);
  protected readonly today = inject(AccountService).me()?.today ?? '';
  private readonly instant = new Intl.DateTimeFormat('en-GB', {
    dateStyle: 'medium',
    timeStyle: 'short',
    timeZone: inject(AccountService).me()?.studio.timeZone ?? 'UTC',
  });
  readonly sessionId = input.required<string>();
  protected readonly session = this.store.session;
  protected readonly clock = formatClock;
  protected readonly symptom = symptomName;
  protected readonly isStopSign = isStopSign;
  protected readonly endsSession = endsSession;
  /** What stands beside the list: a place to swap at, the composer, or neither. */
  protected readonly side = signal<number | 'compose' | null>(null);
  /** Place of the exercise that is to be swapped. */
  protected readonly swapping = computed(() => Number(this.side()));
  protected readonly logging = signal(false);
  /** `1` opens the log with the sheet. */
  readonly log = input<string>();
  /** After a log: the next session of the client that is over and not logged. */
  protected readonly unlogged = signal<SessionSummary | null>(null);
  protected readonly logSaved = signal(false);

  constructor() {
    effect(() => {
      const id = this.sessionId();
      untracked(() => {
        this.side.set(null);
        this.logging.set(this.log() === '1');
        this.logSaved.set(false);
        void this.store.load(id);
      });
    });
    // What was still on its way when the sheet opened is on it once it has arrived.
    let waiting = 0;
    effect(() => {
      const pending = this.outbox.pending();
      if (waiting > 0 && pending === 0) untracked(() => void this.store.load(this.sessionId()));
      waiting = pending;
    });
  }

  /** The list as it goes on paper: without choices that a caution, a stop sign or the place rules out now. */
  protected readonly printed = computed(() => {
    const { items, forms } = this.session()!;
    return items.map((item, i) => {
      const { choice, ...plain } = item;
      return choice === undefined || forms[i]?.choice === choice ? item : plain;
    });
  });

  protected readonly minutes = computed(() => {
    const t = this.store.timeline();
    return t ? itemSeconds(t, this.session()!.items.length) : [];
  });

  protected readonly totals = computed(() => {
    const k = this.store.timeline()?.byKind;
    if (!k) return '';
    const setUp = k.position + k.prop + k['set-up'] + k.entry + k.exit + k.switch;
    const work = k.hold + k.check + k.repetitions + k.roll + k.breaths + k.push + k['let go'];
    const warmUp = k['warm-up'] > 0 ? `warm-up ${formatClock(k['warm-up'])} · ` : '';
    return `${warmUp}work ${formatClock(work)} · set-up and changes ${formatClock(setUp)} · rests ${formatClock(k.rest)}`;
  });

  /** What the warm-up is made of; empty where there is none. */
  protected readonly warmUp = computed(() => {
    const seconds = this.store.timeline()?.byKind['warm-up'] ?? 0;
    const moves = this.session()?.warmUp ?? [];
    return seconds > 0
      ? warmUpLine(
          moves.map((id) => this.store.find(id).name),
          seconds,
        )
      : '';
  });

  protected readonly subtitle = computed(() => {
    const s = this.session()!;
    const parts = [s.clientName, sessionCalled(s)];
    if (s.beginsWith) parts.push(`begins with “${s.beginsWith}”`);
    if (s.purpose !== 'own') parts.push(purposeName(s.purpose).toLowerCase());
    if (s.rounds > 1) parts.push(roundsWords(s));
    return parts.join(' · ');
  });

  /** Planned against done of each exercise, once there is a run. */
  protected readonly doneRows = computed(() => {
    const s = this.session();
    const t = this.store.timeline();
    if (!s?.run || !t) return [];
    const { sets } = s.run;
    const doneOn = (item: number, side: Side): number => secondsDone(sets, { item, side });
    const rows = s.items.map((item, place) => ({
      item,
      planned: { left: plannedSeconds(t, place, 'left'), right: plannedSeconds(t, place, 'right') },
      done: { left: doneOn(place, 'left'), right: doneOn(place, 'right') },
    }));
    const top = Math.max(1, ...rows.flatMap((r) => SIDES.flatMap((side) => [r.planned[side], r.done[side]]))) * 1.1;
    return rows.map(({ item, planned, done }) =>
      doseRow(
        muscleGroupName(this.store.find(item.exerciseId).primary),
        planned.left === planned.right
          ? `planned ${planned.left} s per side`
          : `planned left ${planned.left}, right ${planned.right} s`,
        planned,
        done,
        top,
      ),
    );
  });

  protected readonly answers = computed(() => {
    const run = this.session()?.run;
    if (!run?.endedAt) return '';
    const felt = { left: 'left felt tighter', right: 'right felt tighter', same: 'both sides felt the same' };
    const parts = [
      `Sensation: ${run.sensation === null ? 'not answered' : `${run.sensation} of 10`}`,
      run.feltTighter ? felt[run.feltTighter] : '',
      run.tighterIn.map((t) => `${this.store.find(t.exerciseId).name}: ${t.side} tighter`).join(', '),
      run.wellness === 'lighter' ? 'a lighter session, a little unwell' : '',
      run.note ? `“${run.note}”` : '',
      run.source === 'coach' ? '' : SOURCE_WORDS[run.source],
    ];
    return parts.filter((p) => p !== '').join(' · ');
  });

  protected runWords(run: Run): string {
    const done = secondsDone(run.sets);
    const state = run.endedAt ? 'finished' : 'not finished';
    return `${this.instant.format(new Date(run.startedAt))}, ${SOURCE_WORDS[run.source]}, ${done} s in all, ${state}`;
  }

  protected exerciseName(id: string): string {
    return this.store.find(id).name;
  }

  protected readonly called = sessionCalled;

  protected long(date: string): string {
    return formatDate(date, 'EEEE d MMMM yyyy');
  }

  protected short(date: string): string {
    return formatDate(date, 'd MMM');
  }

  protected print(): void {
    window.print();
  }

  protected drop(event: CdkDragDrop<unknown>): void {
    if (event.previousIndex !== event.currentIndex) this.store.move(event.previousIndex, event.currentIndex);
  }

  /** Takes the log back. It stays on record, and comes back with Undo. */
  protected async removeLog(runId: string): Promise<void> {
    const set = (withdrawn: boolean) => this.store.act(() => firstValueFrom(this.api.withdrawRun(runId, withdrawn)));
    if (await set(true)) this.toasts.show('Log removed.', { label: 'Undo', run: () => void set(false) });
  }

  /** Where the next log is to be written, so that a week of paper is a few keys. */
  protected async afterLog(): Promise<void> {
    const { id, clientId } = this.session()!;
    this.logSaved.set(true);
    this.unlogged.set(null);
    const all = await firstValueFrom(this.api.sessions(clientId)).catch(() => []);
    this.unlogged.set(all.find((s) => s.id !== id && s.status === 'planned' && s.date <= this.today) ?? null);
  }

  protected restoreLog(runId: string): void {
    void this.store.act(() => firstValueFrom(this.api.withdrawRun(runId, false)));
  }

  protected runDay(run: Run): string {
    return this.instant.format(new Date(run.startedAt));
  }

  protected choose(runId: string): void {
    void this.store.act(() => firstValueFrom(this.api.chooseRun(this.sessionId(), runId)));
  }

  protected async clear(symptomId: string, note: string, who: string): Promise<void> {
    await this.store.requests.run(async () => {
      await firstValueFrom(this.api.clearSymptom(symptomId, { note, who }));
      await this.store.load(this.sessionId());
    });
  }
}

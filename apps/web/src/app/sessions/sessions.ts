import { Requests } from '../data/requests';
import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Block, SessionSummary } from '@yandle/contract';
import {
  asDays,
  sessionCalled,
  type DaySession,
  datesOfWeek,
  formatClock,
  formatDate,
  isLoaded,
  missWeek,
  muscleGroupName,
  spacingTrouble,
  weekOn,
  type AwayDates,
  type BlockDraft,
  type PlainDate,
  type SpacedSession,
  spacingWords,
} from '@yandle/core';
import { firstValueFrom, forkJoin } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';
import { LibraryService } from '../library/library.service';
import { NewSession } from '../routines/new-session';
import { BriskSwitch } from './brisk-switch';
import { CalendarTools } from './calendar-tools';
import { PhoneLinkPanel } from './phone-link-panel';

/** The calendar strip of a block: a row a week, its dated sessions and retests; sessions move, weeks are missed, days are away. */
@Component({
  selector: 'y-sessions',
  imports: [BriskSwitch, RouterLink, ProblemNote, CalendarTools, PhoneLinkPanel, NewSession],
  templateUrl: './sessions.html',
})
export class SessionsScreen {
  private readonly library = inject(LibraryService);
  private readonly api = inject(Api);
  private readonly toasts = inject(ToastService);
  private readonly context = inject(ClientContext);
  protected readonly today = inject(AccountService).me()?.today ?? '';
  readonly clientId = input.required<string>();
  private readonly sessions = signal<readonly SessionSummary[] | null>(null);
  private readonly blocks = signal<readonly Block[]>([]);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly clock = formatClock;
  protected readonly busy = this.requests.busy;
  /** True while a session of its own is being made. */
  protected readonly making = signal(false);
  /** The session that is being given another day. */
  protected readonly moving = signal<SessionSummary | null>(null);

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => void this.load(id));
    });
  }

  /** The newest block that was planned: the running one, or the last. */
  protected readonly block = computed(() => this.blocks()[0] ?? null);
  protected readonly loaded = computed(() => this.sessions() !== null);
  protected readonly weeks = computed(() => {
    const b = this.block();
    const all = this.sessions() ?? [];
    if (!b) return [];
    return Array.from({ length: b.weeks }, (_, i) => {
      const week = i + 1;
      return {
        week,
        easier: b.lanes.some((l) => l.weeks[i]?.kind === 'easier'),
        missed: b.choices.missedWeeks.includes(week),
        mayBeMissed: this.mayBeMissed(b, week),
        days: datesOfWeek(b.startDate, week).map((date) => ({
          date,
          sessions: all.filter((s) => (s.blockId === b.id || s.blockId === null) && s.date === date),
          retest: b.retests.some((r) => r.date === date),
        })),
      };
    });
  });
  /** Sessions of their own on days that the block does not show, the newest first; the rounds of a day are one. */
  protected readonly others = computed(() => {
    const b = this.block();
    const shown = (date: string): boolean => b !== null && date >= b.startDate && date <= b.endDate;
    return asDays((this.sessions() ?? []).filter((s) => s.blockId === null && !shown(s.date))).toReversed();
  });
  protected doneOf({ rounds }: DaySession<SessionSummary>): number {
    return rounds.filter((s) => s.status === 'done').length;
  }

  protected readonly baseline = computed(() => this.block()?.retests.find((r) => r.week === 1) ?? null);
  protected readonly counts = computed(() => {
    const b = this.block();
    const own = (this.sessions() ?? []).filter((s) => s.blockId === b?.id);
    const past = own.filter((s) => s.date < this.today);
    return { all: own.length, past: past.length, done: own.filter((s) => s.status === 'done').length };
  });

  /** A week that is over, or nearly, of which nothing was logged. */
  private mayBeMissed(b: Block, week: number): boolean {
    const running = weekOn(b.startDate, this.today);
    const own = (this.sessions() ?? []).filter((s) => s.blockId === b.id && s.week === week);
    return (
      b.endedAt === null &&
      week <= running &&
      !b.choices.missedWeeks.includes(week) &&
      own.length > 0 &&
      own.every((s) => s.status === 'planned') &&
      own.some((s) => s.date < this.today)
    );
  }

  private readonly spaced = computed((): SpacedSession[] => {
    const b = this.block();
    return (this.sessions() ?? [])
      .filter((s) => s.blockId === b?.id)
      .map((s) => {
        const there = new Set(s.exerciseIds.map((id) => this.library.find(id).primary));
        const loaded = (b?.lanes ?? [])
          .filter((l) => {
            const week = l.weeks[(s.week ?? 0) - 1];
            return there.has(l.group) && week !== undefined && isLoaded(week.prescription.technique);
          })
          .map((l) => l.group);
        return { id: s.id, date: s.date, loaded };
      });
  });

  /** What would break if the session that is moved came to a day. */
  protected trouble(date: PlainDate): string[] {
    const s = this.moving();
    const retests = (this.block()?.retests ?? []).map((r) => r.date);
    return s ? spacingTrouble(this.spaced(), s.id, date, retests).map(spacingWords) : [];
  }

  protected mayMove(s: SessionSummary): boolean {
    return s.status === 'planned' && (s.blockId === null || this.block()?.endedAt === null);
  }

  protected async moveTo(date: PlainDate): Promise<void> {
    const s = this.moving();
    if (!s) return;
    const trouble = this.trouble(date);
    this.moving.set(null);
    await this.attempt(async () => {
      await firstValueFrom(this.api.moveSession(s.id, date));
      const care = trouble.length > 0 ? ` ${trouble.join(' ')}` : '';
      const undo = {
        label: 'Undo',
        run: () => void this.attempt(() => firstValueFrom(this.api.moveSession(s.id, s.date))),
      };
      // A day that is over can’t be gone back to.
      this.toasts.show(`Moved to ${formatDate(date, 'EEE d MMM')}.${care}`, s.date >= this.today ? undo : null);
    });
  }

  protected miss(week: number, how: 'skip' | 'shift'): Promise<void> {
    const words = how === 'skip' ? 'skipped' : 'the block is a week longer';
    return this.revise((d) => missWeek(d, week, how), `Week ${week} missed: ${words}`);
  }

  protected addAway(away: AwayDates): Promise<void> {
    return this.revise(
      (d) => ({ ...d, away: [...d.away, away] }),
      `Away ${formatDate(away.from, 'd MMM')} to ${formatDate(away.to, 'd MMM')}`,
    );
  }

  protected removeAway(away: AwayDates): Promise<void> {
    return this.revise(
      (d) => ({ ...d, away: d.away.filter((a) => a.from !== away.from || a.to !== away.to) }),
      `Not away ${formatDate(away.from, 'd MMM')} to ${formatDate(away.to, 'd MMM')}`,
    );
  }

  /** Publishes a change of the calendar as a revision; the state before can be taken back on the Block. */
  private revise(change: (d: BlockDraft) => BlockDraft, reason: string): Promise<void> {
    const b = this.block()!;
    return this.attempt(async () => {
      await firstValueFrom(this.api.reviseBlock(b.id, { ...change(b.choices), version: b.version, reason }));
      this.toasts.show(`${reason}. The state before stands in the revisions of the block.`);
    });
  }

  private async attempt(work: () => Promise<unknown>): Promise<void> {
    await this.requests.run(async () => {
      await work();
      await this.load(this.clientId());
      this.context.refresh();
    });
  }

  /** After sessions of their own were made. */
  protected async added(): Promise<void> {
    this.making.set(false);
    await this.load(this.clientId());
  }

  protected weekday(date: PlainDate): string {
    return formatDate(date, 'EEE');
  }

  protected day(date: PlainDate): string {
    return formatDate(date, 'd MMM');
  }

  protected groups(s: SessionSummary): string {
    const groups = [...new Set(s.exerciseIds.map((id) => muscleGroupName(this.library.find(id).primary)))];
    return [...(s.name === null ? [] : [sessionCalled(s)]), groups.join(', ')].join(': ');
  }

  /** The state of a session for who cannot see the tick. */
  protected spoken(s: SessionSummary): string {
    const state =
      s.status === 'done'
        ? 'done'
        : s.status === 'started'
          ? 'started'
          : s.date < this.today
            ? 'not logged'
            : 'planned';
    return `${this.groups(s)}, ${state}`;
  }

  protected async load(clientId: string): Promise<void> {
    await this.requests.run(async () => {
      const [sessions, blocks] = await firstValueFrom(
        forkJoin([this.api.sessions(clientId), this.api.blocks(clientId)]),
      );
      this.sessions.set(sessions);
      this.blocks.set(blocks);
    });
  }
}

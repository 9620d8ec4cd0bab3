import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Block, Problem, SessionSummary } from '@yandle/contract';
import { datesOfWeek, formatClock, formatDate, muscleGroupName, type PlainDate } from '@yandle/core';
import { firstValueFrom, forkJoin } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { problemOf } from '../data/problem';
import { ProblemNote } from '../ui/problem-note';
import { LibraryService } from '../library/library.service';

/** The calendar strip of a block: a row a week, its dated sessions and retests. */
@Component({
  selector: 'y-sessions',
  imports: [RouterLink, ProblemNote],
  templateUrl: './sessions.html',
})
export class SessionsScreen {
  private readonly library = inject(LibraryService);
  private readonly api = inject(Api);
  protected readonly today = inject(AccountService).me()?.today ?? '';
  readonly clientId = input.required<string>();
  private readonly sessions = signal<readonly SessionSummary[] | null>(null);
  private readonly blocks = signal<readonly Block[]>([]);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly clock = formatClock;

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
        easier: b.lanes[0]?.weeks[i]?.kind === 'easier',
        days: datesOfWeek(b.startDate, week).map((date) => ({
          date,
          session: all.find((s) => s.blockId === b.id && s.date === date) ?? null,
          retest: b.retests.some((r) => r.date === date),
        })),
      };
    });
  });
  protected readonly baseline = computed(() => this.block()?.retests.find((r) => r.week === 1) ?? null);
  protected readonly counts = computed(() => {
    const b = this.block();
    const own = (this.sessions() ?? []).filter((s) => s.blockId === b?.id);
    const past = own.filter((s) => s.date < this.today);
    return { all: own.length, past: past.length, done: own.filter((s) => s.status === 'done').length };
  });

  protected weekday(date: PlainDate): string {
    return formatDate(date, 'EEE');
  }

  protected day(date: PlainDate): string {
    return formatDate(date, 'd MMM');
  }

  protected groups(s: SessionSummary): string {
    return s.exerciseIds.map((id) => muscleGroupName(this.library.find(id).primary)).join(', ');
  }

  /** The state of a session for who cannot see the tick. */
  protected spoken(s: SessionSummary): string {
    const state =
      s.status === 'done' ? 'done' : s.status === 'started' ? 'begun' : s.date < this.today ? 'not logged' : 'planned';
    return `${this.groups(s)}, ${state}`;
  }

  private async load(clientId: string): Promise<void> {
    try {
      const [sessions, blocks] = await firstValueFrom(
        forkJoin([this.api.sessions(clientId), this.api.blocks(clientId)]),
      );
      this.sessions.set(sessions);
      this.blocks.set(blocks);
      this.problem.set(null);
    } catch (err) {
      this.problem.set(problemOf(err));
    }
  }
}

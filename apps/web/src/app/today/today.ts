import { Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { DaySession, Today } from '@yandle/contract';
import { formatClock, formatDate, muscleGroupName, type PlainDate, sessionCalled } from '@yandle/core';
import { Api } from '../data/api';
import { Requests } from '../data/requests';
import { TodayService } from '../data/today.service';
import { WhoseService } from '../data/whose';
import { ProblemNote } from '../ui/problem-note';
import { WhoseSwitch } from '../ui/whose-switch';
import { needsOf } from './needs';
import { LibraryService } from '../library/library.service';

/** Lines of a list before the rest is asked for: all of it is to be a glance. */
const MOST = 3;

/** The start: who is on the mat, who is due for a retest, and what needs the coach, each with its reason and one action. */
@Component({
  selector: 'y-today',
  imports: [RouterLink, ProblemNote, WhoseSwitch],
  providers: [TodayService],
  templateUrl: './today.html',
})
export class TodayScreen {
  private readonly library = inject(LibraryService);
  protected readonly service = inject(TodayService);
  protected readonly data = computed(() => this.service.today().value);

  private readonly api = inject(Api);
  private readonly whose = inject(WhoseService).whose;
  protected readonly requests = new Requests();
  /** Days of which all sessions were asked for: those come by themselves, a studio has hundreds. */
  private readonly days = linkedSignal<Today | null, ReadonlyMap<PlainDate, readonly DaySession[]>>({
    source: this.data,
    computation: () => new Map(),
  });
  protected readonly today = computed(() => this.days().get(this.data()?.date ?? '') ?? this.data()?.sessions ?? []);
  /** The days to come that have sessions. */
  protected readonly later = computed(() =>
    (this.data()?.ahead ?? []).map((d) => ({ ...d, sessions: this.days().get(d.date) ?? d.sessions })),
  );
  protected readonly groups = computed(() => {
    const d = this.data();
    return d ? needsOf(d, (id) => this.library.find(id)) : [];
  });
  /** Lists that are shown whole. */
  private readonly whole = signal<ReadonlySet<string>>(new Set());

  /** The first of a list, or all of it where that was asked for. One more than the most is no reason to hide it. */
  protected first<T>(list: readonly T[], id: string, most = MOST): readonly T[] {
    return this.whole().has(id) || list.length <= most + 1 ? list : list.slice(0, most);
  }

  protected showAll(id: string): void {
    this.whole.update((all) => new Set([...all, id]));
  }

  protected async showDay(date: PlainDate): Promise<void> {
    const all = await this.requests.run(this.api.sessionsOfDay(this.whose(), date));
    if (all) this.days.update((days) => new Map([...days, [date, all]]));
  }

  protected readonly clock = formatClock;
  protected readonly called = sessionCalled;
  protected readonly most = MOST;

  protected worked(exerciseIds: readonly string[]): string {
    return exerciseIds.map((id) => muscleGroupName(this.library.find(id).primary)).join(', ');
  }

  protected long(date: PlainDate): string {
    return formatDate(date, 'EEEE d MMMM');
  }

  protected short(date: PlainDate): string {
    return formatDate(date, 'EEE d MMM');
  }
}

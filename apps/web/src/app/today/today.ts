import { Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { formatClock, formatDate, muscleGroupName, type PlainDate, sessionCalled } from '@yandle/core';
import { TodayService } from '../data/today.service';
import { ProblemNote } from '../ui/problem-note';
import { WhoseSwitch } from '../ui/whose-switch';
import { needsOf } from './needs';
import { LibraryService } from '../library/library.service';

/** Lines of a list before the rest is asked for: all of it is to be a glance. */
const MOST = 3;
const MOST_TODAY = 12;

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

  /** The days to come that have sessions. */
  protected readonly later = computed(() => {
    const d = this.data();
    if (!d) return [];
    const dates = [...new Set(d.ahead.map((s) => s.date))];
    return dates.map((date) => ({ date, sessions: d.ahead.filter((s) => s.date === date) }));
  });
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

  protected readonly clock = formatClock;
  protected readonly called = sessionCalled;
  protected readonly most = MOST;
  protected readonly mostToday = MOST_TODAY;

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

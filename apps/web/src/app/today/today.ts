import { Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  bodyRegionName,
  formatClock,
  formatDate,
  muscleGroupName,
  symptomName,
  endsSession,
  type BodyRegionId,
  type PlainDate,
  sessionCalled,
} from '@yandle/core';
import { TodayService } from '../data/today.service';
import { ProblemNote } from '../ui/problem-note';
import { WhoseSwitch } from '../ui/whose-switch';
import { LibraryService } from '../library/library.service';

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
  protected readonly needs = computed(() => {
    const d = this.data();
    return d
      ? d.symptoms.length +
          d.unwell.length +
          d.sore.length +
          d.lateLogs.length +
          d.clearances.length +
          d.questions.length +
          d.withoutBlock.length
      : 0;
  });

  protected readonly clock = formatClock;
  protected readonly called = sessionCalled;
  protected readonly symptom = symptomName;
  protected readonly endsSession = endsSession;

  protected groups(exerciseIds: readonly string[]): string {
    return exerciseIds.map((id) => muscleGroupName(this.library.find(id).primary)).join(', ');
  }

  protected where(region: BodyRegionId | null): string {
    return region ? bodyRegionName(region).toLowerCase() : 'all over';
  }

  protected exercise(id: string): string {
    return this.library.find(id).name;
  }

  protected long(date: PlainDate): string {
    return formatDate(date, 'EEEE d MMMM');
  }

  protected short(date: PlainDate): string {
    return formatDate(date, 'EEE d MMM');
  }
}

import { Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { exerciseById, formatClock, formatDate, muscleGroupName, symptomName, type PlainDate } from '@yandle/core';
import { TodayService } from '../data/today.service';
import { ProblemNote } from '../ui/problem-note';

/** The start: who is on the mat, who is due for a retest, and what needs the coach, each with its reason and one action. */
@Component({
  selector: 'y-today',
  imports: [RouterLink, ProblemNote],
  providers: [TodayService],
  templateUrl: './today.html',
})
export class TodayScreen {
  protected readonly service = inject(TodayService);
  protected readonly data = computed(() => this.service.today().value);

  protected readonly days = computed(() => {
    const d = this.data();
    if (!d) return [];
    const dates = [...new Set(d.sessions.map((s) => s.date))];
    return dates.map((date) => ({ date, sessions: d.sessions.filter((s) => s.date === date) }));
  });
  protected readonly onMat = computed(() => this.days().find((x) => x.date === this.data()?.date)?.sessions ?? []);
  protected readonly later = computed(() => this.days().filter((x) => x.date !== this.data()?.date));
  protected readonly needs = computed(() => {
    const d = this.data();
    return d ? d.symptoms.length + d.clearances.length + d.withoutBlock.length : 0;
  });

  protected readonly clock = formatClock;
  protected readonly symptom = symptomName;

  protected groups(exerciseIds: readonly string[]): string {
    return exerciseIds.map((id) => muscleGroupName(exerciseById(id).primary)).join(', ');
  }

  protected exercise(id: string): string {
    return exerciseById(id).name;
  }

  protected long(date: PlainDate): string {
    return formatDate(date, 'EEEE d MMMM');
  }

  protected short(date: PlainDate): string {
    return formatDate(date, 'EEE d MMM');
  }
}

import { Requests } from '../data/requests';
import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Progress } from '@yandle/contract';
import {
  adherence,
  ageOn,
  DATES_FOR_TREND,
  formatDate,
  formatReading,
  muscleGroupName,
  percentOf,
  plateauWronglyWords,
  quickCheckTests,
  saidWronglyWords,
  type MuscleGroupId,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { MirrorRow } from '../ui/mirror/mirror-row';
import { doseRow } from '../ui/mirror/mirror-row.model';
import { foundIn } from '../findings/findings.model';
import { PrioritiesStore } from '../findings/priorities.store';
import { QuickCheckCard } from '../findings/quick-check-card';
import { ProblemNote } from '../ui/problem-note';
import { ProgressOverview } from './overview';
import { HistoryChart } from './history-chart';
import { testProgress } from './test-progress';

/** What has changed, what the measurement error allows to say about it, and what was done for it. */
@Component({
  selector: 'y-progress',
  imports: [RouterLink, MirrorRow, HistoryChart, ProblemNote, ProgressOverview, QuickCheckCard],
  providers: [PrioritiesStore],
  templateUrl: './progress.html',
})
export class ProgressScreen {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  readonly clientId = input.required<string>();
  protected readonly data = signal<Progress | null>(null);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly priorities = inject(PrioritiesStore);
  private readonly testCatalogue = inject(TestCatalogueService);

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => void this.load(id));
    });
  }

  /** Tests measured at all. */
  protected readonly tests = computed(() => {
    const progress = this.data();
    if (!progress) return [];
    const catalogue = this.testCatalogue.catalogue();
    const input = { catalogue, client: this.context.client(), goals: this.priorities.view().goals, progress };
    return catalogue.tests.flatMap((test) => testProgress(test, input) ?? []);
  });

  /** Dates of the test that was measured most often, while a block runs whose trend is still to come; null else. */
  protected readonly datesSoFar = computed(() => {
    const most = Math.max(0, ...this.tests().map((t) => Math.max(t.left.length, t.right.length)));
    const { dose } = this.data() ?? {};
    return dose && dose.weeksOver < dose.weeks && most > 0 && most < DATES_FOR_TREND ? most : null;
  });

  /** Two tests that matter most, for the weekly quick check; where too few are short, others that were measured. */
  protected readonly proposedCheck = computed(() => {
    const progress = this.data();
    const c = this.context.client();
    if (!progress) return [];
    const person = c && { age: ageOn(c.birthDate, progress.today), sex: c.sex };
    const found =
      person && foundIn(progress.assessments, this.testCatalogue.catalogue(), this.priorities.view(), person);
    const measured = this.tests().map((t) => t.test.id);
    return [...new Set([...quickCheckTests(found?.ranked ?? []), ...measured])].slice(0, 2);
  });

  protected readonly dose = computed(() => {
    const dose = this.data()?.dose;
    if (!dose) return null;
    const rows = dose.rows;
    const top =
      Math.max(1, ...rows.flatMap((r) => [r.planned.left, r.planned.right, r.done.left, r.done.right])) * 1.05;
    const groups = [...new Set(rows.map((r) => r.group))];
    const along = [...new Set(dose.along.map((r) => r.group))].map((group) => {
      const over = dose.along.filter((r) => r.group === group && r.week <= dose.weeksOver);
      const sum = (of: 'planned' | 'done'): number =>
        Math.round(over.reduce((total, r) => total + r[of].left + r[of].right, 0) / 2);
      return { name: muscleGroupName(group as MuscleGroupId), planned: sum('planned'), done: sum('done') };
    });
    return {
      ...dose,
      along: along.filter((a) => a.planned > 0 || a.done > 0),
      groups: groups.map((group) => ({
        name: muscleGroupName(group as MuscleGroupId),
        total: totalWords(adherence(rows, dose.weeksOver, (r) => r.group === group)),
        rows: rows
          .filter((r) => r.group === group)
          .map((r) =>
            doseRow(
              `Week ${r.week}`,
              `planned ${sidesWords(r.planned)}${r.ratio === null ? '' : ` · ${percentOf(r.ratio, 1)}%`}`,
              r.planned,
              r.done,
              top,
            ),
          ),
      })),
    };
  });

  protected readonly reading = formatReading;
  /** How often what is said here is wrong. */
  protected readonly wrongly = { change: saidWronglyWords(), plateau: plateauWronglyWords() };

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }

  private async load(clientId: string): Promise<void> {
    await this.requests.run(async () => {
      this.data.set(await firstValueFrom(this.api.progress(clientId)));
      await this.priorities.load(clientId);
    });
  }
}

/** Done of planned in the weeks that are over, in words. */
function totalWords(ratio: number | null): string {
  return ratio === null ? '' : `${percentOf(ratio, 1)}% of the weeks that are over`;
}

/** Seconds of both sides in words: once where they are the same. */
function sidesWords({ left, right }: Readonly<Record<'left' | 'right', number>>): string {
  return left === right ? `${left} s per side` : `left ${left}, right ${right} s`;
}

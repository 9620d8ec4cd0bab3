import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import type { Assessment, Problem } from '@yandle/contract';
import {
  ageOn,
  findings,
  formatDate,
  formatReading,
  muscleGroupName,
  sourceWords,
  VERY_FREE_WARNING,
  type MuscleGroupId,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { problemOf } from '../data/problem';
import { ProblemNote } from '../ui/problem-note';
import { canBeLane, gapWords, groupNames, newestResults, targetWords, testNames, whyWords } from './findings.model';

/** Lanes that a first choice suggests. */
const SUGGESTED = 3;

/** Which muscle groups to work on, ranked, each score with its parts and its reason; from here lanes are made. */
@Component({
  selector: 'y-findings',
  imports: [RouterLink, ProblemNote],
  templateUrl: './findings.html',
})
export class FindingsScreen {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly context = inject(ClientContext);
  private readonly today = inject(AccountService).me()?.today ?? '';
  readonly clientId = input.required<string>();
  private readonly visits = signal<readonly Assessment[] | null>(null);
  protected readonly problem = signal<Problem | null>(null);
  private readonly chosen = signal<readonly MuscleGroupId[] | null>(null);

  protected readonly name = muscleGroupName;
  protected readonly names = groupNames;
  protected readonly testNames = testNames;
  protected readonly why = whyWords;
  protected readonly canBeLane = canBeLane;
  protected readonly veryFreeFrom = VERY_FREE_WARNING;

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => void this.load(id));
    });
  }

  protected readonly measured = computed(() => {
    const visits = this.visits();
    return visits ? newestResults(visits) : null;
  });
  protected readonly found = computed(() => {
    const client = this.context.client();
    const measured = this.measured();
    if (!client || !measured || measured.length === 0) return null;
    return findings(measured, { age: ageOn(client.birthDate, this.today), sex: client.sex });
  });
  /** Longest bar of the list: the highest score, or 3 so that small scores look small. */
  protected readonly top = computed(() => Math.max(3, ...(this.found()?.ranked.map((g) => g.score) ?? [])));
  protected readonly lanes = computed(
    () =>
      this.chosen() ??
      this.found()
        ?.ranked.filter(canBeLane)
        .slice(0, SUGGESTED)
        .map((g) => g.group) ??
      [],
  );
  protected readonly expected = computed(() => Math.round((this.found()?.shortFlags.expected ?? 0) * 10) / 10);
  protected readonly sexMissing = computed(() => this.context.client()?.sex === null);

  /** Every test behind the list, for who wants to check it. */
  protected readonly table = computed(() => {
    const measured = this.measured() ?? [];
    const seen = new Map(
      (this.found()?.ranked ?? []).flatMap((g) => g.tests.map((t) => [t.finding.test.id, t.finding] as const)),
    );
    return measured.map((m) => {
      const f = seen.get(m.test.id) ?? null;
      const value = (v: number | null) => (v === null ? '–' : formatReading(v, m.test.unit));
      return {
        name: m.test.name,
        left: m.both === null ? value(m.left) : value(m.both),
        right: m.both === null ? value(m.right) : '',
        date: formatDate(m.date, 'd MMM yyyy'),
        words: f ? gapWords(f) : 'reaches its target, or has none',
        target: f ? targetWords(f) : '',
        source: f && f.reference.kind !== 'none' ? sourceWords(f.reference.source) : '',
      };
    });
  });

  protected score(value: number): string {
    return value.toFixed(1);
  }

  protected toggle(group: MuscleGroupId): void {
    const now = this.lanes();
    this.chosen.set(now.includes(group) ? now.filter((g) => g !== group) : [...now, group]);
  }

  protected makeLanes(): void {
    void this.router.navigate(['/clients', this.clientId(), 'block'], {
      queryParams: { groups: this.lanes().join(',') },
    });
  }

  private async load(clientId: string): Promise<void> {
    try {
      this.visits.set(await firstValueFrom(this.api.assessments(clientId)));
      this.problem.set(null);
    } catch (err) {
      this.problem.set(problemOf(err));
    }
  }
}

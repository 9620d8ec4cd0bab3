import { Requests } from '../data/requests';
import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import type { Assessment } from '@yandle/contract';
import {
  formatReading,
  goalsOf,
  interestsOf,
  ageOn,
  asDecided,
  beighton,
  complaintsIn,
  complaintsOf,
  falseChangesExpected,
  findings,
  formatNumber,
  muscleGroupName,
  quickCheckTests,
  symptomName,
  VERY_FREE_WARNING,
  type GroupFinding,
  type MuscleGroupId,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { eventOf } from '../measure/results';
import { BodyFigure, type RegionShade } from '../ui/body-figure';
import { ProblemNote } from '../ui/problem-note';
import { SelfReportsCard } from './self-reports-card';
import { canBeLane, groupNames, newestResults, shadesOf, testNames } from './findings.model';
import { PrioritiesStore } from './priorities.store';
import { EvidenceTable } from './evidence-table';
import { GoalsCard } from './goals-card';
import { GroupRow, type Interest } from './group-row';
import { QuickCheckCard } from './quick-check-card';

/** Groups that a first choice hands over: what days and minutes hold of them, the block says. */
const SUGGESTED = 6;
const NO_INTEREST: Interest = { coach: 0, client: 0 };

/** Which muscle groups to work on, ranked, each score with its parts and its reason; from here lanes are made. */
@Component({
  selector: 'y-findings',
  imports: [
    RouterLink,
    ProblemNote,
    BodyFigure,
    EvidenceTable,
    SelfReportsCard,
    GoalsCard,
    QuickCheckCard,
    GroupRow,
    CdkDropList,
    CdkDrag,
    CdkDragHandle,
  ],
  providers: [PrioritiesStore],
  templateUrl: './findings.html',
})
export class FindingsScreen {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly context = inject(ClientContext);
  private readonly testCatalogue = inject(TestCatalogueService);
  protected readonly priorities = inject(PrioritiesStore);
  private readonly today = inject(AccountService).me()?.today ?? '';
  readonly clientId = input.required<string>();
  private readonly assessments = signal<readonly Assessment[] | null>(null);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  private readonly picked = signal<readonly MuscleGroupId[] | null>(null);
  protected readonly shown = signal<MuscleGroupId | null>(null);

  protected readonly name = muscleGroupName;
  protected readonly names = groupNames;
  protected readonly testNames = testNames;
  protected readonly canBeLane = canBeLane;
  protected readonly reading = formatReading;
  protected readonly veryFreeFrom = VERY_FREE_WARNING;

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => {
        void this.load(id);
        void this.priorities.load(id);
      });
    });
  }

  private readonly person = computed(() => {
    const c = this.context.client();
    return c ? { age: ageOn(c.birthDate, this.today), sex: c.sex } : null;
  });
  private readonly goals = computed(() => goalsOf(this.priorities.view()));
  protected readonly measured = computed(() => {
    const assessments = this.assessments();
    return assessments ? newestResults(assessments, this.testCatalogue.catalogue(), this.goals()) : null;
  });
  private readonly complaints = computed(() => complaintsIn(this.priorities.view()));
  protected readonly found = computed(() => {
    const person = this.person();
    const measured = this.measured();
    if (!person || !measured || measured.length === 0) return null;
    const interests = interestsOf(this.priorities.view());
    return findings(measured, person, interests);
  });
  /** As coach and client decided: pinned, by hand, by score; those left out apart. */
  protected readonly decided = computed(() => {
    const found = this.found();
    return found ? asDecided(found.ranked, this.priorities.view().priorities) : null;
  });
  protected readonly excluded = computed(() =>
    (this.decided()?.excluded ?? []).map((g) => ({
      group: g.group,
      reason: this.priorities.view().priorities.excluded.find((e) => e.group === g.group)?.reason ?? '',
    })),
  );
  protected readonly byHand = computed(() => this.priorities.view().priorities.order.length > 0);
  /** Longest bar of the list: the highest score, or 3 so that small scores look small. */
  protected readonly top = computed(() => Math.max(3, ...(this.found()?.ranked.map((g) => g.score) ?? [])));
  protected readonly lanes = computed(() => {
    const list = this.decided()?.list ?? [];
    const picked = this.picked();
    const wanted =
      picked ??
      list
        .filter(canBeLane)
        .slice(0, SUGGESTED)
        .map((g) => g.group);
    const asked = this.found()?.asked ?? [];
    return [...list, ...asked].map((g) => g.group).filter((g) => wanted.includes(g));
  });
  protected readonly expected = computed(() => formatNumber(this.found()?.shortFlags.expected ?? 0));
  /** Comparisons with the assessment before: found to be real, and how many chance alone makes. */
  protected readonly changes = computed(() => {
    const compared = (this.measured() ?? []).map((m) => m.compared);
    const sum = (of: 'all' | 'real'): number => compared.reduce((total, c) => total + c[of], 0);
    return { all: sum('all'), real: sum('real'), expected: formatNumber(falseChangesExpected(sum('all'))) };
  });
  protected readonly sexMissing = computed(() => this.context.client()?.sex === null);
  protected readonly proposedCheck = computed(() => quickCheckTests(this.found()?.ranked ?? []));

  /** The newest Beighton score; null when never looked at. */
  protected readonly joints = computed(() => {
    const assessment = [...(this.assessments() ?? [])].reverse().find((v) => v.beighton !== null);
    const client = this.context.client();
    return assessment && client ? beighton(assessment.beighton!, ageOn(client.birthDate, assessment.date)) : null;
  });

  /** Tests that a symptom ended in the newest assessment. */
  protected readonly ended = computed(() => {
    const assessment = this.assessments()?.at(-1);
    if (!assessment) return [];
    return this.testCatalogue.catalogue().tests.flatMap((t) => {
      const e = eventOf(assessment, t);
      return e?.kind === 'stopped'
        ? [`${t.name}: ${symptomName(e.symptom ?? 'other').toLowerCase()}${e.side ? `, ${e.side}` : ''}`]
        : [];
    });
  });

  protected readonly figure = computed(() => {
    const f = this.found();
    return f ? shadesOf(f, this.top()) : new Map<MuscleGroupId, RegionShade>();
  });
  protected readonly order = computed(() => this.decided()?.list.map((g) => g.group) ?? []);

  protected complaintsOf(group: MuscleGroupId) {
    return complaintsOf(group, this.complaints());
  }

  protected interestOf(group: MuscleGroupId): Interest {
    return this.priorities.view().priorities.interests.find((i) => i.group === group) ?? NO_INTEREST;
  }

  protected toggle(group: MuscleGroupId): void {
    const now = this.lanes();
    this.picked.set(now.includes(group) ? now.filter((g) => g !== group) : [...now, group]);
  }

  protected dropped(event: CdkDragDrop<unknown, unknown, GroupFinding>): void {
    this.priorities.move(this.order(), event.item.data.group, event.currentIndex);
  }

  /** Arrow keys on the handle move a group, as dragging does. */
  protected handleKey(event: KeyboardEvent, group: MuscleGroupId): void {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (!by) return;
    event.preventDefault();
    this.priorities.move(this.order(), group, this.order().indexOf(group) + by);
  }

  protected show(group: MuscleGroupId): void {
    this.shown.set(group);
    const row = document.getElementById(`group-${group}`);
    row?.scrollIntoView({ block: 'nearest' });
    row?.querySelector<HTMLElement>('button')?.focus({ preventScroll: true });
  }

  protected makeLanes(): void {
    void this.router.navigate(['/clients', this.clientId(), 'block'], {
      queryParams: { groups: this.lanes().join(',') },
    });
  }

  private async load(clientId: string): Promise<void> {
    await this.requests.run(async () => {
      this.assessments.set(await firstValueFrom(this.api.assessments(clientId)));
    });
  }
}

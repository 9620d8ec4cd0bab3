import { Requests } from '../data/requests';
import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Assessment, Block, PrioritiesView } from '@yandle/contract';
import {
  ageOn,
  cutWords,
  formatDate,
  leftOutWords,
  laneExercises,
  limitWords,
  muscleGroupName,
  placed,
  routineSessionsOf,
  prescriptionWords,
  reachLine,
  reachOf,
  sourceWords,
  techniquesUsed,
  cautionTitle,
  isHouseRule,
  cautionChanges,
  percentOf,
} from '@yandle/core';
import { firstValueFrom, forkJoin } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { foundIn, whyWords } from '../findings/findings.model';
import { LibraryService } from '../library/library.service';
import { StylesService } from '../styles/styles.service';
import { ProblemNote } from '../ui/problem-note';
import { StopSigns } from '../ui/stop-signs';

/** Why the block is as it is, on one page: findings, lanes, styles, ramp, safety, sources. */
@Component({
  selector: 'y-rationale',
  imports: [RouterLink, ProblemNote, StopSigns],
  templateUrl: './rationale.html',
})
export class RationaleScreen {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly library = inject(LibraryService);
  private readonly styles = inject(StylesService);
  private readonly testCatalogue = inject(TestCatalogueService);
  private readonly today = inject(AccountService).me()?.today ?? '';
  readonly clientId = input.required<string>();
  protected readonly cautionTitle = cautionTitle;
  protected readonly cautionChanges = cautionChanges;
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  private readonly read = signal<{
    readonly blocks: readonly Block[];
    readonly assessments: readonly Assessment[];
    readonly priorities: PrioritiesView;
  } | null>(null);
  protected readonly client = this.context.client;
  protected readonly loaded = computed(() => this.read() !== null);
  protected readonly name = muscleGroupName;
  protected readonly sourceWords = sourceWords;

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => void this.load(id));
    });
  }

  /** The running block, or the last one. */
  protected readonly block = computed(() => this.read()?.blocks[0] ?? null);
  protected readonly cautions = computed(() =>
    (this.context.path().value?.cautions ?? []).filter((c) => !isHouseRule(c)),
  );

  private readonly found = computed(() => {
    const read = this.read();
    const c = this.client();
    if (!read || !c) return null;
    const person = { age: ageOn(c.birthDate, this.today), sex: c.sex };
    return foundIn(read.assessments, this.testCatalogue.catalogue(), read.priorities, person);
  });

  /** Each lane with why it is there, how it is worked and where it goes. */
  protected readonly lanes = computed(() => {
    const b = this.block();
    if (!b) return [];
    return b.lanes.map((l, i) => {
      const finding = this.found()?.ranked.find((r) => r.group === l.group);
      const draft = b.choices.lanes[i]!;
      const worked = l.weeks.filter((w) => w.kind !== 'rest');
      const build = worked.filter((w) => w.kind === 'build');
      const [first, last] = [build[0], build.at(-1)];
      const peak = Math.max(0, ...worked.map((w) => w.dose));
      const styles = [...new Set(worked.map((w) => w.styleId))].map((id) => this.styles.find(id).name);
      const exercises = techniquesUsed(l).map((t) => {
        const id = draft.exercises.find((e) => e.technique === t)?.exerciseId;
        return `${t}: ${id ? this.library.find(id).name : 'none chosen'}`;
      });
      return {
        group: l.group,
        why: finding ? whyWords(finding) : 'Chosen by the coach, not from the latest results.',
        styles: styles.join(', then '),
        exercises: exercises.join('; '),
        first: first ? prescriptionWords(first.prescription) : '–',
        last: last ? prescriptionWords(last.prescription) : '–',
        dose: `${first?.dose ?? 0} → ${peak} s per side and week`,
        set: worked.filter((w) => w.locked).map((w) => w.week),
      };
    });
  });

  protected readonly calendar = computed(() => {
    const b = this.block();
    if (!b) return null;
    const easier = [...new Set(b.lanes.flatMap((l) => l.weeks.filter((w) => w.kind === 'easier').map((w) => w.week)))];
    return {
      ramp: percentOf(b.choices.ramp, 1),
      easier: easier.sort((x, y) => x - y),
      retests: b.retests.map((r) => `${formatDate(r.date, 'd MMM')} (${r.week === 1 ? 'baseline' : `week ${r.week}`})`),
      missed: b.choices.missedWeeks,
    };
  });
  /** The reach of the block in one line; null where no figure is for it. */
  protected readonly reach = computed((): string | null => {
    const b = this.block();
    if (!b) return null;
    const input = {
      ...b.choices,
      client: { age: 40, experience: 'regular' as const, trainingDays: [], gentleGroups: [] },
      findStyle: (id: string) => this.styles.find(id),
      lanes: b.choices.lanes.map((l) => ({
        ...l,
        loadUnit: 'kg' as const,
        exercises: laneExercises(l, (id) => this.library.find(id)),
      })),
      dayPlans: placed(b.choices.dayPlans, b.basis?.places, (id) => this.library.find(id)),
    };
    return (
      reachLine(
        reachOf(input, { lanes: b.lanes, retestWeeks: [], shortages: b.shortages, routines: routineSessionsOf(input) }),
      ) || null
    );
  });
  /** What could not be served, by lane: how many weeks, and the first reason. */
  protected readonly shortages = computed(() => {
    const b = this.block();
    if (!b) return [];
    return b.lanes.flatMap((l, i) => {
      const mine = b.shortages.filter((s) => s.lane === i);
      const weeks = [...new Set(mine.map((s) => s.week))];
      if (weeks.length === 0) return [];
      const where = weeks.length === 1 ? `week ${weeks[0]}` : `${weeks.length} weeks`;
      return [`${muscleGroupName(l.group)}, ${where}: ${cutWords(mine[0]!.fact)}`];
    });
  });
  protected readonly limits = computed(() => [
    ...new Set(this.block()?.lanes.flatMap((l) => l.limitReasons.map(limitWords)) ?? []),
  ]);
  protected readonly leftOut = computed(() => [
    ...new Set(this.block()?.lanes.flatMap((l) => l.leftOut.map(leftOutWords)) ?? []),
  ]);
  protected readonly sources = computed(() => {
    const b = this.block();
    if (!b) return [];
    const used = [...new Set(b.lanes.flatMap((l) => l.weeks.map((w) => w.styleId)))];
    const all = used.flatMap((id) => this.styles.find(id).sources);
    return all.filter((s, i) => all.findIndex((x) => x.text === s.text) === i);
  });

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }

  protected print(): void {
    window.print();
  }

  private async load(id: string): Promise<void> {
    await this.requests.run(async () => {
      await Promise.all([this.library.ready(), this.styles.ready()]);
      const [blocks, assessments, priorities] = await firstValueFrom(
        forkJoin([this.api.blocks(id), this.api.assessments(id), this.api.priorities(id)]),
      );
      this.read.set({ blocks, assessments, priorities });
    });
  }
}

import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Block, SessionSummary } from '@yandle/contract';
import {
  counted,
  easierWeeksOf,
  formatDate,
  limitWords,
  muscleGroupName,
  prescriptionWords,
  rangeBetween,
  weekWords,
} from '@yandle/core';
import { firstValueFrom, forkJoin } from 'rxjs';
import { Api } from '../data/api';
import { Requests } from '../data/requests';
import { StylesService } from '../styles/styles.service';
import { ProblemNote } from '../ui/problem-note';
import { VersionsPanel } from './revisions-panel';
import { Stave } from './stave';
import type { Selection, StaveLane } from './stave.model';

const FIRST = { lane: 0, week: 1 };

/** A block that has ended, as it was published last: to look at, not to change. */
@Component({
  selector: 'y-earlier-block',
  imports: [ProblemNote, RouterLink, Stave, VersionsPanel],
  template: `
    <div class="px-4 py-4 sm:px-6">
      @if (requests.problem(); as p) {
        <y-problem-note [problem]="p" [retry]="true" (again)="load()" />
      }
      @if (block(); as b) {
        <div class="flex flex-wrap items-start gap-3">
          <div class="mr-auto min-w-60">
            <h1>{{ title() }}</h1>
            <p class="text-sm text-soft">{{ facts() }}</p>
          </div>
          <a class="btn" [routerLink]="['/clients', clientId(), 'block']" [queryParams]="{ from: b.id }"
            >Start a new block from this</a
          >
          <a class="btn" [routerLink]="['/clients', clientId(), 'block']">Back to the block of today</a>
        </div>
        <div class="mt-4 grid gap-5 xl:grid-cols-[minmax(0,1fr)_20rem]">
          <div class="min-w-0">
            <y-stave
              [lanes]="lanes()"
              [retests]="retests()"
              [easierWeeks]="easier()"
              [missedWeeks]="b.choices.missedWeeks"
              [fromWeek]="b.weeks + 1"
              [dayPlans]="[]"
              [plain]="true"
              [selection]="selection()"
              (selectionChange)="selection.set($event)"
            />
            @if (cell(); as c) {
              <section class="sheet mt-3 p-4" aria-live="polite">
                <p class="text-sm text-soft">{{ c.where }}</p>
                <h2>{{ c.words }}</h2>
                <p class="mt-1 text-sm">{{ c.why }}</p>
                @for (l of c.limits; track l) {
                  <p class="mt-1 text-sm text-soft">{{ l }}</p>
                }
              </section>
            }
          </div>
          <aside aria-label="Versions of this block">
            <y-revisions-panel [blockId]="b.id" [newest]="b.revision" [past]="true" />
          </aside>
        </div>
      } @else if (!requests.busy() && !requests.problem()) {
        <p>This block is not among the client’s blocks.</p>
        <a class="link" [routerLink]="['/clients', clientId(), 'block']">Back to the block of today</a>
      }
    </div>
  `,
})
export class EarlierBlock {
  private readonly api = inject(Api);
  private readonly styles = inject(StylesService);
  readonly clientId = input.required<string>();
  readonly blockId = input.required<string>();
  protected readonly requests = new Requests();
  private readonly sessions = signal<readonly SessionSummary[]>([]);
  protected readonly block = signal<Block | null>(null);
  protected readonly selection = signal<Selection>({ head: FIRST, range: rangeBetween(FIRST, FIRST) });

  constructor() {
    effect(() => {
      this.clientId();
      this.blockId();
      untracked(() => void this.load());
    });
  }

  protected async load(): Promise<void> {
    const id = this.clientId();
    await this.requests.run(async () => {
      const [blocks, sessions] = await firstValueFrom(
        forkJoin([this.api.blocks(id), this.api.sessions(id), this.styles.ready()]),
      );
      this.block.set(blocks.find((b) => b.id === this.blockId()) ?? null);
      this.sessions.set(sessions.filter((s) => s.blockId === this.blockId()));
    });
  }

  protected readonly title = computed(() => {
    const b = this.block()!;
    return `${b.lanes.map((l) => muscleGroupName(l.group)).join(', ')}: ${counted(b.weeks, 'week')}`;
  });
  protected readonly facts = computed(() => {
    const b = this.block()!;
    const dates = `${formatDate(b.startDate, 'd MMM yyyy')} – ${formatDate(b.endDate, 'd MMM yyyy')}`;
    const ended = b.endedAt ? `ended ${formatDate(b.endedAt.slice(0, 10), 'd MMM yyyy')}` : null;
    const done = this.sessions().filter((s) => s.status === 'done').length;
    const sessions =
      this.sessions().length > 0 ? `${done} of ${counted(this.sessions().length, 'session')} done` : null;
    return [dates, ended, sessions, `version ${b.revision}`].filter((x) => x !== null).join(' · ');
  });
  protected readonly lanes = computed((): StaveLane[] =>
    this.block()!.lanes.map((l) => ({
      id: l.id,
      group: l.group,
      styleName: this.styles.find(l.styleId).name,
      weeks: l.weeks,
      other: null,
    })),
  );
  protected readonly retests = computed(() => this.block()!.retests.map((r) => r.week));
  protected readonly easier = computed(() => easierWeeksOf(this.block()!.choices));
  protected readonly cell = computed(() => {
    const { lane, week } = this.selection().head;
    const l = this.block()!.lanes[lane];
    const c = l?.weeks[week - 1];
    if (!l || !c) return null;
    return {
      where: `Week ${week} · ${muscleGroupName(l.group)}`,
      words: c.kind === 'rest' ? 'Rest' : prescriptionWords(c.prescription),
      why: weekWords(c, l),
      limits: l.limitReasons.map(limitWords),
    };
  });
}

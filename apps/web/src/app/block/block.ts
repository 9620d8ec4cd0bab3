import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  BLOCK_BOUNDS,
  formatDate,
  muscleGroupName,
  STYLES,
  trainableGroups,
  weekOn,
  WEEKDAYS,
  type MuscleGroupId,
} from '@yandle/core';
import { AccountService } from '../data/account.service';
import { ToastService } from '../data/toast.service';
import { SCREENING_WORDS } from '../intake/screening-words';
import { ProblemNote } from '../ui/problem-note';
import { BlockStore } from './block.store';
import { CellPanel } from './cell-panel';
import { Stave, type StaveCell } from './stave';

/** The block: what the coach chooses above, the stave below, the arithmetic of the selected cell beside it. */
@Component({
  selector: 'y-block',
  imports: [RouterLink, Stave, CellPanel, ProblemNote],
  providers: [BlockStore],
  templateUrl: './block.html',
})
export class BlockScreen {
  protected readonly store = inject(BlockStore);
  private readonly account = inject(AccountService);
  private readonly toasts = inject(ToastService);
  readonly clientId = input.required<string>();
  /** Groups handed over by the findings, joined by commas. */
  readonly groups = input<string>();

  protected readonly bounds = BLOCK_BOUNDS;
  protected readonly trainable = trainableGroups();
  protected readonly groupName = muscleGroupName;
  protected readonly leftOut = computed(() =>
    this.store.leftOut().map((l) => ({ name: l.exercise.name, why: l.because.map((c) => c.title).join(', ') })),
  );
  protected readonly screening = SCREENING_WORDS;
  protected readonly ramps = [0, 0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5];
  protected readonly weekChoices = range(BLOCK_BOUNDS.weeks.min, BLOCK_BOUNDS.weeks.max);
  protected readonly easierChoices = range(BLOCK_BOUNDS.easierEvery.min, BLOCK_BOUNDS.easierEvery.max);
  /** What the coach selected; before that the running week of the first lane. */
  private readonly picked = signal<StaveCell | null>(null);

  constructor() {
    effect(() => {
      const id = this.clientId();
      const groups = (this.groups() ?? '').split(',');
      untracked(() => void this.store.load(id, groups));
    });
  }

  protected readonly blocked = computed(() => {
    const s = this.store.client()?.screening;
    return s === 'open' || s === 'refer';
  });

  protected readonly lanes = computed(() => {
    const draft = this.store.draft();
    const plan = this.store.preview()?.plan;
    if (!draft || !plan) return [];
    return plan.lanes.map((l, i) => ({
      ...l,
      exerciseId: draft.lanes[i]!.exerciseId,
      styleName: STYLES.find((s) => s.id === l.styleId)?.name ?? '',
    }));
  });

  /** The selected cell, kept inside the block when it shrinks. */
  protected readonly selected = computed((): StaveCell => {
    const { lane, week } = this.picked() ?? { lane: 0, week: this.currentWeek() ?? 1 };
    return {
      lane: Math.min(lane, Math.max(0, this.lanes().length - 1)),
      week: Math.min(week, this.store.draft()?.weeks ?? 1),
    };
  });

  protected readonly currentWeek = computed(() => {
    const r = this.store.running();
    const today = this.account.me()?.today;
    if (!r || !today || this.store.draft()?.startDate !== r.startDate) return null;
    const week = weekOn(r.startDate, today);
    return week >= 1 && week <= r.weeks ? week : null;
  });

  protected readonly title = computed(() => {
    const d = this.store.draft();
    if (!d) return '';
    const names = d.lanes.map((l) => muscleGroupName(l.group)).join(', ');
    return names ? `${names}: ${d.weeks} weeks` : 'New block';
  });

  protected readonly facts = computed(() => {
    const c = this.store.client();
    const r = this.store.running();
    if (!c) return '';
    const days = c.trainingDays.map((d) => WEEKDAYS[d - 1]!.short).join(' ');
    const dates = r ? `${formatDate(r.startDate, 'd MMM')} – ${formatDate(r.endDate, 'd MMM yyyy')} · ` : '';
    return `${dates}${days} · ${c.minutesPerSession} min${r ? ` · revision ${r.revision}` : ''}`;
  });

  protected pick(cell: StaveCell): void {
    this.picked.set(cell);
  }

  protected laneOf(group: MuscleGroupId) {
    return this.store.draft()?.lanes.find((l) => l.group === group) ?? null;
  }

  protected percent(ramp: number): string {
    return `${Math.round(ramp * 100)} %`;
  }

  protected day(date: string): string {
    return formatDate(date, 'EEE d MMM');
  }

  protected async save(): Promise<void> {
    const first = !this.store.running();
    if (await this.store.save())
      this.toasts.show(first ? 'The block is planned and its sessions have dates.' : 'The block is planned anew.');
  }

  protected async end(): Promise<void> {
    if (await this.store.end()) this.toasts.show('The block has ended. What was done stays in the record.');
  }
}

function range(from: number, to: number): number[] {
  return Array.from({ length: to - from + 1 }, (_, i) => from + i);
}

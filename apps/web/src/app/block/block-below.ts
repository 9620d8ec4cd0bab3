import { Component, computed, inject, output, signal } from '@angular/core';
import {
  cutWords,
  easierWeeksOf,
  fullGroupWords,
  laneExercises,
  muscleGroupName,
  reachLine,
  reachWayWords,
  reachWords,
  sideWeeklyDose,
  toggleEasierWeek,
  placed,
  weeklyGroupDoses,
  type BlockPlan,
  type CellPlace,
  type Fix,
  type MuscleGroupId,
} from '@yandle/core';
import { LibraryService } from '../library/library.service';
import { StylesService } from '../styles/styles.service';
import { BlockSelection } from './block-selection';
import { BlockStore } from './block.store';
import { DoseChart, type DoseLine } from './dose-chart';
import { RuleList } from './rule-list';

/** Below the board: the rules with what breaks them, or the weekly dose of each group. */
@Component({ selector: 'y-block-below', imports: [RuleList, DoseChart], templateUrl: './block-below.html' })
export class BlockBelow {
  protected readonly store = inject(BlockStore);
  protected readonly selection = inject(BlockSelection);
  private readonly library = inject(LibraryService);
  private readonly styles = inject(StylesService);
  readonly fixed = output<Fix>();
  readonly shown = output<CellPlace>();

  protected readonly below = signal<'rules' | 'dose'>('rules');
  protected readonly plan = this.selection.plan;
  protected readonly broken = this.store.violations;
  protected readonly groupName = muscleGroupName;
  protected readonly cutWords = cutWords;
  protected readonly reachWords = reachWords;
  protected readonly fullWords = fullGroupWords;
  protected readonly reach = computed(() => this.store.reach()?.reach ?? []);
  protected readonly full = computed(() => this.store.reach()?.full ?? []);
  /** Ways to the amount by group, as they are asked for; null while they are planned. */
  private readonly asked = signal<{
    readonly plan: BlockPlan;
    readonly ways: Readonly<Record<string, string | null>>;
  } | null>(null);
  protected readonly ways = computed(() => {
    const asked = this.asked();
    return asked && asked.plan === this.plan() ? asked.ways : {};
  });
  protected readonly reachLine = computed(() => reachLine(this.reach()));
  /** Shortages by lane and cause, each with its weeks. */
  protected readonly shortages = computed(() => {
    const by = new Map<string, { lane: number; words: string; weeks: number[] }>();
    for (const { lane, week, fact } of this.plan()?.shortages ?? []) {
      const words = cutWords(fact);
      const key = `${lane} ${words}`;
      const one = by.get(key) ?? { lane, words, weeks: [] };
      one.weeks.push(week);
      by.set(key, one);
    }
    return [...by.values()];
  });
  protected readonly groups = computed(() => this.plan()?.lanes.map((l) => l.group) ?? []);
  protected readonly easierWeeks = computed(() => {
    const d = this.store.draft();
    return d ? easierWeeksOf(d) : [];
  });
  protected readonly doseLines = computed((): DoseLine[] => {
    const plan = this.plan();
    const draft = this.store.draft();
    if (!plan || !draft) return [];
    const lanes = draft.lanes.map((l) => ({
      group: l.group,
      styleId: l.styleId,
      exercises: laneExercises(l, (id) => this.library.find(id)),
    }));
    const dayPlans = placed(draft.dayPlans, [], (id) => this.library.find(id));
    const weeks = Array.from({ length: draft.weeks }, (_, i) => weeklyGroupDoses({ lanes, dayPlans }, plan, i + 1));
    return plan.lanes
      .filter((l) => l.weeks.some((w) => sideWeeklyDose(w.prescription, 'left') > 0))
      .map((l) => ({
        group: l.group,
        left: weeks.map((w) => w.get(l.group)?.left ?? 0),
        right: weeks.map((w) => w.get(l.group)?.right ?? 0),
      }));
  });

  /** Plans the block in other ways until a group gets there: more minutes, more days, a first place, another style, more weeks. */
  protected async ask(group: MuscleGroupId): Promise<void> {
    const plan = this.plan();
    if (!plan) return;
    const set = (words: string | null): void => this.asked.set({ plan, ways: { ...this.ways(), [group]: words } });
    set(null);
    const ways = await this.store.waysToReach(group);
    if (plan !== this.plan()) return;
    const named = ways.map((w) => reachWayWords(w, (id) => this.styles.find(id).name));
    set(
      named.length === 0
        ? 'None of more minutes, more days, a first place, another style or more weeks does it.'
        : `What would: ${named.join('; ')}.`,
    );
  }

  protected toggleEasier(): void {
    this.store.edit((d) => toggleEasierWeek(d, this.selection.selection().head.week));
  }

  protected removeLane(): void {
    const lane = this.selection.lane();
    if (lane) this.store.endLane(lane.draft.id);
  }
}
